/** What the findings of a job say plainly: sound, or bad and how. */
import type { Verdict } from '../../judge/judge';
import { isBad } from '../findings/is-bad';
import { isStale } from '../findings/proof';
import { isSilent, type JobState } from '../state/state';

const MARKS: Partial<Record<Verdict, 'sound' | 'bad'>> = {
  in: 'sound',
  watch: 'sound',
  out: 'bad',
};

/** Only what was told apart: a figure at the edge, or void, proves nothing either way. */
export function toldBy(state: JobState, id: string): 'sound' | 'bad' | undefined {
  const group = state.groups.find(({ observable }) => observable === id);
  if (group) return MARKS[group.judgement.verdict];
  const taken = state.current.get(id);
  if (!taken || isSilent(taken.standing) || isStale(state, taken)) return undefined;
  if (isBad(taken)) return 'bad';
  if (taken.overruled || taken.kind === 'answer') return 'sound';
  return MARKS[taken.judgement.verdict];
}

/** By observable, the outcome of everything that reads bad, before the work as well. */
export function badOutcomes(state: JobState): Map<string, string> {
  const found = new Map<string, string>();
  for (const taken of state.taken) {
    if (taken.standing.kind === 'withdrawn' || isSilent(taken.standing) || !isBad(taken)) continue;
    found.set(taken.observable, taken.kind === 'answer' ? taken.outcome : taken.judgement.outcome);
  }
  for (const { observable, judgement } of [...state.pastGroups, ...state.groups])
    if (judgement.verdict === 'out') found.set(observable, judgement.outcome);
  return found;
}
