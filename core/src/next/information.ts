/** What is not known yet, in bits, of weights that need not sum to one. */
import type { Spoken } from '../diagnose/likelihood';

/** Σ w and Σ w·log₂ w. */
export type Sums = readonly [weight: number, logs: number];

const logged = (w: number) => (w > 0 ? w * Math.log2(w) : 0);

export function sumsOf(weights: Float64Array): Sums {
  let [sum, logs] = [0, 0];
  for (const w of weights) {
    sum += w;
    logs += logged(w);
  }
  return [sum, logs];
}

/** Entropy in bits of weights as a distribution, times their sum. */
export const entropyOf = ([sum, logs]: Sums): number => (sum > 0 ? sum * Math.log2(sum) - logs : 0);

/** Sums of weights times the probability of a finding, and how probable it is of them. */
export function weighedAfter(
  weights: Float64Array,
  [sum, logs]: Sums,
  { silent, at, p }: Spoken,
): readonly [weight: number, sums: Sums] {
  let weight = sum * silent;
  // Σ s·w·log₂(s·w) of all; then those that speak otherwise in their place.
  let all = silent * logs + logged(silent) * sum;
  for (let i = 0; i < at.length; i += 1) {
    const w = weights[at[i]!]!;
    weight += (p[i]! - silent) * w;
    all += logged(p[i]! * w) - logged(silent * w);
  }
  return [weight, [weight, all]];
}
