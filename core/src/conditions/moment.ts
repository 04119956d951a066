/**
 * When something was done, by which device. Two devices' clocks need not agree: how far one lay from the
 * server's is measured when it sends, and the difference of two moments is never taken for longer than
 * both ways of reckoning allow.
 */
export interface Moment {
  /** Device time, ISO 8601, UTC. */
  readonly at: string;
  /** The same by the device's present clock, ms since the epoch; shifted when that clock is set. */
  readonly time: number;
  /** Which device; absent in entries from before devices had names. */
  readonly device?: string | undefined;
  /** Milliseconds to add to that device's time for the server's. */
  readonly offset?: number | undefined;
}

/**
 * Milliseconds from one moment to another. On one device its own clock tells; across two the smaller of
 * both reckonings, so that nobody waits too short because a clock was an hour off.
 */
export function elapsed(from: Moment, to: Moment): number {
  const own = to.time - from.time;
  if (from.device === to.device) return own;
  return Math.min(own, to.time + (to.offset ?? 0) - from.time - (from.offset ?? 0));
}

/** The longer of both, for what must not grow old. */
export function longestElapsed(from: Moment, to: Moment): number {
  const own = to.time - from.time;
  if (from.device === to.device) return own;
  return Math.max(own, to.time + (to.offset ?? 0) - from.time - (from.offset ?? 0));
}

export const shifted = <T extends Moment>(moment: T, ms: number): T => ({
  ...moment,
  time: moment.time + ms,
});
