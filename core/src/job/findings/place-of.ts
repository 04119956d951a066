/** The test and point that a figure belongs to. */
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';
import { functionOf } from '../../sheet/all-tests';
import { findPoint, findTest } from '../../sheet/lookup';
import { isMeasured, type MeasureTest, type Sheet, type TestPoint } from '../../sheet/schema';
import { refuse, type Refusal } from '../admission/refusal';

export interface FigurePlace {
  readonly test: MeasureTest;
  readonly point: TestPoint;
}

interface Named {
  readonly test: string;
  readonly point: string;
}

/** @returns undefined where the sheet lacks it. */
export function findPlace(sheet: Sheet, named: Named): FigurePlace | undefined {
  const test = findTest(sheet, named.test);
  const point = test && findPoint(test, named.point);
  return test && isMeasured(test) && point ? { test, point } : undefined;
}

export const unknownTest = (id: string): Refusal =>
  refuse('unknown-test', `This job’s sheet has no test “${id}”.`);

/** @returns the place, or why a figure of this function belongs nowhere. */
export function placeFor(
  sheet: Sheet,
  named: Named & { readonly function: MeterFunction },
): FigurePlace | Refusal {
  const test = findTest(sheet, named.test);
  if (test && !isMeasured(test))
    return refuse('unknown-test', `“${test.title}” takes an answer, not a figure.`);
  const place = findPlace(sheet, named);
  if (!place) return unknownTest(`${named.test}@${named.point}`);
  const fn = functionOf(place.test, place.point);
  if (fn !== named.function)
    return refuse(
      'wrong-function',
      `This test wants the meter on ${METER_FUNCTIONS[fn].words}, not on ${METER_FUNCTIONS[named.function].words}.`,
    );
  return place;
}
