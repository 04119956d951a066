/**
 * Hypotheses: every set of one to K faults, and N, “something that is not on this sheet”.
 * Multiple faults and their chains follow de Kleer & Williams, "Diagnosing multiple faults",
 * Artificial Intelligence 32 (1987), with the sheet's `brings` as noisy-OR causes.
 */
import type { ModelFault } from './model';
import { nth } from '../numeric/nth';

/** Prior probability that the sheet does not explain the machine. */
export const OTHER_PRIOR = 0.03;

export interface Hypothesis {
  /** Indices into the model's faults, ascending; empty for N. */
  readonly faults: readonly number[];
  readonly prior: number;
}

/** Prior of each fault alone: `min(0.9, 0.9·w/Σw)`. */
export function faultPriors(faults: readonly ModelFault[]): number[] {
  const total = faults.reduce((sum, fault) => sum + fault.prior, 0);
  return faults.map((fault) => Math.min(0.9, (0.9 * fault.prior) / total));
}

/**
 * All hypotheses with their priors; N comes last. The sets share 1 - {@link OTHER_PRIOR}.
 * @param size - K, the largest set; 1 or 2 (3 is affordable for small sheets).
 */
export function hypothesesOf(faults: readonly ModelFault[], size = 2): Hypothesis[] {
  const priors = faultPriors(faults);
  const sets = subsetsUpTo(faults.length, size);
  const weights = sets.map((set) => setWeight(faults, priors, set));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return [
    ...sets.map((set, i) => ({
      faults: set,
      prior: ((1 - OTHER_PRIOR) * (weights[i] ?? 0)) / total,
    })),
    { faults: [], prior: OTHER_PRIOR },
  ];
}

/** Product over all faults of being present, given its causes in the set, or absent likewise. */
function setWeight(
  faults: readonly ModelFault[],
  priors: readonly number[],
  set: readonly number[],
): number {
  let weight = 1;
  for (let g = 0; g < faults.length; g += 1) {
    let spared = 1 - (priors[g] ?? 0);
    for (const f of set) {
      if (f !== g) spared *= 1 - (nth(faults, f).brings?.[nth(faults, g).id] ?? 0);
    }
    weight *= set.includes(g) ? 1 - spared : spared;
  }
  return weight;
}

function subsetsUpTo(count: number, size: number): number[][] {
  const sets: number[][] = [];
  const grow = (set: number[], from: number) => {
    for (let next = from; next < count; next += 1) {
      const larger = [...set, next];
      sets.push(larger);
      if (larger.length < size) grow(larger, next + 1);
    }
  };
  grow([], 0);
  return sets;
}
