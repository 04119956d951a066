/** What was read at a placement, and what the answer speaks of before anything was. */
import type { JobState, TakenReading } from '@jeitinho/core/job';
import { observableId, type MeasureTest, type TestPoint } from '@jeitinho/core/sheet';

/** The reading that stands at a point; series stand on their own card. */
export function readingAt(
  state: JobState,
  test: MeasureTest,
  point: TestPoint,
): TakenReading | undefined {
  const taken = state.current.get(observableId(test, point.id));
  return taken?.kind === 'reading' ? taken : undefined;
}

/** The reading of the placement before, told while the probes move on to this one. */
export function toldBefore(
  state: JobState,
  test: MeasureTest,
  point: TestPoint,
): TakenReading | undefined {
  const index = test.points.indexOf(point);
  return index > 0 ? readingAt(state, test, test.points[index - 1]!) : undefined;
}
