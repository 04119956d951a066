/** Keeping what was taken: how often the same was said of the same place, and which finding is its latest. */
import type { Draft } from '../state/draft';
import type { Taken } from '../state/state';

/** What was taken back is kept, and counts for nothing. */
export function keepTaken(draft: Draft, taken: Taken): void {
  if (taken.standing.kind === 'withdrawn') {
    draft.taken.push(taken);
    return;
  }
  const said = saying(taken);
  const before = draft.streaks.get(taken.observable);
  const agreeing = before?.said === said ? before.times : 0;
  draft.streaks.set(taken.observable, { said, times: agreeing + 1 });
  draft.latest.set(taken.observable, draft.taken.length);
  draft.taken.push(agreeing === 0 ? taken : { ...taken, agreeing });
}

/** One word for what a finding said, to compare it with the one before. Later remarks do not change it. */
const saying = (taken: Taken): string =>
  taken.kind === 'answer'
    ? taken.outcome
    : `${taken.judgement.verdict} ${taken.judgement.verdict === 'in' ? '' : taken.judgement.outcome}`;
