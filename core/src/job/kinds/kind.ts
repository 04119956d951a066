/**
 * What one kind of entry is: everything that the program has to know of it, in one place. A new kind is a
 * file here and a line in `index.ts`; the compiler asks for whatever was forgotten.
 */
import type { Static, TSchema } from '@sinclair/typebox';
import type { Sheet } from '../../sheet/schema';
import type { Refusal } from '../admission/refusal';
import type { FoldedEntry, Numbering, WrittenEntry } from '../log/entry';
import type { Draft } from '../state/draft';
import type { JobState } from '../state/state';
import type { Stage } from '../trail/trail';

/** Under which filter of the roll it stands; `course` under none but “everything”. */
export type RollGroup = 'findings' | 'safety' | 'notes' | 'course';

/** Where in the interface an entry was made. */
export interface EntryPlace {
  readonly stage: Stage;
  /** The card of one placement, by its observable. */
  readonly observable?: string;
  /** Or of a test. */
  readonly test?: string;
}

/** What statistics ask of an entry in columns of their own. */
export interface EntryColumns {
  readonly test?: string;
  readonly point?: string | undefined;
  /** As indicated, SI; null for an overload. */
  readonly value?: number | null;
}

/** What an entry is judged by before it is let in. */
export interface Admission<E> {
  readonly sheet: Sheet;
  readonly state: JobState;
  readonly entry: E;
  /**
   * Its device knew nothing of the latest danger when it wrote this: what was done in good faith is kept as
   * what was done. It proves nothing, and what it measured is void.
   */
  readonly blind: boolean;
  /** Whether an earlier entry can still be taken back. */
  readonly canWithdraw: (entry: FoldedEntry) => boolean;
}

/** An entry of a kind, in the log or on its way there. */
export type EntryIn<K extends string, S extends TSchema> = WrittenEntry<K, Static<S> & object> &
  Numbering;

/** @typeParam K, S - Inferred from `kind` and `body` alone. */
export interface EntryKindOf<K extends string, S extends TSchema> {
  readonly kind: K;
  /** Schema of its body. */
  readonly body: S;
  readonly group: RollGroup;
  /** Listed with what was withdrawn and void as well. */
  readonly undoes?: true;
  /** What the device itself noted: it cannot be taken back. */
  readonly isFact?: true;
  /** After it the machine may be live: what had not seen it proves nothing. */
  readonly endangers?: true;
  /** Judged by the end of the log, wherever its own place in it is. */
  readonly looksAtEnd?: true;
  /** May be written into a signed job. */
  readonly whileSigned?: true;
  /** It decides which things of the sheet the machine has: everything is folded anew by it. */
  readonly reshapes?: true;
  /** A clock may run from it. */
  readonly startsClock?: true;
  /** The entry that it takes back. */
  withdraws?(entry: EntryIn<NoInfer<K>, NoInfer<S>>): string;
  /** Why it may not be appended now; absent where it always may. */
  admit?(at: Admission<EntryIn<NoInfer<K>, NoInfer<S>>>): Refusal | undefined;
  /** What it changes; the draft is changed in place. */
  apply(draft: Draft, entry: EntryIn<NoInfer<K>, NoInfer<S>>, sheet: Sheet): void;
  /** What stays of it when it was taken back; absent where nothing does. */
  applyWithdrawn?(draft: Draft, entry: EntryIn<NoInfer<K>, NoInfer<S>>, sheet: Sheet): void;
  /** One line of the roll. */
  words(body: Static<NoInfer<S>>, sheet: Sheet): string;
  /** Its line in the report's record of what was made safe and what was done live; absent for none. */
  record?(body: Static<NoInfer<S>>, sheet: Sheet): string;
  /** Absent where nothing on the trail shows it. */
  place?(body: Static<NoInfer<S>>, sheet: Sheet): EntryPlace | undefined;
  columns?(body: Static<NoInfer<S>>): EntryColumns;
}

export const defineKind = <const K extends string, S extends TSchema>(
  kind: EntryKindOf<K, S>,
): EntryKindOf<K, S> => kind;

/** A kind whose name and body are not known here. */
export type AnyKind = EntryKindOf<string, TSchema>;
