/**
 * Several limits on one point, each for a purpose: below one figure you may unplug, below a lower one
 * you may measure resistance. The purpose picks the limit; every purpose is answered at once.
 *
 * Worked example: 38 V on a bus with 60 V for unplugging and 24 V for measuring: unplug yes, measure no.
 */
import type { Expectation } from './expectation';
import { judge, type JudgeInput, type Verdict } from './judge';

export interface Purpose {
  readonly id: string;
  readonly title: string;
  readonly expect: Expectation;
}

export interface PurposeAnswer {
  readonly purpose: Purpose;
  readonly verdict: Verdict;
  /** Only `in` beyond the meter's doubt allows it. */
  readonly allowed: boolean;
}

export function judgePurposes(
  purposes: readonly Purpose[],
  input: Omit<JudgeInput, 'expect'>,
): PurposeAnswer[] {
  return purposes.map((purpose) => {
    const { verdict } = judge({ ...input, expect: purpose.expect });
    return { purpose, verdict, allowed: verdict === 'in' };
  });
}
