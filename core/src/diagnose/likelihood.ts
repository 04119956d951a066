/** How probable one finding is under each hypothesis. */
import { UnknownReferenceError } from '../errors';
import { nth } from '../numeric/nth';
import { isTest, type Finding, type TestFinding } from './evidence';
import type { Hypothesis } from './hypotheses';
import { allAtRest } from './intermittence';
import { sharesOf, type DiagnosticModel, type ModelObservable } from './model';

/** Probability of an outcome that has nothing to do with the faults, shared among all outcomes. */
export const DEFAULT_NOISE = 0.02;
/** Chance that an unlisted fault shows a code or a symptom, where the sheet states none. */
export const DEFAULT_OTHER = 0.05;
/** What a repeat with the leads lifted leaves of the noise, and how often that goes on. */
const REPEATED = 0.2;
const MOST_REPEATS = 2;
/** The complaint seen on site: with something wrong that is not on the sheet, and with nothing wrong. */
const SEEN_OTHER = 0.9;
const SEEN_SOUND = 0.02;
const SEEN_SHOWING = 0.95;

type Probability = (hypothesis: Hypothesis) => number;

/**
 * ln P(finding | hypothesis) for every hypothesis, in their order.
 * @param rests - of each fault, the share of the time in which it shows nothing
 * @throws {UnknownReferenceError} when the model knows no such test, outcome, code or symptom.
 */
export function logLikelihoods(
  model: DiagnosticModel,
  hypotheses: readonly Hypothesis[],
  finding: Finding,
  rests: readonly number[],
): Float64Array {
  const all = likelihoods(model, hypotheses, finding, rests);
  for (let h = 0; h < all.length; h += 1) all[h] = Math.log(all[h]!);
  return all;
}

/** P(finding | hypothesis) for every hypothesis; the rest as {@link logLikelihoods}. */
export function likelihoods(
  model: DiagnosticModel,
  hypotheses: readonly Hypothesis[],
  finding: Finding,
  rests: readonly number[],
): Float64Array {
  const probability = probabilityOf(model, finding, rests);
  // Written out: an iterator takes longer than what it asks.
  const all = new Float64Array(hypotheses.length);
  for (let h = 0; h < all.length; h += 1) all[h] = probability(hypotheses[h]!);
  return all;
}

function probabilityOf(
  model: DiagnosticModel,
  finding: Finding,
  rests: readonly number[],
): Probability {
  if (isTest(finding)) return testProbability(model, finding, rests);
  if ('confirmed' in finding) return complaintProbability(finding.confirmed, rests);
  if ('code' in finding) {
    const code = model.codes?.find((each) => each.code === finding.code);
    if (!code) throw new UnknownReferenceError(`there is no code “${finding.code}”`, '/evidence');
    return suggestion(model, code);
  }
  const symptom = model.symptoms?.find((each) => each.id === finding.symptom);
  if (!symptom)
    throw new UnknownReferenceError(`there is no symptom “${finding.symptom}”`, '/evidence');
  return suggestion(model, symptom);
}

/** A code or a symptom, which any of the faults may bring about. */
function suggestion(
  model: DiagnosticModel,
  shown: { readonly suspects: Readonly<Record<string, number>>; readonly other?: number },
): Probability {
  const other = shown.other ?? DEFAULT_OTHER;
  const chances = model.faults.map((fault) => shown.suspects[fault.id] ?? other);
  return ({ kind, faults }) =>
    kind === 'faults' ? 1 - faults.reduce((none, f) => none * (1 - nth(chances, f)), 1) : other;
}

function complaintProbability(seen: boolean, rests: readonly number[]): Probability {
  return ({ kind, faults }) => {
    const p =
      kind === 'other'
        ? SEEN_OTHER
        : SEEN_SOUND + (kind === 'sound' ? 0 : SEEN_SHOWING * (1 - allAtRest(rests, faults)));
    return seen ? p : 1 - p;
  };
}

/**
 * P(finding | S) for one test. By the sheet's rule all faults of S must be silent for `ok`; what is
 * left is shared among the other outcomes in proportion to how strongly the faults of S show them; and
 * noise is mixed in. Weighted with the finding `w`, the sum over outcomes closes to
 *
 *     (1-ε)·[ w(ok)·Π okᶠ + (1 - Π okᶠ)·Σ hitᶠ / Σ offᶠ ] + ε·mean(w)
 *
 * where offᶠ is what fault f shows besides `ok`, and hitᶠ the part of it that the finding names. So
 * three numbers per fault are all that a hypothesis needs.
 */
function testProbability(
  model: DiagnosticModel,
  finding: TestFinding,
  rests: readonly number[],
): Probability {
  const test = model.tests.find((each) => each.id === finding.test);
  if (!test) throw new UnknownReferenceError(`there is no test “${finding.test}”`, '/evidence');
  const weights = findingWeights(test, finding);
  const ok = test.ok ?? 'ok';
  const noise =
    (test.noise ?? DEFAULT_NOISE) * REPEATED ** Math.min(finding.again ?? 0, MOST_REPEATS);
  const others = test.outcomes.filter((outcome) => outcome !== ok);
  const weightOf = (outcome: string) => weights[outcome] ?? 0;
  const shares = model.faults.map((fault) => sharesOf(fault.shows[test.id] ?? ok));
  const showing = (f: number) => 1 - nth(rests, f);
  const okShare = shares.map((share, f) => showing(f) * (share[ok] ?? 0) + nth(rests, f));
  const off = shares.map((share, f) => showing(f) * sum(others, (o) => share[o] ?? 0));
  const hit = shares.map(
    (share, f) => showing(f) * sum(others, (o) => weightOf(o) * (share[o] ?? 0)),
  );
  const mean = sum(test.outcomes, weightOf) / test.outcomes.length;
  // N disturbs about two tests, whichever they are: good readings must not destroy it.
  const good = Math.max(0.5, 1 - 2 / model.tests.length);
  const unknown =
    good * weightOf(ok) + ((1 - good) * sum(others, weightOf)) / Math.max(1, others.length);

  // Most faults show nothing in most tests, and then it is as with no fault at all.
  const speaks = shares.map((_, f) => nth(okShare, f) !== 1 || nth(off, f) !== 0);
  const silent = (1 - noise) * weightOf(ok) + noise * mean;

  return ({ kind, faults }) => {
    if (kind === 'other') return (1 - noise) * unknown + noise * mean;
    let heard = false;
    for (const f of faults) if (speaks[f]) heard = true;
    if (!heard) return silent;
    let pOk = 1;
    let offSum = 0;
    let hitSum = 0;
    for (const f of faults) {
      pOk *= nth(okShare, f);
      offSum += nth(off, f);
      hitSum += nth(hit, f);
    }
    const bad = offSum > 0 ? ((1 - pOk) * hitSum) / offSum : 0;
    return (1 - noise) * (weightOf(ok) * pOk + bad) + noise * mean;
  };
}

const sum = <T>(items: readonly T[], value: (item: T) => number): number =>
  items.reduce((total, item) => total + value(item), 0);

function findingWeights(
  test: ModelObservable,
  finding: TestFinding,
): Readonly<Record<string, number>> {
  const weights = 'p' in finding ? finding.p : { [finding.outcome]: 1 };
  for (const [outcome, weight] of Object.entries(weights))
    if (weight > 0 && !test.outcomes.includes(outcome))
      throw new UnknownReferenceError(`“${test.id}” has no outcome “${outcome}”`, '/evidence');
  return weights;
}
