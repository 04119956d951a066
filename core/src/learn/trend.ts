/** A figure that moves one way from visit to visit: the next one can be foreseen, and a limit not yet crossed. */

/** Fewer say nothing. */
const LEAST = 3;
/** Of the first figure; less is the meter's own wandering. */
const MOVES = 0.05;

/** @param values - In the order of time, each as it was found. */
export function trendOf(values: readonly number[]): 'falling' | 'rising' | undefined {
  const [first] = values;
  const last = values.at(-1);
  if (values.length < LEAST || first === undefined || last === undefined) return undefined;
  if (Math.abs(last - first) <= Math.abs(first) * MOVES) return undefined;
  const steps = values.slice(1).map((value, i) => value - values[i]!);
  if (steps.every((step) => step < 0)) return 'falling';
  return steps.every((step) => step > 0) ? 'rising' : undefined;
}
