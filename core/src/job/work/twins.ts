/**
 * What a good twin reads is kept with the model: the next job on a machine of its kind has the figure from
 * its opening, and needs no twin at hand.
 */
import type { JobState } from '../state/state';
import { twinAt } from './compared';
import { MOST_TWINS, type KeptTwin } from './kept-twin';

/** The latest figure of a twin at each place, of one visit. */
export function twinsOf({ compared }: Pick<JobState, 'compared'>): KeptTwin[] {
  const latest = new Map<string, KeptTwin>();
  for (const { specimen, observable, judgement, at } of compared) {
    const value = judgement.corrected;
    if (specimen.kind !== 'twin' || value === undefined) continue;
    const { name } = specimen;
    latest.set(observable, { observable, value, at, ...(name !== undefined && { name }) });
  }
  return [...latest.values()].slice(0, MOST_TWINS);
}

/** What a good twin reads at a place: measured in this job, else kept from an earlier one; SI. */
export const twinFigure = (
  { compared, twins }: Pick<JobState, 'compared' | 'twins'>,
  observable: string,
): number | undefined =>
  twinAt(compared, observable)?.judgement.corrected ?? twins?.get(observable)?.value;
