/** Belief over what was wrong on arrival and what is left, after the evidence so far: Bayes' rule. */
import { ImpossibleEvidenceError } from '../errors';
import { nth } from '../numeric/nth';
import { isWork, type Evidence } from './evidence';
import type { Hypothesis } from './hypotheses';
import { restsOf } from './intermittence';
import { logLikelihoods } from './likelihood';
import { follow, logSum, type Step } from './machine';
import type { DiagnosticModel } from './model';
import { spaceFor, type Space } from './space';

export interface Belief {
  readonly hypotheses: readonly Hypothesis[];
  /** Posterior of each hypothesis on arrival; sums to 1. */
  readonly posterior: Float64Array;
  /** Probability that the fault was there on arrival, alone or with others. */
  readonly faults: Readonly<Record<string, number>>;
  /** Probability that it is there now, after the work. */
  readonly now: Readonly<Record<string, number>>;
  /** Probability that any fault of the part is there now. */
  readonly parts: Readonly<Record<string, number>>;
  /** Probability that the machine works once this part alone, with what sits on it, is replaced. */
  readonly fixed: Readonly<Record<string, number>>;
  /** Probability that nothing is left, or nothing ever was wrong. */
  readonly sound: number;
  /** Probability of something that is not on this sheet. */
  readonly other: number;
}

/** Belief together with what is needed to ask what a single piece of evidence did. */
export interface Inference {
  readonly space: Space;
  readonly evidence: readonly Evidence[];
  /** Indexed like the evidence. */
  readonly steps: readonly Step[];
  readonly belief: Belief;
  /** Probability that this is what is left of the machine now, for each hypothesis. */
  readonly left: Float64Array;
}

/**
 * @param size - Largest fault set considered, K; 2 by default.
 * @throws {UnknownReferenceError | InvalidInputError} for evidence or a model that does not fit.
 * @throws {ImpossibleEvidenceError} where no hypothesis explains the evidence.
 */
export function infer(
  model: DiagnosticModel,
  evidence: readonly Evidence[],
  { size = 2 }: { size?: number } = {},
): Inference {
  const space = spaceFor(model, size);
  const rests = restsOf(model, evidence);
  const steps = evidence.map((item) => (isWork(item) ? item : logLikelihoods(space, item, rests)));
  return { space, evidence, steps, ...reckoned(space, steps) };
}

/** Belief from steps already reckoned; leaving one out is leaving its step out. */
export const beliefFrom = (space: Space, steps: readonly Step[]): Belief =>
  reckoned(space, steps).belief;

function reckoned(space: Space, steps: readonly Step[]): Pick<Inference, 'belief' | 'left'> {
  const { hypotheses } = space;
  const machine = follow(space, steps);
  const total = logSum(machine);
  if (!Number.isFinite(total))
    throw new ImpossibleEvidenceError('no hypothesis explains the evidence');
  const posterior = new Float64Array(hypotheses.length);
  const left = new Float64Array(hypotheses.length);
  for (let i = 0; i < machine.length; i += 1) {
    const p = Math.exp(machine[i]! - total);
    posterior[Math.floor(i / space.columns)]! += p;
    left[space.left[i]!]! += p;
  }
  const { now, sound, other } = standingFrom(space, left);
  const belief = {
    hypotheses,
    posterior,
    faults: byFault(space, posterior),
    now,
    ...byPart(space, left),
    sound,
    other,
  };
  return { belief, left };
}

/** How things stand: what is left of the machine, by suspect. */
export type Shares = Pick<Belief, 'now' | 'sound' | 'other'>;

/** @param left - Probability of each hypothesis, in the order of the space */
export function standingFrom(space: Space, left: Float64Array): Shares {
  const of = (wanted: Hypothesis['kind']) =>
    space.hypotheses.reduce((sum, { kind }, h) => sum + (kind === wanted ? nth(left, h) : 0), 0);
  return { now: byFault(space, left), sound: of('sound'), other: of('other') };
}

function byFault({ model, hypotheses }: Space, p: Float64Array): Record<string, number> {
  const sums = new Float64Array(model.faults.length);
  hypotheses.forEach(({ faults }, h) => faults.forEach((f) => (sums[f]! += nth(p, h))));
  return Object.fromEntries(model.faults.map(({ id }, f) => [id, nth(sums, f)]));
}

function byPart(
  { model, touched, mending }: Space,
  left: Float64Array,
): Pick<Belief, 'parts' | 'fixed'> {
  const parts = new Float64Array(model.parts.length);
  const fixed = new Float64Array(model.parts.length);
  left.forEach((p, h) => {
    for (const part of nth(touched, h)) parts[part]! += p;
    for (const part of nth(mending, h)) fixed[part]! += p;
  });
  const named = (sums: Float64Array) =>
    Object.fromEntries(model.parts.map(({ id }, i) => [id, nth(sums, i)]));
  return { parts: named(parts), fixed: named(fixed) };
}

const leftOut = new WeakMap<Inference, Belief[]>();

/** Belief without each piece of the evidence, indexed like it. */
export function withoutEach(inference: Inference): readonly Belief[] {
  let beliefs = leftOut.get(inference);
  if (!beliefs) {
    const { space, steps } = inference;
    beliefs = steps.map((_, i) =>
      beliefFrom(
        space,
        steps.filter((__, j) => j !== i),
      ),
    );
    leftOut.set(inference, beliefs);
  }
  return beliefs;
}

/** Belief from one piece of the evidence alone, against the prior: with the work that came before it. */
export const aloneAt = ({ space, evidence, steps }: Inference, at: number): Belief =>
  beliefFrom(
    space,
    steps.filter((_, i) => i === at || (i < at && isWork(nth(evidence, i)))),
  );

/** ln of the total weight of the evidence under the prior: the log marginal likelihood. */
export const logEvidence = (space: Space, steps: readonly Step[]): number =>
  logSum(follow(space, steps));
