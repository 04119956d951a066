/** The limits that hold at a point now, with whatever figure they hang on. */
import type { Expectation } from '../../judge/expectation';
import { askedBy, resolveExpectation, type Asked } from '../../judge/given';
import { isSeries } from '../../judge/series/index';
import { againstTwin } from '../../judge/twin';
import { expectOf } from '../../sheet/all-tests';
import { observableId } from '../../sheet/observables';
import type { MeasureTest, Sheet, TestPoint } from '../../sheet/schema';
import type { JobState } from '../state/state';
import { twinFigure } from '../work/twins';

/** By what a given figure is kept: the point that it is for, else its whole test. */
export const givenKey = ({ test, point }: { test: string; point?: string | undefined }): string =>
  point === undefined ? test : `${test}@${point}`;

/** What is kept for a point: its own, else that of its test. */
export const ofPoint = <T>(
  kept: ReadonlyMap<string, T>,
  test: MeasureTest,
  point: TestPoint,
): T | undefined => kept.get(givenKey({ test: test.id, point: point.id })) ?? kept.get(test.id);

/** @returns undefined for a series, and while the figure that the limits hang on is missing. */
export function limitsAt(
  sheet: Sheet,
  state: Pick<JobState, 'given' | 'compared' | 'twins'>,
  test: MeasureTest,
  point: TestPoint,
): Expectation | undefined {
  const expect = expectOf(test, point);
  if (isSeries(expect)) return undefined;
  const plain = resolveExpectation(expect, ofPoint(state.given, test, point), sheet.curves ?? []);
  return plain && againstTwin(plain, twinFigure(state, observableId(test, point.id)));
}

/** What a reference instrument showed is good for so long. */
const GROWS_STALE_MS = 10 * 60_000;

/**
 * What must be copied off the label or read off a reference before this can be judged. A label does not
 * change; a thermometer's figure grows stale.
 * @param now - Moment, ms; without it nothing is taken to have grown stale.
 */
export function stillAsked(
  state: Pick<JobState, 'given' | 'givenAt' | 'rules'>,
  test: MeasureTest,
  point: TestPoint,
  now?: number,
): (Asked & { readonly stale: boolean }) | undefined {
  const expect = expectOf(test, point);
  if (isSeries(expect)) return undefined;
  const asked = askedBy(expect);
  if (!asked || ofPoint(state.given, test, point) === undefined)
    return asked && { ...asked, stale: false };
  const age = now === undefined ? 0 : now - (ofPoint(state.givenAt, test, point) ?? now);
  const stale = state.rules === 2 && expect.kind !== 'label' && age > GROWS_STALE_MS;
  return stale ? { ...asked, stale } : undefined;
}
