/**
 * First-order propagation of uncertainty: u²(y) = Σ (∂f/∂xᵢ · uᵢ)², inputs taken as independent
 * (JCGM 100:2008, 5.1.2). Derivatives are central differences, exact for the sums, ratios and
 * quadratics that the trade's formulas are made of, to rounding.
 */

/** A figure and its standard uncertainty, both in the same unit. */
export interface Uncertain {
  readonly value: number;
  /** Standard uncertainty; 0 for an exact figure. */
  readonly u: number;
}

/**
 * @param f - Any function of the values; need not be smooth, but is taken as straight within a step.
 * @param inputs - Values with their standard uncertainties.
 * @returns f at the values, with its standard uncertainty. NaN where f is NaN.
 * @example propagate(([a, b]) => a! * b!, [{ value: 2, u: 0.1 }, { value: 3, u: 0 }]) // 6, u 0.3
 */
export function propagate(
  f: (values: readonly number[]) => number,
  inputs: readonly Uncertain[],
): Uncertain {
  const values = inputs.map((each) => each.value);
  const value = f(values);
  let variance = 0;
  inputs.forEach(({ u }, i) => {
    if (u === 0) return;
    // A step of u itself: where f bends within the uncertainty, that is the change that matters.
    const at = (x: number) => f(values.map((each, j) => (j === i ? x : each)));
    const change = (at((values[i] ?? 0) + u) - at((values[i] ?? 0) - u)) / 2;
    variance += change * change;
  });
  return { value, u: Math.sqrt(variance) };
}
