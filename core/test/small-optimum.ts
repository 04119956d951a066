/**
 * Small models on which the best way of testing and replacing can be found by looking at every one: dynamic
 * programming over what is believed, which tests are taken and which parts are replaced. One fault at a time.
 */
import { infer } from '../src/diagnose/belief';
import { outcomesSpoken, type Spoken } from '../src/diagnose/likelihood';
import type { DiagnosticModel } from '../src/diagnose/model';
import { RepairCost } from '../src/next/repair-cost';
import type { PricedPart, Rates } from '../src/next/prices';
import { dice } from '../src/numeric/dice';

export interface SmallModel {
  readonly model: DiagnosticModel;
  readonly parts: readonly Required<Pick<PricedPart, 'id' | 'price' | 'minutes'>>[];
  readonly tests: readonly { readonly id: string; readonly minutes: number }[];
  readonly rates: Rates;
}

/** Four faults on three parts, five tests of two or three outcomes. */
export function smallModel(seed: number): SmallModel {
  const roll = dice(seed);
  const between = (low: number, high: number) => low + roll() * (high - low);
  const parts = [0, 1, 2].map((i) => ({
    id: `p${i}`,
    price: Math.round(between(10, 500)),
    minutes: Math.round(between(10, 90)),
  }));
  const tests = [0, 1, 2, 3, 4].map((i) => ({
    id: `t${i}`,
    minutes: Math.round(between(1, 20)),
    outcomes: roll() < 0.5 ? ['ok', 'low'] : ['ok', 'low', 'none'],
  }));
  const faults = [0, 1, 2, 3].map((i) => ({
    id: `f${i}`,
    part: `p${i % 3}`,
    prior: between(0.2, 3),
    shows: Object.fromEntries(
      tests.flatMap(({ id, outcomes }) => {
        if (roll() < 0.4) return [];
        const bad = between(0.3, 1);
        const low = outcomes.length > 2 ? bad * roll() : bad;
        return [[id, { ok: 1 - bad, low, ...(outcomes.length > 2 && { none: bad - low }) }]];
      }),
    ),
  }));
  return {
    model: { faults, parts: parts.map(({ id }) => ({ id })), tests },
    parts,
    tests,
    rates: { rate: 100, giveUp: Math.round(between(400, 2_000)) },
  };
}

export interface Costs {
  readonly optimal: number;
  /** By the worth of a test for its minutes, while it saves more than it costs. */
  readonly advised: number;
  /** Replacing by the best order, without any test. */
  readonly untested: number;
}

/** Expected money of each way, over everything that could come out. */
export function costsOf({ model, parts, tests, rates }: SmallModel): Costs {
  const { space, left } = infer(model, [], { size: 1 });
  const repair = new RepairCost(space, parts, rates, left);
  const outcomes = tests.map(({ id }) =>
    outcomesSpoken(
      space,
      id,
      model.faults.map(() => 0),
    ),
  );
  const priceOf = (t: number) => (tests[t]!.minutes * rates.rate) / 60;
  const costOf = (p: number) => parts[p]!.price + (parts[p]!.minutes * rates.rate) / 60;
  const seen = (weights: Float64Array, { silent, at, p }: Spoken) => {
    const next = weights.map((w) => w * silent);
    at.forEach((h, i) => (next[h] = weights[h]! * p[i]!));
    return next;
  };
  /** What is still there once a part was replaced and proven not to have been all. */
  const unmended = (weights: Float64Array, part: number) =>
    weights.map((w, h) => {
      const { kind, faults } = space.hypotheses[h]!;
      const mended =
        kind === 'sound' || faults.some((f) => model.faults[f]!.part === parts[part]!.id);
      return mended ? 0 : w;
    });
  const total = (weights: Float64Array) => weights.reduce((sum, w) => sum + w, 0);
  /** What is wrong at all: a machine that is whole costs nothing more. */
  const wrong = (weights: Float64Array) =>
    weights.reduce((sum, w, h) => sum + (space.hypotheses[h]!.kind === 'sound' ? 0 : w), 0);

  /** Which outcome each test had, 0 for one that is not taken; and the parts replaced, by bits. */
  interface Reached {
    readonly weights: Float64Array;
    readonly had: readonly number[];
    readonly done: number;
  }
  type Value = (reached: Reached) => number;
  /** However it was reached: the order of the findings changes nothing. */
  const kept = (value: Value): Value => {
    const known = new Map<string, number>();
    return (reached) => {
      const key = `${reached.had.join('')} ${reached.done}`;
      const before = known.get(key);
      if (before !== undefined) return before;
      const fresh = wrong(reached.weights) < 1e-9 ? 0 : value(reached);
      known.set(key, fresh);
      return fresh;
    };
  };
  const tested = ({ weights, had, done }: Reached, t: number, then: Value): number =>
    priceOf(t) * total(weights) +
    outcomes[t]!.reduce(
      (sum, each, o) => sum + then({ weights: seen(weights, each), had: had.with(t, o + 1), done }),
      0,
    );
  const replaced = ({ weights, had, done }: Reached, p: number, then: Value): number =>
    costOf(p) * wrong(weights) +
    then({ weights: unmended(weights, p), had, done: done | (1 << p) });

  const optimal: Value = kept((reached) => {
    const ways = [rates.giveUp * wrong(reached.weights)];
    parts.forEach((_, p) => {
      if (!(reached.done & (1 << p))) ways.push(replaced(reached, p, optimal));
    });
    tests.forEach((_, t) => {
      if (reached.had[t] === 0) ways.push(tested(reached, t, optimal));
    });
    return Math.min(...ways);
  });

  const advised: Value = kept((reached) => {
    const { weights, had, done } = reached;
    const mass = total(weights);
    const now = repair.of(weights);
    const base = repair.base(weights);
    const worth = tests
      .map(({ minutes }, t) => {
        const after = outcomes[t]!.reduce((sum, each) => sum + repair.after(base, each), 0);
        const saves = (now - after) / mass;
        return { t, net: saves - priceOf(t), perMinute: saves / minutes };
      })
      .filter(({ t, net }) => had[t] === 0 && net > 0)
      .sort((a, b) => b.perMinute - a.perMinute)[0];
    if (worth) return tested(reached, worth.t, advised);
    const [first] = repair.planOf(weights).order;
    const p = parts.findIndex(({ id }) => id === first);
    if (p < 0 || done & (1 << p)) return rates.giveUp * wrong(weights);
    return replaced(reached, p, advised);
  });
  const start = { weights: left, had: tests.map(() => 0), done: 0 };

  return { optimal: optimal(start), advised: advised(start), untested: repair.of(left) };
}
