/**
 * A fault that comes and goes is not gone because it was not seen once: how often the complaint must be
 * looked for, apart in time, before its absence says something.
 */
import type { Sheet } from '../../sheet/schema';
import { inShowingState, proofOf } from '../findings/proof';
import { momentOf } from '../log/moment-of';
import type { JobState } from '../state/state';
import { faultsOf } from '../work/cures';

/** Chance that a fault that is still there is missed by all looks. */
const MISSED = 0.05;
/** Looks nearer to each other than this are one: the fault rests for longer. */
const APART_MS = 10 * 60_000;
/** What a share of rest is taken to be at least and at most: ten looks never end. */
const REST = [0.3, 0.75] as const;

export interface Looks {
  readonly wanted: number;
  /** Looks since the work, and since it was seen last, that did not see it, each ten minutes after the one before. */
  readonly had: number;
  /** Share of the time in which it shows nothing. */
  readonly rest: number;
}

/** @returns undefined where nothing was seen to come and go: one look will do. */
export function looksOf(sheet: Sheet, state: JobState): Looks | undefined {
  const rest = restOf(sheet, state);
  const [work] = state.works.slice(-1);
  if (rest === undefined || !work) return undefined;
  const place = (entry: string) => state.log.findIndex(({ id }) => id === entry);
  const after = state.looked.filter(({ id }) => place(id) > place(work.id));
  // Seen once more, it is looked for from the start.
  const since = after
    .slice(after.findLastIndex(({ body }) => body.seen) + 1)
    .filter((look) => inShowingState(state.looked, look));
  let [had, last] = [0, -Infinity];
  for (const look of since) {
    const at = momentOf(look).time;
    if (at - last < APART_MS) continue;
    had += 1;
    last = at;
  }
  return { wanted: Math.ceil(Math.log(MISSED) / Math.log(rest)), had, rest };
}

/**
 * The sheet's own figure for what was worked on, where no reading tells of it, or what the looks before the
 * work say by the rule of succession: seen in some, not in others.
 */
function restOf(sheet: Sheet, state: JobState): number | undefined {
  const { works, looked, log } = state;
  const last = works.at(-1);
  if (!last) return undefined;
  const own = Math.max(
    0,
    ...works.flatMap(({ body }) =>
      faultsOf(sheet, body).map(({ intermittent = 0 }) => intermittent),
    ),
  );
  const workedAt = log.findIndex(({ id }) => id === last.id);
  const before = looked.filter(({ id }) => log.findIndex((each) => each.id === id) < workedAt);
  const missed = before.filter(({ body }) => !body.seen).length;
  const wavers = missed > 0 && missed < before.length;
  const saidSo = log.some(
    (entry) =>
      entry.withdrawnBy === undefined &&
      entry.kind === 'contradiction' &&
      'as' in entry.body &&
      entry.body.as === 'comes-and-goes',
  );
  // Read again and good, a fault that was plain enough to be read is not waited for.
  const unread = own > 0 && (proofOf(state)?.good.length ?? 0) === 0;
  if (!unread && !wavers && !saidSo) return undefined;
  const counted = wavers ? (missed + 1) / (before.length + 2) : saidSo ? 0.5 : 0;
  return Math.min(REST[1], Math.max(REST[0], own, counted));
}
