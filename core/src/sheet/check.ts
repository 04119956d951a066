/**
 * Checks beyond the schema: does the sheet hang together? Each finding names its JSON path and says how
 * to mend it. All are reported, not only the first.
 */
import { answers } from './checks/answers';
import { bench } from './checks/bench';
import { circles } from './checks/circles';
import { codes } from './checks/codes';
import { duplicates } from './checks/duplicates';
import { measuring } from './checks/measuring';
import { phases } from './checks/phases';
import type { SheetCheck, SheetProblem } from './checks/problem';
import { proving } from './checks/proving';
import { references } from './checks/references';
import { shows } from './checks/shows';
import { visibility } from './checks/visibility';
import type { Sheet } from './schema';

export type { SheetProblem } from './checks/problem';

const FIRST: readonly SheetCheck[] = [
  duplicates,
  references,
  measuring,
  proving,
  circles,
  phases,
  codes,
  bench,
];
/** These reckon with outcomes, so they need sound limits and curves. */
const AFTER_LIMITS: readonly SheetCheck[] = [shows, visibility, answers];

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
