/** How probable one finding is under each hypothesis. */
import { UnknownReferenceError } from '../errors';
import { nth } from '../numeric/nth';
import { isTest, type Finding, type TestFinding } from './evidence';
import type { Hypothesis } from './hypotheses';
import { allAtRest } from './intermittence';
import { sharesOf, type DiagnosticModel, type ModelObservable } from './model';
import type { Space } from './space';

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

/** P(finding | hypothesis) of a test: most faults show nothing in it, and then it is as with no fault at all. */
export interface Spoken {
  /** Of every hypothesis that is not named in `at`. */
  readonly silent: number;
  /** Hypotheses by index, each once. */
  readonly at: Int32Array;
  readonly p: Float64Array;
}

/**
 * ln P(finding | hypothesis) for every hypothesis, in their order.
 * @param rests - of each fault, the share of the time in which it shows nothing
 * @throws {UnknownReferenceError} when the model knows no such test, outcome, code or symptom.
 */
export function logLikelihoods(
  space: Space,
  finding: Finding,
  rests: readonly number[],
): Float64Array {
  const { model, hypotheses } = space;
  const all = new Float64Array(hypotheses.length);
  if (isTest(finding)) {
    const { silent, at, p } = spokenOf(space, finding, rests);
    all.fill(Math.log(silent));
    for (let i = 0; i < at.length; i += 1) all[at[i]!] = Math.log(p[i]!);
    return all;
  }
  const probability = probabilityOf(model, finding, rests);
  // Written out: an iterator takes longer than what it asks.
  for (let h = 0; h < all.length; h += 1) all[h] = Math.log(probability(hypotheses[h]!));
  return all;
}

/** P(finding | hypothesis) of a test: that of each outcome, weighted as the finding weighs it. */
function spokenOf(space: Space, finding: TestFinding, rests: readonly number[]): Spoken {
  const weights = 'p' in finding ? finding.p : { [finding.outcome]: 1 };
  const test = testOf(space.model, finding.test);
  for (const [outcome, weight] of Object.entries(weights))
    if (weight > 0 && !test.outcomes.includes(outcome))
      throw new UnknownReferenceError(`“${test.id}” has no outcome “${outcome}”`, '/evidence');
  const all = outcomesSpoken(space, finding.test, rests, finding.again);
  const { at } = nth(all, 0);
  const p = new Float64Array(at.length);
  let silent = 0;
  for (const each of all) {
    const weight = weights[each.outcome] ?? 0;
    if (weight === 0) continue;
    silent += weight * each.silent;
    for (let i = 0; i < p.length; i += 1) p[i]! += weight * each.p[i]!;
  }
  return { silent, at, p };
}

function testOf(model: DiagnosticModel, id: string): ModelObservable {
  const test = model.tests.find((each) => each.id === id);
  if (!test) throw new UnknownReferenceError(`there is no test “${id}”`, '/evidence');
  return test;
}

/**
 * P(outcome | S) of every outcome of a test, `ok` first. By the sheet's rule all faults of S must be silent
 * for `ok`; what is left is shared among the other outcomes in proportion to how strongly the faults of S
 * show them; and noise is mixed in:
 *
 *     (1-ε)·Π okᶠ + ε/n    and    (1-ε)·(1 - Π okᶠ)·Σ offᶠ(o) / Σ offᶠ + ε/n
 *
 * where offᶠ(o) is how much fault f shows the outcome o besides `ok`.
 *
 * @param again - Earlier ones that agree, the leads lifted in between.
 * @throws {UnknownReferenceError} where the model knows no such test.
 */
export function outcomesSpoken(
  space: Space,
  id: string,
  rests: readonly number[],
  again = 0,
): readonly OutcomeSpoken[] {
  const byRests = spoken.get(space) ?? new WeakMap<readonly number[], Map<string, Known>>();
  spoken.set(space, byRests);
  const known: Map<string, Known> = byRests.get(rests) ?? new Map<string, Known>();
  byRests.set(rests, known);
  const key = `${Math.min(again, MOST_REPEATS)} ${id}`;
  const before = known.get(key);
  if (before) return before;
  const fresh = reckonedFor(space, id, rests, again);
  known.set(key, fresh);
  return fresh;
}

