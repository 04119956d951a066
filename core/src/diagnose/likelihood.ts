/** How probable one piece of evidence is under each hypothesis. */
import { UnknownReferenceError } from '../errors';
import type { Hypothesis } from './hypotheses';
import { sharesOf, type DiagnosticModel, type ModelObservable } from './model';

/** Probability of an outcome that has nothing to do with the faults, shared among all outcomes. */
export const DEFAULT_NOISE = 0.02;
/** Chance that an unlisted fault shows a code, where the sheet states none. */
export const DEFAULT_OTHER = 0.05;

export type Evidence =
  /** A settled outcome. */
  | { readonly test: string; readonly outcome: string }
  /** A judged reading with its whole outcome distribution. */
  | { readonly test: string; readonly p: Readonly<Record<string, number>> }
  | { readonly code: string };

/**
 * ln P(evidence | hypothesis) for every hypothesis, in their order.
 * @throws {UnknownReferenceError} when the model knows no such test, outcome or code.
 */
export function logLikelihoods(
  model: DiagnosticModel,
  hypotheses: readonly Hypothesis[],
  evidence: Evidence,
): Float64Array {
  const probability =
    'code' in evidence ? codeProbability(model, evidence.code) : testProbability(model, evidence);
  return Float64Array.from(hypotheses, (hypothesis) => Math.log(probability(hypothesis)));
}

function codeProbability(model: DiagnosticModel, shown: string) {
  const code = model.codes?.find((each) => each.code === shown);
  if (!code) throw new UnknownReferenceError(`there is no code “${shown}”`, '/evidence');
  const other = code.other ?? DEFAULT_OTHER;
  const suspects = model.faults.map((fault) => code.suspects[fault.id] ?? other);
  return ({ faults }: Hypothesis) =>
    faults.length === 0
      ? other
      : 1 - faults.reduce((none, f) => none * (1 - (suspects[f] ?? 0)), 1);
}

/**
 * P(evidence | S) for one test. By the sheet's rule all faults of S must be silent for `ok`; what is
 * left is shared among the other outcomes in proportion to how strongly the faults of S show them; and
 * noise is mixed in. Weighted with the evidence `w`, the sum over outcomes closes to
 *
 *     (1-ε)·[ w(ok)·Π okᶠ + (1 - Π okᶠ)·Σ hitᶠ / Σ offᶠ ] + ε·mean(w)
 *
 * where offᶠ is what fault f shows besides `ok`, and hitᶠ the part of it that the evidence names. So
 * three numbers per fault are all that a hypothesis needs.
 */
function testProbability(model: DiagnosticModel, evidence: Exclude<Evidence, { code: string }>) {
  const test = model.tests.find((each) => each.id === evidence.test);
  if (!test) throw new UnknownReferenceError(`there is no test “${evidence.test}”`, '/evidence');
  const weights = evidenceWeights(test, evidence);
  const ok = test.ok ?? 'ok';
  const noise = test.noise ?? DEFAULT_NOISE;
  const others = test.outcomes.filter((outcome) => outcome !== ok);
  const weightOf = (outcome: string) => weights[outcome] ?? 0;
  const shares = model.faults.map((fault) => sharesOf(fault.shows[test.id] ?? ok));
  const okShare = shares.map((share) => share[ok] ?? 0);
  const off = shares.map((share) => sum(others, (o) => share[o] ?? 0));
  const hit = shares.map((share) => sum(others, (o) => weightOf(o) * (share[o] ?? 0)));
  const mean = sum(test.outcomes, weightOf) / test.outcomes.length;
  // N, which no sheet describes: even odds of `ok`, the rest equal.
  const unknown = 0.5 * weightOf(ok) + (0.5 * sum(others, weightOf)) / Math.max(1, others.length);

  return ({ faults }: Hypothesis) => {
    if (faults.length === 0) return (1 - noise) * unknown + noise * mean;
    let pOk = 1;
    let offSum = 0;
    let hitSum = 0;
    for (const f of faults) {
      pOk *= okShare[f] ?? 0;
      offSum += off[f] ?? 0;
      hitSum += hit[f] ?? 0;
    }
    const bad = offSum > 0 ? ((1 - pOk) * hitSum) / offSum : 0;
    return (1 - noise) * (weightOf(ok) * pOk + bad) + noise * mean;
  };
}

const sum = <T>(items: readonly T[], value: (item: T) => number): number =>
  items.reduce((total, item) => total + value(item), 0);

function evidenceWeights(
  test: ModelObservable,
  evidence: Exclude<Evidence, { code: string }>,
): Readonly<Record<string, number>> {
  const weights = 'p' in evidence ? evidence.p : { [evidence.outcome]: 1 };
  for (const [outcome, weight] of Object.entries(weights))
    if (weight > 0 && !test.outcomes.includes(outcome))
      throw new UnknownReferenceError(`“${test.id}” has no outcome “${outcome}”`, '/evidence');
  return weights;
}
