/** Long reckoning in slices, so that everybody else is answered in between. */
import { setImmediate as nextTurn } from 'node:timers/promises';

/** Milliseconds one slice may take before others have their turn. */
const SLICE_MS = 8;

export async function inSlices<T>(steps: Generator<void, T>): Promise<T> {
  let started = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - started < SLICE_MS) continue;
    await nextTurn();
    started = performance.now();
  }
}

/** Let whoever waits have their turn. */
export const breathe = (): Promise<void> => nextTurn();
