/**
 * An entry of the job log. The log is append-only, each entry with a client-made UUIDv7: nothing is edited
 * in place; a wrong entry is withdrawn by a later one and stays visible.
 */

/** Presses between two entries, at most; more is a tablet in a bag. */
export const MOST_PRESSES = 9_999;

/** An entry as a device writes it. */
export interface WrittenEntry<K extends string = string, B extends object = object> {
  readonly id: string;
  readonly kind: K;
  /** Device time, ISO 8601, UTC. */
  readonly at: string;
  readonly author: string;
  /** The browser or program that wrote it; absent in logs from before devices had names. */
  readonly device?: string;
  /** Highest number of this log that the device had when it wrote it. */
  readonly seen?: number;
  /** Keys and taps on the job's page since the entry before; absent where nobody counted. */
  readonly presses?: number;
  readonly body: B;
}

/** What the server adds to an entry. */
export interface Numbering {
  /** Counts per job from 1; absent until the server has it. */
  readonly seq?: number;
  /** Milliseconds from the device's time to the server's, measured at sending; 0 where absent. */
  readonly offset?: number;
}

/** An entry of whatever kind as the log keeps it. */
export type LoggedEntry = WrittenEntry & Numbering;

/** An entry in its place in a folded log. */
export type FoldedEntry = LoggedEntry & { readonly withdrawnBy?: string };
