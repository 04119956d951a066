/**
 * Failures that come together more often than chance explains: at one site, on one model, in one batch of parts,
 * from one supplier, in one season.
 *
 * What was to be expected is the years of the group times a rate. The rate is the same failure's everywhere else
 * in the shop, held by a Gamma prior that weighs as much as one failure and sits at the shop's own rate: with
 * nothing else to compare it is the shop's, with much it is what was seen elsewhere.
 */
import { chanceOfSoMany, WORTH_ASKING } from './coincidence';

/** Fewer is no pattern, however seldom they are. */
export const LEAST = 2;
/** Failures that the shop's own rate weighs as much as. */
const PRIOR_FAILURES = 1;

export interface Group {
  /** Failures within it, and the years in which they could have come. */
  readonly count: number;
  readonly years: number;
  /** The same failure, all of the shop. */
  readonly allCount: number;
  readonly allYears: number;
  /** What the shop would expect of such a failure per year, before any was seen. */
  readonly usual: number;
}

export interface Coincidence {
  readonly expected: number;
  /** Of so many or more by chance. */
  readonly p: number;
  readonly worthAsking: boolean;
}

/** @throws {RangeError} for counts or years that are none. */
export function coincidence({ count, years, allCount, allYears, usual }: Group): Coincidence {
  const elsewhere = Math.max(0, allCount - count);
  const elsewhereYears = Math.max(0, allYears - years);
  const rate =
    usual > 0 ? (elsewhere + PRIOR_FAILURES) / (elsewhereYears + PRIOR_FAILURES / usual) : 0;
  const expected = rate * years;
  const p = chanceOfSoMany(count, expected);
  // With nothing expected nothing can be compared.
  return { expected, p, worthAsking: count >= LEAST && expected > 0 && p < WORTH_ASKING };
}

/**
 * What it would be worth to look for the shared cause, in money: repairs that are still to come within a year
 * beyond what is usual, times what one costs.
 */
export const worthOfLooking = (
  { count, years }: Pick<Group, 'count' | 'years'>,
  { expected }: Pick<Coincidence, 'expected'>,
  perYear: number,
  cost: number,
): number => (years > 0 ? Math.max(0, ((count - expected) / years) * perYear) * cost : 0);
