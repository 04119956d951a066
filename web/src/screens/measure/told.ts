/** What was read at a placement, and what the answer speaks of before anything was. */
import { isStale, type JobState, type TakenReading } from '@jeitinho/core/job';
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

/**
 * The latest reading of the test, told while the probes are on their way to a placement that has none: what was
 * just read, whichever placement that was and wherever it leads on to. One of before the work tells nothing.
 */
export function toldBefore(
  state: JobState,
  test: MeasureTest,
  point: TestPoint,
): TakenReading | undefined {
  const readings = [...state.current.values()].filter((taken) => taken.kind === 'reading');
  return readings.findLast(
    (taken) => taken.test.id === test.id && taken.point.id !== point.id && !isStale(state, taken),
  );
}
