/** What is said of an entry of whatever kind, by its kind. */
import type { Sheet } from '../../sheet/schema';
import type { FoldedEntry, WrittenEntry } from '../log/entry';
import { ENTRY_KINDS, kindOf, type EntryKind } from './index';
import type { EntryColumns, EntryPlace, RollGroup } from './kind';

/** One line of the roll in words. */
export const entryWords = (entry: WrittenEntry, sheet: Sheet): string =>
  kindOf(entry)?.words(entry.body, sheet) ?? 'An entry of a newer kind';

/** Its line in the report's record of what was made safe and done live; undefined where it has none. */
export const recordWords = (entry: WrittenEntry, sheet: Sheet): string | undefined =>
  kindOf(entry)?.record?.(entry.body, sheet);

/** Where it was made; undefined where nothing on the trail shows it. */
export const placeOfEntry = (entry: WrittenEntry, sheet: Sheet): EntryPlace | undefined =>
  kindOf(entry)?.place?.(entry.body, sheet);

/** What statistics ask of it. */
export const columnsOf = (entry: WrittenEntry): EntryColumns =>
  kindOf(entry)?.columns?.(entry.body) ?? {};

export const groupOf = (entry: WrittenEntry): RollGroup => kindOf(entry)?.group ?? 'course';

/** Whether it stands with what was withdrawn and void. */
export const isUndone = (entry: FoldedEntry): boolean =>
  entry.withdrawnBy !== undefined || kindOf(entry)?.undoes === true;

/** Whether it can still be taken back: what the device itself noted cannot. */
export const canWithdraw = (entry: FoldedEntry): boolean =>
  entry.withdrawnBy === undefined && !kindOf(entry)?.isFact;

/** Kinds from which a clock may run. */
export const CLOCK_KINDS: readonly EntryKind[] = ENTRY_KINDS.filter(
  (kind) => kindOf({ kind })?.startsClock,
);
