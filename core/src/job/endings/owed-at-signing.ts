/** What is owed when a visit is signed: named, and signed all the same only with a reason. */
import type { Sheet } from '../../sheet/schema';
import { sentence } from '../../units/sentence';
import { beforePart } from '../before-part/before-part';
import { mendedOf } from '../mended/mended';
import type { JobState } from '../state/state';
import { fittedIn } from '../work/work';
import { workOwed } from './mends';
import { endingWords } from './ending';

/** @returns Lines such as `Inverter board, why the old one died: blocked heat sink`. */
export function owedAtSigning(sheet: Sheet, state: JobState): string[] {
  const mended = mendedOf(sheet, state);
  return [
    ...workOwed(state).map((ending) => `Decided, and not done: ${endingWords(sheet, ending)}`),
    ...[...fittedIn(state.works)].flatMap((part) => beforePart(sheet, state, part).owed),
    ...(mended && !mended.proven
      ? mended.owed.length > 0
        ? mended.owed.map(sentence)
        : [mended.bad ? 'It is not mended' : 'The complaint, looked for and not seen']
      : []),
  ];
}
