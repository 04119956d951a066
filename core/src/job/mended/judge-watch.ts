/** What is watched while a repair is proven: its step in the sheet, and what its figures say. */
import { judgeClasses } from '../../judge/figure';
import { resolveExpectation } from '../../judge/given';
import { judge, type Judgement } from '../../judge/judge';
import { judgeSeries } from '../../judge/series/index';
import type { Sample } from '../../judge/series/samples';
import { isSeries } from '../../judge/test-expectation';
import { exactly, type ErrorsAt } from '../../judge/uncertainty/errors';
import type { MeterProfile } from '../../meter/profile';
import { expectOf, testsOf } from '../../sheet/all-tests';
import {
  isMeasured,
  type MeasureTest,
  type Procedure,
  type Sheet,
  type TestPoint,
} from '../../sheet/schema';
import { seriesErrors } from '../findings/judge-taken';

export type Watch = NonNullable<Procedure['steps'][number]['watch']>;

/** @returns undefined where the procedure has no such step, or it is not watched. */
export const watchOf = (sheet: Sheet, procedure: string, step: number): Watch | undefined =>
  sheet.procedures?.find(({ id }) => id === procedure)?.steps[step]?.watch;

interface WatchedBody {
  readonly procedure: string;
  readonly step: number;
  readonly samples?: readonly Sample[];
  /** Seconds at which its event was marked. */
  readonly event?: number;
  readonly seen?: boolean;
}

/**
 * Figures are judged by the meter that reads the same place in one of the sheet's tests; where none does
 * (a thermometer, a display) they are taken as they stand.
 * @returns undefined where the sheet watches nothing there, or its limits hang on a figure of the day.
 */
export function judgeWatch(
  sheet: Sheet,
  { procedure, step, samples, event, seen }: WatchedBody,
  meters: readonly MeterProfile[],
): Judgement | undefined {
  const watch = watchOf(sheet, procedure, step);
  if (!watch) return undefined;
  if (!samples)
    return judgeClasses(
      seen ? { ok: 1 } : { ok: 0, other: 1 },
      seen ? 'Seen, as it should.' : 'Seen, and not as it should.',
    );
  const { expect } = watch;
  if (isSeries(expect))
    return judgeSeries(
      expect,
      { samples, ...(event !== undefined && { event }) },
      errorsFor(sheet, watch, meters),
    );
  const plain = resolveExpectation(expect, undefined, sheet.curves ?? []);
  const last = samples.at(-1);
  return plain && last && judge({ expect: plain, reading: { kind: 'value', value: last.value } });
}

const errorsFor = (sheet: Sheet, watch: Watch, meters: readonly MeterProfile[]): ErrorsAt => {
  const like = readsLike(sheet, watch);
  return like ? seriesErrors(sheet, like.test, like.point, meters) : exactly;
};

/** A test of the sheet that reads the same place in the same unit: its function and meter serve the watch. */
export function readsLike(
  sheet: Sheet,
  watch: Watch,
): { readonly test: MeasureTest; readonly point: TestPoint } | undefined {
  if (watch.red === undefined) return undefined;
  const unit = 'unit' in watch.expect ? watch.expect.unit : undefined;
  for (const test of testsOf(sheet)) {
    if (!isMeasured(test)) continue;
    const point = test.points.find((each) => {
      const there = expectOf(test, each);
      return each.red === watch.red && 'unit' in there && there.unit === unit;
    });
    if (point) return { test, point };
  }
  return undefined;
}
