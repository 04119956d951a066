/**
 * What a shop's own proven jobs make of a sheet's odds (engine.md §5): the sheet weighs as much as twenty closed
 * jobs, each proven repair is one more (a Dirichlet prior and its counts). Each share is then a Beta of its own, and
 * the interval says how sure it is.
 */
import { betaQuantile } from '../numeric/beta';

/** Closed jobs that the sheet's own odds weigh as much as. */
export const SHEET_WEIGHS = 20;
/** Of the interval; equal tails. */
export const SURE = 0.9;

export interface LearntShare {
  readonly share: number;
  /** The middle 90 %. */
  readonly interval: readonly [low: number, high: number];
}

/**
 * @param weights - The sheet's own, above zero in all, by fault.
 * @param counts - Proven repairs by fault, in the same order.
 * @returns shares by fault; their sum is 1.
 * @throws {RangeError} for lists of different lengths, negative figures, or no weight at all.
 */
export function learntOdds(weights: readonly number[], counts: readonly number[]): LearntShare[] {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const lawful = [...weights, ...counts].every((each) => Number.isFinite(each) && each >= 0);
  if (weights.length !== counts.length || !lawful || !(total > 0))
    throw new RangeError('Weights and counts are as many, not negative, and not all zero.');
  const all = SHEET_WEIGHS + counts.reduce((sum, count) => sum + count, 0);
  return weights.map((weight, i) => {
    const alpha = (SHEET_WEIGHS * weight) / total + (counts[i] ?? 0);
    return { share: alpha / all, interval: shareInterval(alpha, all - alpha) };
  });
}

/** Where a share lies with so much certainty: the middle of a Beta(α, rest). */
export function shareInterval(alpha: number, rest: number): readonly [low: number, high: number] {
  if (alpha <= 0) return [0, 0];
  if (rest <= 0) return [1, 1];
  const tail = (1 - SURE) / 2;
  return [betaQuantile(tail, alpha, rest), betaQuantile(1 - tail, alpha, rest)];
}
