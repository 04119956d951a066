/**
 * What to do next: the test, with whatever feeds it and was not taken, that saves most for its minutes; or
 * that measuring more is not worth it. A policy is priced as it would be carried out: point after point in
 * the order of the sheet, its rules after its points, and no further once one reads bad.
 */
import type { Spoken } from '../diagnose/likelihood';
import { knownOf } from '../diagnose/assess';
import type { Inference } from '../diagnose/belief';
import type { JobState } from '../job/state/state';
import type { Step } from '../job/trail/steps';
import { nth } from '../numeric/nth';
import type { Fault, Sheet, Test } from '../sheet/schema';
import { candidates } from './candidates';
import { outcomesFor, times, type Outcomes } from './outcomes';
import { effortOfAll, standingOf, type Effort } from './effort';
import { partsInVisit, USUAL_RATES, type Rates } from './prices';
import { RepairCost } from './repair-cost';

export interface Advice {
  /** What is worth it. */
  readonly test: Test;
  /** What must be taken before it, in this order. */
  readonly before: readonly Test[];
  /** The first placement of it all. */
  readonly step: Step;
  readonly effort: Effort;
  /** Money that it saves, less its price. */
  readonly net: number;
  /** Bits by which it is expected to narrow down what is left. */
  readonly bits: number;
  /** Two likely suspects that it tells apart; one where it only speaks about that one. */
  readonly tells: readonly Fault[];
}

export interface Advised {
  /** Best first. Empty where nothing is left that could be taken. */
  readonly tests: readonly Advice[];
  /** Nothing is worth its price any more, or nothing is left. */
  readonly stop: boolean;
}

/** Parts whose order is looked at in full while somebody waits. */
const MOST_PARTS = 8;
/** Go on although nothing pays, while a test still tells so much and no part alone is so sure. */
const STILL_TELLS = 0.3;
const SURE = 0.95;

/** All at once; see {@link advising}. */
export function advise(
  sheet: Sheet,
  state: JobState,
  now: number,
  rates: Rates = USUAL_RATES,
  inference?: Inference,
): Advised {
  const steps = advising(sheet, state, now, rates, inference);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/**
 * Advice, a candidate at a time, so that whoever waits for a key can stop in between.
 * @param now - This device's time, ms.
 * @param inference - Of what is known, where it does not come from the job's own log.
 */
export function* advising(
  sheet: Sheet,
  state: JobState,
  now: number,
  rates: Rates = USUAL_RATES,
  inference: Inference = knownOf(sheet, state).inference,
): Generator<undefined, Advised> {
  const { left } = inference;
  const repair = new RepairCost(inference.space, partsInVisit(sheet), rates, left, MOST_PARTS);
  const cost = repair.of(left);
  const outcomes = outcomesFor(inference);
  const from = standingOf(sheet, state, now);
  const found: (Advice & { worth: number })[] = [];
  for (const chain of candidates(sheet, state)) {
    const { after, bits } = carriedOut(chain.observables, outcomes, left, repair);
    const effort = effortOfAll(sheet, from, [...chain.before, chain.test]);
    const price = (effort.minutes * rates.rate) / 60 + effort.risk;
    found.push({
      test: chain.test,
      before: chain.before,
      step: chain.step,
      effort,
      net: cost - after - price,
      bits,
      tells: toldApart(sheet, inference, chain.observables, outcomes),
      worth: (cost - after) / Math.max(effort.minutes, 0.1),
    });
    yield;
  }
  const paying = found.filter(({ net }) => net > 0).sort((a, b) => b.worth - a.worth);
  const rest = found.filter(({ net }) => net <= 0).sort((a, b) => b.bits - a.bits);
  const sure = Math.max(0, ...Object.values(inference.belief.fixed)) - inference.belief.sound;
  const goesOn = paying.length === 0 && sure < SURE && (rest[0]?.bits ?? 0) > STILL_TELLS;
  return {
    tests: [...paying, ...rest].map(({ worth: _, ...advice }) => advice),
    stop: paying.length === 0 && !goesOn,
  };
}

/** Point after point until one reads bad: the expected cost of repair after it, and what it tells. */
function carriedOut(
  observables: readonly string[],
  outcomes: Outcomes,
  belief: Float64Array,
  repair: RepairCost,
): { after: number; bits: number } {
  let [after, entropy] = [0, 0];
  let going = belief;
  for (const id of observables) {
    const [good, ...bad] = outcomes(id);
    const base = repair.base(going);
    const before = sumsOf(going);
    for (const each of bad) {
      after += repair.after(base, each);
      entropy += entropyAfter(going, before, each);
    }
    going = times(going, good!);
  }
  return {
    after: after + repair.of(going),
    bits: entropyOf(sumsOf(belief)) - entropy - entropyOf(sumsOf(going)),
  };
}

/** Σ w and Σ w·log₂ w. */
type Sums = readonly [weight: number, logs: number];

const logged = (w: number) => (w > 0 ? w * Math.log2(w) : 0);

function sumsOf(weights: Float64Array): Sums {
  let [sum, logs] = [0, 0];
  for (const w of weights) {
    sum += w;
    logs += logged(w);
  }
  return [sum, logs];
}

/** Entropy in bits of weights as a distribution, times their sum. */
const entropyOf = ([sum, logs]: Sums): number => (sum > 0 ? sum * Math.log2(sum) - logs : 0);

/** The same of weights times the probability of a finding. */
function entropyAfter(weights: Float64Array, [sum, logs]: Sums, { silent, at, p }: Spoken): number {
  let weight = sum * silent;
  // Σ s·w·log₂(s·w) of all; then those that speak otherwise in their place.
  let all = silent * logs + logged(silent) * sum;
  for (let i = 0; i < at.length; i += 1) {
    const w = weights[at[i]!]!;
    weight += (p[i]! - silent) * w;
    all += logged(p[i]! * w) - logged(silent * w);
  }
  return entropyOf([weight, all]);
}

/** So far apart in their chance of a bad reading that a test tells them apart. */
const APART = 0.3;

/** The likeliest of those that would read bad here, and the likeliest of those that would not. */
function toldApart(
  sheet: Sheet,
  { space, belief }: Inference,
  observables: readonly string[],
  outcomes: Outcomes,
): Fault[] {
  const all = sheet.faults.map((fault) => {
    const f = space.faultIndex.get(fault.id)!;
    const h = space.hypotheses.findIndex(({ faults }) => faults.length === 1 && faults[0] === f);
    const good = observables.reduce((all, id) => {
      const { silent, at, p } = nth(outcomes(id), 0);
      const i = at.indexOf(h);
      return all * (i < 0 ? silent : nth(p, i));
    }, 1);
    const p = belief.now[fault.id] ?? 0;
    return { fault, p, bad: 1 - good };
  });
  // What noise alone would do is nobody's mark.
  const noise = Math.min(...all.map(({ bad }) => bad));
  const speaks = ({ p, bad }: (typeof all)[number]) => p * (bad - noise);
  const keeps = ({ p, bad }: (typeof all)[number]) => p * (1 - bad);
  const reads = all.reduce((a, b) => (speaks(b) > speaks(a) ? b : a));
  const silent = all.reduce((a, b) => (keeps(b) > keeps(a) ? b : a));
  if (reads.bad < APART) return [];
  return reads.bad - silent.bad > APART ? [reads.fault, silent.fault] : [reads.fault];
}
