/** The limits that hold at a point now, with whatever figure they hang on. */
import type { Expectation } from '../../judge/expectation';
import { askedBy, resolveExpectation, type Asked } from '../../judge/given';
import { isSeries } from '../../judge/series/index';
import { expectOf } from '../../sheet/all-tests';
import type { MeasureTest, Sheet, TestPoint } from '../../sheet/schema';
import type { JobState } from '../state/state';

/** @returns undefined for a series, and while the figure that the limits hang on is missing. */
export function limitsAt(
  sheet: Sheet,
  state: Pick<JobState, 'given'>,
  test: MeasureTest,
  point: TestPoint,
): Expectation | undefined {
  const expect = expectOf(test, point);
  return isSeries(expect)
    ? undefined
    : resolveExpectation(expect, state.given.get(test.id), sheet.curves ?? []);
}

/** What must be copied off the label or read off a reference before this can be judged. */
export function stillAsked(
  state: Pick<JobState, 'given'>,
  test: MeasureTest,
  point: TestPoint,
): Asked | undefined {
  const expect = expectOf(test, point);
  return isSeries(expect) || state.given.has(test.id) ? undefined : askedBy(expect);
}
