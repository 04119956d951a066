/**
 * After work: what was bad before must be taken again, good, in the state that showed it, or nothing is
 * proven. Where nothing had read bad, the proof is the complaint: looked for, and not seen.
 */
import { isBad } from './is-bad';
import { isSilent, type JobState, type Looked, type Taken } from '../state/state';
import type { NotedWork } from '../work/work';

export interface Proof {
  /** The last of the work. */
  readonly work: NotedWork;
  /** Bad before, and not taken again since. */
  readonly owed: readonly Taken[];
  /** Bad before, good now. */
  readonly good: readonly Taken[];
  /** Taken since, and bad. */
  readonly bad: readonly Taken[];
  /** Whether the complaint was seen since; undefined where nobody looked. */
  readonly seen?: boolean;
  /** Nothing bad is left, and at least one finding was seen to change, or the complaint is gone. */
  readonly proven: boolean;
}

/** The latest look for the complaint at the machine as it is now: since the last of the work. */
export function lookSince({
  log,
  looked,
  works,
}: Pick<JobState, 'log' | 'looked' | 'works'>): JobState['looked'][number] | undefined {
  const latest = looked.at(-1);
  const placeOf = (entry: string | undefined) => log.findIndex(({ id }) => id === entry);
  return latest && placeOf(latest.id) > placeOf(works.at(-1)?.id) ? latest : undefined;
}

/** @returns undefined while nothing was done. */
export function proofOf(state: JobState): Proof | undefined {
  const work = state.works.at(-1);
  if (!work) return undefined;
  const order = new Map(state.log.map((entry, i) => [entry.id, i]));
  const placeOf = (entry: string) => order.get(entry) ?? -1;
  const when = placeOf(work.id);
  const before = new Map<string, Taken>();
  const after = new Map<string, Taken>();
  for (const taken of state.taken) {
    // What is void says nothing: neither that it was bad nor that it is good now.
    if (taken.standing.kind === 'withdrawn' || 'because' in taken.standing) continue;
    (placeOf(taken.entry) < when ? before : after).set(taken.observable, taken);
  }
  const wasBad = [...before.values()].filter(isBad);
  const now = [...after.values()];
  const owed = wasBad.filter((taken) => {
    const again = after.get(taken.observable);
    return !again || (!isBad(again) && !sameState(taken, again));
  });
  const bad = now.filter(isBad);
  const good = now.filter(
    (taken) =>
      !isBad(taken) &&
      wasBad.some((each) => each.observable === taken.observable && sameState(each, taken)),
  );
  const look = lookSince(state);
  const gone = look?.body.seen === false && inShowingState(state.looked, look);
  return {
    work,
    owed,
    good,
    bad,
    ...(look && { seen: look.body.seen }),
    proven:
      owed.length === 0 &&
      bad.length === 0 &&
      look?.body.seen !== true &&
      (good.length > 0 || (wasBad.length === 0 && gone)),
  };
}

/**
 * A complaint that is not seen is gone where it was looked for in the state that had shown it; where nobody
 * knows which that was, any look will do.
 */
export function inShowingState(looked: readonly Looked[], look: Looked): boolean {
  const shown = looked.findLast(({ body }) => body.seen)?.state;
  return shown === undefined || look.state === undefined || look.state === shown;
}

/** Good in another state than the one that showed it bad proves nothing; where the state is not known, it does. */
const sameState = (before: Taken, after: Taken): boolean =>
  before.situation.state === undefined ||
  after.situation.state === undefined ||
  before.situation.state === after.situation.state;

/** Whether work has changed what a finding speaks of: it is of the machine as it was. */
export const isStale = (
  { epochs }: Pick<JobState, 'epochs'>,
  { observable, situation }: Pick<Taken, 'observable' | 'situation'>,
): boolean => situation.epoch < (epochs.get(observable) ?? 0);

/** Readings of a machine that work has changed since, and that were not taken again. */
export const staleOf = (state: JobState): Taken[] =>
  [...state.current.values()].filter((taken) => !isSilent(taken.standing) && isStale(state, taken));
