/**
 * After a part is fitted: what was bad before must be measured again and be good, or nothing is proven.
 */
import type { Fitting, Noted } from '../state/facts';
import { isBad } from './is-bad';
import type { JobState, Taken } from '../state/state';

export interface Proof {
  readonly fitted: Noted<Fitting>;
  /** Bad before, and not taken again since. */
  readonly owed: readonly Taken[];
  /** Bad before, good now. */
  readonly good: readonly Taken[];
  /** Taken since, and bad. */
  readonly bad: readonly Taken[];
  /** Nothing bad is left, and at least one finding was seen to change. */
  readonly proven: boolean;
}

/** @returns undefined while nothing was fitted. Looks at the last part only. */
export function proofOf(state: JobState): Proof | undefined {
  const fitted = state.fitted.at(-1);
  if (!fitted) return undefined;
  const order = new Map(state.log.map((entry, i) => [entry.id, i]));
  const when = order.get(fitted.id) ?? -1;
  const before = new Map<string, Taken>();
  const after = new Map<string, Taken>();
  for (const taken of state.taken) {
    // What is void says nothing: neither that it was bad nor that it is good now.
    if (taken.standing.kind === 'withdrawn' || 'because' in taken.standing) continue;
    ((order.get(taken.entry) ?? -1) < when ? before : after).set(taken.observable, taken);
  }
  const wasBad = [...before.values()].filter(isBad);
  const now = [...after.values()];
  const owed = wasBad.filter(({ observable }) => !after.has(observable));
  const bad = now.filter(isBad);
  const good = now.filter(
    (taken) => !isBad(taken) && wasBad.some(({ observable }) => observable === taken.observable),
  );
  return {
    fitted,
    owed,
    good,
    bad,
    proven: owed.length === 0 && bad.length === 0 && good.length > 0,
  };
}