type OutcomeSpoken = Spoken & { readonly outcome: string };
type Known = readonly OutcomeSpoken[];

/** Asked for after every finding, and the same as long as nothing more comes and goes. */
const spoken = new WeakMap<Space, WeakMap<readonly number[], Map<string, Known>>>();

function reckonedFor(
  { model, hypotheses, containing }: Space,
  id: string,
  rests: readonly number[],
  again: number,
): Known {
  const test = testOf(model, id);
  const ok = test.ok ?? 'ok';
  const others = test.outcomes.filter((outcome) => outcome !== ok);
  const noise = (test.noise ?? DEFAULT_NOISE) * REPEATED ** Math.min(again, MOST_REPEATS);
  const even = noise / test.outcomes.length;
  const marks = marksOf(model, id, ok, others, rests);
  const at = namedBy(
    hypotheses.length,
    containing.filter((_, f) => marks[f]),
  );
  const all = [ok, ...others].map((outcome) => ({
    outcome,
    silent: outcome === ok ? 1 - noise + even : even,
    at,
    p: new Float64Array(at.length),
  }));
  // N disturbs about two tests, whichever they are: good readings must not destroy it.
  const good = Math.max(0.5, 1 - 2 / model.tests.length);
  all.forEach(({ p }, o) => {
    const share = o === 0 ? good : (1 - good) / Math.max(1, others.length);
    p[0] = (1 - noise) * share + even;
  });
  const hits = new Float64Array(others.length);
  for (let i = 1; i < at.length; i += 1) {
    const { faults } = hypotheses[at[i]!]!;
    let pOk = 1;
    let offSum = 0;
    hits.fill(0);
    for (let k = 0; k < faults.length; k += 1) {
      const mark = marks[faults[k]!];
      if (!mark) continue;
      pOk *= mark.ok;
      for (let o = 0; o < hits.length; o += 1) {
        offSum += mark.off[o]!;
        hits[o]! += mark.off[o]!;
      }
    }
    all[0]!.p[i] = (1 - noise) * pOk + even;
    const bad = offSum > 0 ? ((1 - noise) * (1 - pOk)) / offSum : 0;
    for (let o = 0; o < hits.length; o += 1) all[o + 1]!.p[i] = bad * hits[o]! + even;
  }
  return all;
}

/** What a fault shows in a test, with the share of the time in which it rests. */
interface Mark {
  readonly ok: number;
  /** By the other outcomes. */
  readonly off: readonly number[];
}

/** By fault; undefined for one that the sheet says nothing of there: always the good outcome. */
const marksOf = (
  model: DiagnosticModel,
  test: string,
  ok: string,
  others: readonly string[],
  rests: readonly number[],
): readonly (Mark | undefined)[] =>
  model.faults.map(({ shows }, f) => {
    const shown = shows[test];
    if (shown === undefined) return undefined;
    const share = sharesOf(shown);
    const rest = nth(rests, f);
    return {
      ok: (1 - rest) * (share[ok] ?? 0) + rest,
      off: others.map((outcome) => (1 - rest) * (share[outcome] ?? 0)),
    };
  });

/** Hypotheses of these lists, each once, after the last of all: what is not on the sheet. */
function namedBy(hypotheses: number, lists: readonly Int32Array[]): Int32Array {
  const seen = new Uint8Array(hypotheses);
  const named = new Int32Array(lists.reduce((sum, { length }) => sum + length, 1));
  named[0] = hypotheses - 1;
  let count = 1;
  for (const list of lists)
    for (let i = 0; i < list.length; i += 1) {
      const h = list[i]!;
      if (seen[h]) continue;
      seen[h] = 1;
      named[count] = h;
      count += 1;
    }
  return named.subarray(0, count);
}

function probabilityOf(
  model: DiagnosticModel,
  finding: Exclude<Finding, TestFinding>,
  rests: readonly number[],
): Probability {
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
