/**
 * Checks beyond the schema: does the sheet hang together? Each finding names its JSON path and says how
 * to mend it. All are reported, not only the first.
 */
import { answers } from './answers';
import { bench } from './bench';
import { circles } from './circles';
import { codes } from './codes';
import { duplicates } from './duplicates';
import { measuring } from './measuring';
import { phases } from './phases';
import type { SheetProblem } from '../validation/problem';
import type { SheetCheck } from './sheet-check';
import { overRules } from './over-rules';
import { paths } from './paths';
import { proving } from './proving';
import { references } from './references';
import { followUps, secondEdition } from './second-edition';
import { shows } from './shows';
import { visibility } from './visibility';
import type { Sheet } from '../sheet/schema';

export type { SheetProblem } from '../validation/problem';

const FIRST: readonly SheetCheck[] = [
  duplicates,
  references,
  secondEdition,
  measuring,
  overRules,
  paths,
  proving,
  circles,
  phases,
  codes,
  bench,
];
/** These reckon with outcomes, so they need sound limits and curves. */
const AFTER_LIMITS: readonly SheetCheck[] = [shows, visibility, answers, followUps];

/** Problems first, then warnings. */
export function checkSheet(sheet: Sheet): SheetProblem[] {
  const found = FIRST.flatMap((check) => check(sheet));
  const unsound = found.some(
    ({ code, path }) => code === 'limits' || code === 'curve' || path.endsWith('/curve'),
  );
  const all = unsound ? found : [...found, ...AFTER_LIMITS.flatMap((check) => check(sheet))];
  return [
    ...all.filter(({ severity }) => severity === 'problem'),
    ...all.filter(({ severity }) => severity === 'warning'),
  ];
}
