/**
 * Isolation is part of a resistance reading. Still plugged in, a parallel path falsifies a figure to one
 * side: of a resistance the truth is at least the figure, of a capacitance at most. What the path cannot
 * fake is believed; what it can is no evidence until it is taken isolated.
 */
import type { Judgement } from './judge';

/** How a parallel path falsifies a figure. */
export const PARALLEL_EFFECTS = ['lowers', 'raises', 'fakes'] as const;
export type ParallelEffect = (typeof PARALLEL_EFFECTS)[number];

const LOW: ReadonlySet<string> = new Set(['low', 'short', 'none']);

/**
 * Whether a parallel path could explain this verdict, a pass included.
 *
 * Where it lowers: the truth is at least the figure. Above the limits counts; `atLeast` met counts; within
 * a band, below it, or `atMost` met cannot tell. Where it raises, the other way round. Where it fakes
 * continuity, only its absence counts.
 */
export function parallelCouldExplain(
  { verdict, outcome, limits }: Pick<Judgement, 'verdict' | 'outcome' | 'limits'>,
  effect: ParallelEffect = 'lowers',
): boolean {
  if (verdict === 'in') {
    if (effect === 'fakes') return limits.low === -Infinity;
    return effect === 'raises' ? limits.low !== -Infinity : limits.high !== Infinity;
  }
  const low = LOW.has(outcome);
  if (effect === 'fakes') return outcome === 'short' || low;
  return effect === 'raises' ? !low : low;
}

/** @param owed - Names of what is still plugged in. */
export const isolationReason = (
  owed: readonly string[],
  effect: ParallelEffect = 'lowers',
): string =>
  `not isolated (${owed.join(', ')}): a parallel path may ${effect === 'raises' ? 'add to it' : 'read the same'}. Unplug and repeat`;
