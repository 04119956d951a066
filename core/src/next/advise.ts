/**
 * What to do next: the test, with whatever feeds it and was not taken, that saves most for its minutes; or
 * that measuring more is not worth it. A policy is priced as it would be carried out: point after point in
 * the order of the sheet, its rules after its points, and no further once one reads bad.
 */
import { knownOf } from '../diagnose/assess';
import type { Inference } from '../diagnose/belief';
import type { JobState } from '../job/state/state';
import { pathProgress } from '../job/trail/path-progress';
import type { Step } from '../job/trail/steps';
import { nth } from '../numeric/nth';
import type { Fault, Sheet } from '../sheet/schema';
import type { Advised, Weighed } from './advice';
import { candidates } from './candidates';
import { outcomesFor, times, type Outcomes } from './outcomes';
import { effortOfAll, standingOf } from '../job/trail/effort';
import { entropyOf, sumsOf, weighedAfter } from './information';
import { SCHOOLS, type School } from './schools';
import type { Offer } from '../shop/offers';
import { partsInVisit, USUAL_SHOP, type Rates } from './prices';
import { RepairCost } from './repair-cost';

/** Parts whose order is looked at in full while somebody waits. */
const MOST_PARTS = 8;
/** Go on although nothing pays, while a test still tells so much and no part alone is so sure. */
const STILL_TELLS = 0.3;
const SURE = 0.95;

export interface AdviceOptions {
  readonly rates?: Rates & { readonly visit?: number };
  /** Of what is known, where it does not come from the job's own log. */
  readonly inference?: Inference;
  readonly school?: School;
  readonly own?: OwnWay;
  /** What the shop pays for parts; the sheet’s own word where absent. */
  readonly offers?: readonly Offer[];
}

/** Where somebody goes their own way: a test that they want next, and those that they put off; by id. */
export interface OwnWay {
  readonly pinned?: string | undefined;
  readonly putOff?: readonly string[];
}

/** All at once; see {@link advising}. */
export function advise(
  sheet: Sheet,
  state: JobState,
  now: number,
  options: AdviceOptions = {},
): Advised {
  const steps = advising(sheet, state, now, options);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/**
 * Advice, a candidate at a time, so that whoever waits for a key can stop in between.
 * @param now - This device's time, ms.
 */
export function* advising(
  sheet: Sheet,
  state: JobState,
  now: number,
  options: AdviceOptions = {},
): Generator<undefined, Advised> {
  const { rates = USUAL_SHOP, school = 'balanced', own = {} } = options;
  const inference = options.inference ?? knownOf(sheet, state).inference;
  const { left } = inference;
  const repair = new RepairCost(
    inference.space,
    partsInVisit(sheet, rates.visit, options.offers),
    rates,
    left,
    MOST_PARTS,
  );
  const cost = repair.of(left);
  const outcomes = outcomesFor(inference);
  const from = standingOf(sheet, state, now);
  const halving = halvingSteps(sheet, state);
  const found: Weighed[] = [];
  for (const chain of candidates(sheet, state)) {
    const { after, bits, surest } = carriedOut(chain.observables, outcomes, left, repair);
    const effort = effortOfAll(sheet, from, [...chain.before, chain.test]);
    const halves = chain.before.length === 0 ? halving.get(chain.test.id) : undefined;
    found.push({
      advice: {
        test: chain.test,
        before: chain.before,
        step: halves?.step ?? chain.step,
        effort,
        net: cost - after - (effort.minutes * rates.rate) / 60 - effort.risk,
        bits,
        tells: toldApart(sheet, inference, chain.observables, outcomes),
      },
      saves: cost - after,
      price: (effort.minutes * rates.rate) / 60 + effort.risk,
      surest,
      ...(halves && { leaves: halves.leaves }),
    });
    yield;
  }
  const sure = Math.max(0, ...Object.values(inference.belief.fixed)) - inference.belief.sound;
  return inOrder(found, school, own, sure);
}

/** In the order of the school, what is pinned before it and what is put off behind it. */
function inOrder(
  found: readonly Weighed[],
  school: School,
  { pinned, putOff = [] }: OwnWay,
  sure: number,
): Advised {
  const off = ({ advice }: Weighed) => putOff.includes(advice.test.id) && advice.test.id !== pinned;
  const wanted = found.filter((each) => !off(each));
  const first = wanted.find(({ advice }) => advice.test.id === pinned);
  const paying = wanted.some(({ advice }) => advice.net > 0);
  const tells = Math.max(0, ...wanted.map(({ advice }) => advice.bits));
  const goesOn = paying || (sure < SURE && tells > STILL_TELLS);
  const ranked = SCHOOLS[school](wanted.filter((each) => each !== first));
  const tests = [...(first ? [first] : []), ...ranked].map(({ advice }) => advice);
  return {
    tests,
    putOff: found.filter(off).map(({ advice }) => advice),
    ...(first && { pinned: first.advice.test.id }),
    stop: !first && (!goesOn || tests.length === 0),
  };
}

/** Where a path is known to be broken: of each test on it the placement that halves what is left. */
function halvingSteps(sheet: Sheet, state: JobState) {
  const steps = new Map<string, { readonly step: Step; readonly leaves: number }>();
  for (const path of sheet.paths ?? []) {
    const { links, next, halves } = pathProgress(sheet, state, path);
    if (next && halves && links.includes('suspect'))
      steps.set(next.test.id, { step: next, leaves: Math.max(...halves) });
  }
  return steps;
}

/** Point after point until one reads bad: the expected cost of repair after it, and what it tells. */
function carriedOut(
  observables: readonly string[],
  outcomes: Outcomes,
  belief: Float64Array,
  repair: RepairCost,
): { after: number; bits: number; surest: number } {
  let [after, entropy, surest] = [0, 0, 0];
  let going = belief;
  for (const id of observables) {
    const [good, ...bad] = outcomes(id);
    const base = repair.base(going);
    const before = sumsOf(going);
    for (const each of bad) {
      after += repair.after(base, each);
      const [weight, sums] = weighedAfter(going, before, each);
      entropy += entropyOf(sums);
      surest = Math.max(surest, weight);
    }
    going = times(going, good!);
  }
  const all = sumsOf(belief);
  const good = sumsOf(going);
  return {
    after: after + repair.of(going),
    bits: entropyOf(all) - entropy - entropyOf(good),
    surest: Math.max(surest, good[0]) / all[0],
  };
}

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
