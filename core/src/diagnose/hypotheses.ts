/**
 * Hypotheses: every set of one to K faults; Z, “nothing wrong while measured”; and N, “something that is
 * not on this sheet”. Multiple faults and their chains follow de Kleer & Williams, "Diagnosing multiple
 * faults", Artificial Intelligence 32 (1987), with the sheet's `brings` as noisy-OR causes.
 */
import { nth } from '../numeric/nth';
import type { DiagnosticModel, ModelFault } from './model';

/** Prior probability that the sheet does not explain the machine. */
export const OTHER_PRIOR = 0.03;
/** Prior probability that nothing is wrong while it is measured: settings, use, a fault at rest. */
export const SOUND_PRIOR = 0.05;
/** Expected number of independent faults: two unrelated ones at once are the rare coincidence. */
export const COINCIDENCE = 0.1;

export interface Hypothesis {
  readonly kind: 'faults' | 'sound' | 'other';
  /** Indices into the model's faults, ascending; empty for Z and N. */
  readonly faults: readonly number[];
  readonly prior: number;
}

/** Prior of each fault alone: `min(0.9, κ·w/Σw)`. */
function faultPriors({ faults, coincidence = COINCIDENCE }: DiagnosticModel): number[] {
  const total = faults.reduce((sum, fault) => sum + fault.prior, 0);
  return faults.map((fault) => Math.min(0.9, (coincidence * fault.prior) / total));
}

/**
 * All hypotheses with their priors; Z comes last but one, N last. The sets share what these two leave.
 * @param size - K, the largest set; 2 by default (3 is affordable for small sheets).
 */
export function hypothesesOf(model: DiagnosticModel, size = 2): Hypothesis[] {
  const priors = faultPriors(model);
  const sets = subsetsUpTo(model.faults, size);
  const weights = sets.map((set) => setWeight(model.faults, priors, set));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const sound = model.sound ?? SOUND_PRIOR;
  return [
    ...sets.map((set, i) => ({
      kind: 'faults' as const,
      faults: set,
      prior: ((1 - OTHER_PRIOR - sound) * nth(weights, i)) / total,
    })),
    { kind: 'sound', faults: [], prior: sound },
    { kind: 'other', faults: [], prior: OTHER_PRIOR },
  ];
}

/** Chance that a fault comes from the others of a set, by the sheet's `brings`. */
export function broughtBy(
  faults: readonly ModelFault[],
  set: readonly number[],
  g: number,
): number {
  const spared = set.reduce(
    (rest, f) => (f === g ? rest : rest * (1 - (nth(faults, f).brings?.[nth(faults, g).id] ?? 0))),
    1,
  );
  return 1 - spared;
}

/** Product over all faults of being present, given its causes in the set, or absent likewise. */
function setWeight(
  faults: readonly ModelFault[],
  priors: readonly number[],
  set: readonly number[],
): number {
  return faults.reduce((weight, _, g) => {
    const spared = (1 - nth(priors, g)) * (1 - broughtBy(faults, set, g));
    return weight * (set.includes(g) ? 1 - spared : spared);
  }, 1);
}

/** Sets of one to `size` faults, none with two of which only one can be. */
function subsetsUpTo(faults: readonly ModelFault[], size: number): number[][] {
  const sets: number[][] = [];
  const clash = (set: readonly number[], next: number) => {
    const { oneOf } = nth(faults, next);
    return oneOf !== undefined && set.some((f) => nth(faults, f).oneOf === oneOf);
  };
  const grow = (set: number[], from: number) => {
    for (let next = from; next < faults.length; next += 1) {
      if (clash(set, next)) continue;
      const larger = [...set, next];
      sets.push(larger);
      if (larger.length < size) grow(larger, next + 1);
    }
  };
  grow([], 0);
  return sets;
}
