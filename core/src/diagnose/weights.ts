/**
 * What one reading did: its weight for or against each suspect, and whether it quarrels with the rest.
 */
import { logEvidence, withoutEach, type Belief, type Inference } from './belief';
import { isWork } from './evidence';
import { oddsRatio } from './odds';

export type Strength = 'nothing' | 'slightly' | 'clearly' | 'strongly';

export interface Weight {
  /** Index into the evidence. */
  readonly evidence: number;
  /** Bayes factor for the suspect: posterior odds with the reading ÷ without it. */
  readonly factor: number;
  readonly direction: 'for' | 'against';
  readonly strength: Strength;
}

/**
 * Bayes factors from which a word holds, either way: half a unit and one unit of log₁₀, as in the grades of
 * Jeffreys, Theory of Probability, 3rd ed. (1961)
 * appendix B; its grades from 10 on are one word here. A tenth of a unit is our own: what moves the odds by
 * less is not worth a word.
 */
const WORDS: readonly (readonly [least: number, word: Strength])[] = [
  [10, 'strongly'],
  [10 ** 0.5, 'clearly'],
  [10 ** 0.1, 'slightly'],
];

export function strengthOf(factor: number): Strength {
  const size = factor >= 1 ? factor : 1 / factor;
  return WORDS.find(([least]) => size >= least)?.[1] ?? 'nothing';
}

/**
 * Leave-one-out weights: for each piece of evidence and each fault, part and `other`.
 * @returns by suspect id, in the order of the evidence; parts under their own ids.
 */
export function leaveOneOut(inference: Inference): {
  faults: Record<string, Weight[]>;
  parts: Record<string, Weight[]>;
  other: Weight[];
} {
  const { belief } = inference;
  const without = withoutEach(inference);
  const weigh = (withAll: number, pick: (b: Belief) => number): Weight[] =>
    without.map((rest, evidence) => {
      const factor = oddsRatio(withAll, pick(rest));
      return {
        evidence,
        factor,
        direction: factor >= 1 ? 'for' : 'against',
        strength: strengthOf(factor),
      };
    });
  const all = (kind: 'faults' | 'parts') =>
    Object.fromEntries(
      Object.entries(belief[kind]).map(([id, p]) => [id, weigh(p, (b) => b[kind][id] ?? 0)]),
    );
  return { faults: all('faults'), parts: all('parts'), other: weigh(belief.other, (b) => b.other) };
}

/** A reading is named when leaving it out raises the evidence of the rest by more than this. */
export const SURPRISE_FACTOR = 20;

/**
 * The reading that quarrels most with all others, if any does: P(rest) ÷ P(rest | reading), which is
 * the conflict measure of Jensen et al. (1990), must exceed {@link SURPRISE_FACTOR}.
 * @returns the index of the evidence, or undefined. One reading alone never surprises.
 */
export function surpriseIn(inference: Inference): { evidence: number; factor: number } | undefined {
  const { space, steps, evidence } = inference;
  if (evidence.filter((item) => !isWork(item)).length < 2) return undefined;
  const all = logEvidence(space, steps);
  let worst: { evidence: number; factor: number } | undefined;
  steps.forEach((step, i) => {
    if (!(step instanceof Float64Array)) return;
    const rest = logEvidence(
      space,
      steps.filter((_, j) => j !== i),
    );
    const factor = Math.exp(rest + logEvidence(space, [step]) - all);
    if (factor > SURPRISE_FACTOR && factor > (worst?.factor ?? 0)) worst = { evidence: i, factor };
  });
  return worst;
}
