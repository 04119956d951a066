/**
 * Belief over fault sets after the evidence so far: Bayes' rule over {@link hypothesesOf}, kept in
 * logarithms because a hundred readings of probability 0.005 leave floating-point range.
 */
import { ImpossibleEvidenceError } from '../errors';
import { hypothesesOf, type Hypothesis } from './hypotheses';
import { logLikelihoods, type Evidence } from './likelihood';
import { checkModel, type DiagnosticModel } from './model';
import { nth } from '../numeric/nth';

export interface Belief {
  readonly hypotheses: readonly Hypothesis[];
  /** Posterior of each hypothesis; sums to 1. */
  readonly posterior: Float64Array;
  /** Probability that the fault is present, alone or with others. */
  readonly faults: Readonly<Record<string, number>>;
  /** Probability that any fault of the part is present. */
  readonly parts: Readonly<Record<string, number>>;
  /** Probability that replacing this part alone mends the machine. */
  readonly fixed: Readonly<Record<string, number>>;
  /** Probability of something that is not on this sheet. */
  readonly other: number;
}

/** Belief together with what is needed to ask what a single piece of evidence did. */
export interface Inference {
  readonly model: DiagnosticModel;
  readonly evidence: readonly Evidence[];
  readonly logLikelihoods: readonly Float64Array[];
  readonly belief: Belief;
}

/**
 * @param size - Largest fault set considered, K; 2 by default.
 * @throws {UnknownReferenceError | InvalidInputError} for evidence or a model that does not fit.
 */
export function infer(
  model: DiagnosticModel,
  evidence: readonly Evidence[],
  { size = 2 }: { size?: number } = {},
): Inference {
  const hypotheses = preparedFor(model, size);
  const each = evidence.map((item) => logLikelihoods(model, hypotheses, item));
  return { model, evidence, logLikelihoods: each, belief: beliefFrom(model, hypotheses, each) };
}

const prepared = new WeakMap<DiagnosticModel, Map<number, Hypothesis[]>>();

/** The checked model's hypotheses, made once: a model is asked again after every reading. */
function preparedFor(model: DiagnosticModel, size: number): Hypothesis[] {
  const bySize = prepared.get(model) ?? new Map<number, Hypothesis[]>();
  prepared.set(model, bySize);
  let hypotheses = bySize.get(size);
  if (!hypotheses) {
    checkModel(model);
    hypotheses = hypothesesOf(model.faults, size);
    bySize.set(size, hypotheses);
  }
  return hypotheses;
}

/** Belief from log-likelihoods already computed; leaving one out is leaving its row out. */
export function beliefFrom(
  model: DiagnosticModel,
  hypotheses: readonly Hypothesis[],
  rows: readonly Float64Array[],
): Belief {
  const logJoint = Float64Array.from(hypotheses, (hypothesis, h) =>
    rows.reduce((sum, row) => sum + (row[h] ?? 0), Math.log(hypothesis.prior)),
  );
  const posterior = normaliseLogs(logJoint);
  const faults = new Array<number>(model.faults.length).fill(0);
  const partIds = model.parts.map((part) => part.id);
  const parts: Record<string, number> = Object.fromEntries(partIds.map((id) => [id, 0]));
  const fixed: Record<string, number> = Object.fromEntries(partIds.map((id) => [id, 0]));
  hypotheses.forEach((hypothesis, h) => {
    const p = posterior[h] ?? 0;
    const touched: string[] = [];
    for (const f of hypothesis.faults) {
      faults[f] = (faults[f] ?? 0) + p;
      const { part } = nth(model.faults, f);
      if (!touched.includes(part)) touched.push(part);
    }
    for (const part of touched) parts[part] = (parts[part] ?? 0) + p;
    const [only, ...others] = touched;
    if (only !== undefined && others.length === 0) fixed[only] = (fixed[only] ?? 0) + p;
  });
  return {
    hypotheses,
    posterior,
    faults: Object.fromEntries(model.faults.map((fault, f) => [fault.id, faults[f] ?? 0])),
    parts,
    fixed,
    other: posterior[hypotheses.length - 1] ?? 0,
  };
}

/** ln of the total weight of the evidence under the prior: the log marginal likelihood. */
export function logEvidence(
  hypotheses: readonly Hypothesis[],
  rows: readonly Float64Array[],
): number {
  const logs = Float64Array.from(hypotheses, (hypothesis, h) =>
    rows.reduce((sum, row) => sum + (row[h] ?? 0), Math.log(hypothesis.prior)),
  );
  const peak = logs.reduce((a, b) => Math.max(a, b), -Infinity);
  if (peak === -Infinity) return -Infinity;
  return peak + Math.log(logs.reduce((sum, value) => sum + Math.exp(value - peak), 0));
}

function normaliseLogs(logs: Float64Array): Float64Array {
  const peak = logs.reduce((a, b) => Math.max(a, b), -Infinity);
  if (!Number.isFinite(peak))
    throw new ImpossibleEvidenceError('no hypothesis explains the evidence');
  const weights = logs.map((value) => Math.exp(value - peak));
  const total = weights.reduce((sum, value) => sum + value, 0);
  return weights.map((weight) => weight / total);
}
