/** The state of a log, folded once however many ask: the screen, the rules before writing, the clocks. */
import { inLogOrder, JobFold, type JobState } from '@jeitinho/core/job';
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
  readonly fold: JobFold;
}

/** The job on screen as it was and as it is, and what runs beside it. */
const MOST_KEPT = 6;
let kept: readonly Kept[] = [];

/** What two logs that fold to the same have in common; an entry never changes but for its number and clock. */
export const signOf = (entries: readonly LocalEntry[]): string =>
  entries.map(({ id, seq, offset, sendState }) => [id, seq, offset, sendState].join()).join(';');

/**
 * What two logs that fold to the same state have in common. Sent or not is all the same to the rules; and so are
 * the numbers of an only device that had seen all that others wrote, for nothing of it can be in another place.
 * Without this every answer of the server would fold the log, and draw the screen, once more.
 */
export function foldingSign(counted: readonly LocalEntry[]): string {
  const numbered = !alone(counted);
  return inLogOrder(counted)
    .map(({ id, seq, offset }) => [id, numbered ? seq : '', offset].join())
    .join(';');
}

/** Whether one device wrote this log, after all that is in it from nobody's device. */
function alone(counted: readonly LocalEntry[]): boolean {
  let [device, others]: [string | undefined, number] = [undefined, 0];
  for (const entry of counted) {
    if (entry.device === undefined) others = Math.max(others, entry.seq ?? Infinity);
    else if (device !== undefined && device !== entry.device) return false;
    else device = entry.device;
  }
  return counted.every((entry) => entry.device === undefined || (entry.seen ?? 0) >= others);
}

const asFirstRead = new WeakMap<WrittenSheet, WrittenSheet>();

/** A sheet that was read from the store once more is another object, and folds to the same. */
function oneOf(written: WrittenSheet): WrittenSheet {
  const known = asFirstRead.get(written);
  if (known) return known;
  const { id, revision } = written;
  const same = kept.find(
    ({ written: each }) =>
      each === written ||
      (each.id === id &&
        each.revision === revision &&
        JSON.stringify(each) === JSON.stringify(written)),
  );
  const one = same?.written ?? written;
  asFirstRead.set(written, one);
  return one;
}

/** @param entries - In any order; what the server refused does not count. */
export function foldedLog(read: WrittenSheet, entries: readonly LocalEntry[]): Folded {
  const written = oneOf(read);
  const counted = entries.filter(({ sendState }) => sendState !== 'refused');
  const sign = foldingSign(counted);
  const known = kept.find((each) => each.written === written && each.sign === sign);
  if (known) return known;
  const fold = oneMore(written, counted, sign) ?? new JobFold(written, countedEntries(counted));
  // A plain copy: what is reckoned when first asked for is reckoned now.
  const folded = { written, sign, fold, sheet: fold.sheet, state: { ...fold.state() } };
  kept = [folded, ...kept].slice(0, MOST_KEPT);
  return folded;
}

/** Where the log is a known one and an entry after all of it, it goes on from there. */
function oneMore(written: WrittenSheet, counted: readonly LocalEntry[], sign: string) {
  const before = kept.find((each) => each.written === written && sign.startsWith(`${each.sign};`));
  if (before?.fold.length !== counted.length - 1) return undefined;
  const last = inLogOrder(countedEntries(counted)).at(-1);
  return last && before.fold.followedBy(last);
}
