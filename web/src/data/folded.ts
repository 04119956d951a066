/** The state of a log, folded once however many ask: the screen, the rules before writing, the clocks. */
import { JobFold, type JobState } from '@jeitinho/core/job';
import type { Sheet, WrittenSheet } from '@jeitinho/core/sheet';
import { countedEntries, type LocalEntry } from './local-store';

export interface Folded {
  /** As it is for the machine of this log. */
  readonly sheet: Sheet;
  readonly state: JobState;
}

interface Kept extends Folded {
  readonly written: WrittenSheet;
  readonly sign: string;
}

/** The job on screen as it was and as it is, and what runs beside it. */
const MOST_KEPT = 6;
let kept: readonly Kept[] = [];

/** What two logs that fold to the same have in common; an entry never changes but for its number and clock. */
export const signOf = (entries: readonly LocalEntry[]): string =>
  entries.map(({ id, seq, offset, sendState }) => [id, seq, offset, sendState].join()).join(';');

/** @param entries - In any order; what the server refused does not count. */
export function foldedLog(written: WrittenSheet, entries: readonly LocalEntry[]): Folded {
  const counted = entries.filter(({ sendState }) => sendState !== 'refused');
  // Sent or not is all the same to the rules.
  const sign = counted.map(({ id, seq, offset }) => [id, seq, offset].join()).join(';');
  const known = kept.find((each) => each.written === written && each.sign === sign);
  if (known) return known;
  const fold = new JobFold(written, countedEntries(counted));
  // A plain copy: what is reckoned when first asked for is reckoned now.
  const folded = { written, sign, sheet: fold.sheet, state: { ...fold.state() } };
  kept = [folded, ...kept].slice(0, MOST_KEPT);
  return folded;
}
