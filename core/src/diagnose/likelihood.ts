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
    faults.length === 0 ? other : 1 - faults.reduce((none, f) => none * (1 - suspects[f]!), 1);
}

function testProbability(model: DiagnosticModel, evidence: Exclude<Evidence, { code: string }>) {
  const test = model.tests.find((each) => each.id === evidence.test);
  if (!test) throw new UnknownReferenceError(`there is no test “${evidence.test}”`, '/evidence');
  const weights = 'p' in evidence ? evidence.p : { [evidence.outcome]: 1 };
  for (const outcome of Object.keys(weights))
    if (weights[outcome]! > 0 && !test.outcomes.includes(outcome))
      throw new UnknownReferenceError(`“${test.id}” has no outcome “${outcome}”`, '/evidence');
  const ok = test.ok ?? 'ok';
  const shares = model.faults.map((fault) => sharesOf(fault.shows[test.id] ?? ok));
  return (hypothesis: Hypothesis) => {
    const shown = outcomeDistribution(test, hypothesis, shares);
    return test.outcomes.reduce((sum, o, i) => sum + (weights[o] ?? 0) * shown[i]!, 0);
  };
}

/**
 * D_S: probabilities of the outcomes of one test under a hypothesis, in the order of its outcomes.
 * All faults must be silent for `ok`; what is left is shared among the other outcomes in proportion
 * to how strongly the faults of the set show them; then noise is mixed in.
 */
export function outcomeDistribution(
  test: ModelObservable,
  { faults }: Hypothesis,
  shares: readonly Readonly<Record<string, number>>[],
): number[] {
  const { outcomes } = test;
  const ok = test.ok ?? 'ok';
  const noise = test.noise ?? DEFAULT_NOISE;
  let shown: number[];
  if (faults.length === 0) {
    const rest = 0.5 / Math.max(1, outcomes.length - 1);
    shown = outcomes.map((o) => (o === ok ? 0.5 : rest));
  } else {
    const pOk = faults.reduce((product, f) => product * (shares[f]![ok] ?? 0), 1);
    const pull = outcomes.map((o) =>
      o === ok ? 0 : faults.reduce((sum, f) => sum + (shares[f]![o] ?? 0), 0),
    );
    const total = pull.reduce((sum, value) => sum + value, 0);
    shown = outcomes.map((o, i) =>
      o === ok ? pOk : total > 0 ? ((1 - pOk) * pull[i]!) / total : 0,
    );
  }
  return shown.map((value) => (1 - noise) * value + noise / outcomes.length);
}
