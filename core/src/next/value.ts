/** What a test is worth: how much less the repair is expected to cost once its outcome is known. */
import type { Inference } from '../diagnose/belief';
import { isTest } from '../diagnose/evidence';
import { restsOf } from '../diagnose/intermittence';
import { outcomesSpoken } from '../diagnose/likelihood';
import { RepairCost, type RepairPlan } from './repair-cost';
import type { PricedPart, PricedTest, Rates } from './prices';

export interface TestValue {
  readonly test: string;
  /** Money that it is expected to save: V(now) − Σ P(o)·V(after o). */
  readonly voi: number;
  readonly price: number;
  readonly net: number;
}

export interface NextTests extends RepairPlan {
  /** Tests not taken since the last work, the largest net value first. */
  readonly next: readonly TestValue[];
}

/** One observable at a time, at a price that does not depend on where the machine stands. */
export function nextTests(
  inference: Inference,
  parts: readonly PricedPart[],
  tests: readonly PricedTest[],
  rates: Rates,
): NextTests {
  const { space, evidence, left: now } = inference;
  const { model } = space;
  const repair = new RepairCost(space, parts, rates, now);
  const plan = repair.planOf(now);
  const base = repair.base(now);
  const rests = restsOf(model, evidence);
  const taken = takenSinceWork(inference);
  const next = tests
    .filter(({ id }) => !taken.has(id))
    .map(({ id, minutes = 0, risk = 0 }) => {
      const after = outcomesSpoken(space, id, rests).reduce(
        (sum, each) => sum + repair.after(base, each),
        0,
      );
      const price = (minutes * rates.rate) / 60 + risk;
      const voi = plan.cost - after;
      return { test: id, voi, price, net: voi - price };
    })
    .sort((a, b) => b.net - a.net);
  return { ...plan, next };
}

/** What was taken before the machine was worked on may read otherwise now. */
function takenSinceWork({ evidence }: Inference): ReadonlySet<string> {
  const from = evidence.findLastIndex((item) => 'done' in item || 'back' in item) + 1;
  return new Set(evidence.slice(from).flatMap((item) => (isTest(item) ? [item.test] : [])));
}
