/** The state of a log, folded once however many ask: the screen, the rules before writing, the clocks. */
import { foldJob, type JobState } from '@jeitinho/core/job';
import type { Sheet } from '@jeitinho/core/sheet';
import { countedEntries, type LocalEntry } from './local-store';

interface Folded {
  readonly sheet: Sheet;
  readonly sign: string;
  readonly state: JobState;
}

/** The job on screen as it was and as it is, and what runs beside it. */
const MOST_KEPT = 6;
let kept: readonly Folded[] = [];

/** What two logs that fold to the same have in common; an entry never changes but for its number and clock. */
export const signOf = (entries: readonly LocalEntry[]): string =>
  entries.map(({ id, seq, offset, sendState }) => [id, seq, offset, sendState].join()).join(';');

/** @param entries - In any order; what the server refused does not count. */
export function foldedLog(sheet: Sheet, entries: readonly LocalEntry[]): JobState {
  const counted = entries.filter(({ sendState }) => sendState !== 'refused');
  // Sent or not is all the same to the rules.
  const sign = counted.map(({ id, seq, offset }) => [id, seq, offset].join()).join(';');
  const known = kept.find((each) => each.sheet === sheet && each.sign === sign);
  if (known) return known.state;
  const state = foldJob(sheet, countedEntries(counted));
  kept = [{ sheet, sign, state }, ...kept].slice(0, MOST_KEPT);
  return state;
}
