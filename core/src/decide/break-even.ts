/**
 * At what the advice would change: for every price, and for the chance of who leads, the nearest figure below
 * and above at which another first visit is the better one. What a plan costs is linear in each of them, so
 * each plan is a line, and the best of a kind the lowest of its lines.
 */
import type { Inference } from '../diagnose/belief';
import { nth } from '../numeric/nth';
import type { ShopPrices } from '../next/prices';
import type { Action } from './actions';
import { PlanCost, type Visits } from './plan-cost';
import { MOST_IN_PLAN, waysOf, worthPlanning } from './plans';

export type PlanInput =
  | { readonly kind: 'shop'; readonly name: keyof ShopPrices }
  | { readonly kind: 'material'; readonly action: Action }
  | { readonly kind: 'chance'; readonly fault: string };

export interface BreakEven {
  readonly input: PlanInput;
  readonly now: number;
  /** Nearest figures at which another first visit is better; absent where none is, as far as is looked. */
  readonly below?: Turned;
  readonly above?: Turned;
  /** Money that half as much again and half as much of it lie apart, for the best plan. */
  readonly swing: number;
}

export interface Turned {
  readonly at: number;
  /** The first visit that is better from there on; empty: nothing is done. */
  readonly then: readonly Action[];
}

/** How far up is looked: so many times the figure, and at least so much. */
const TIMES = 20;
const LEAST_UP = 200;
const STEPS = 48;
/** Share of a figure that is as good as none of it. */
const NOTHING = 0.02;

type Known = Pick<Inference, 'space' | 'left'>;

/** @param leader - The fault whose chance is looked at. What matters most comes first. */
export function breakEvens(
  { space, left }: Known,
  all: readonly Action[],
  shop: ShopPrices,
  leader: string | undefined,
  most = MOST_IN_PLAN,
): BreakEven[] {
  const actions = worthPlanning({ space, left }, all, shop);
  const plans: readonly Visits[] = [[], ...waysOf(actions.length, most)];
  const costs = (of: readonly Action[], prices: ShopPrices, weights = left) => {
    const cost = new PlanCost(space, weights, of, prices);
    return Float64Array.from(plans, (visits) => cost.of(visits).cost);
  };
  const base = costs(actions, shop);
  const best = base.reduce((at, cost, i) => (cost < base[at]! ? i : at), 0);
  const firstOf = plans.map((visits) => (visits[0] ?? []).join());
  const same = firstOf.map((first) => first === firstOf[best]);
  return [
    ...(Object.keys(shop) as (keyof ShopPrices)[]).map((name) =>
      line(
        { kind: 'shop', name },
        shop[name] ?? 0,
        costs(actions, { ...shop, [name]: (shop[name] ?? 0) + 1 }),
      ),
    ),
    ...actions
      .filter(({ material }) => material > 0)
      .map((action) =>
        line(
          { kind: 'material', action },
          action.material,
          costs(
            actions.map((each) => (each === action ? dearer(each) : each)),
            shop,
          ),
        ),
      ),
    ...(leader === undefined ? [] : chanceOf(leader)),
  ].sort((a, b) => b.swing - a.swing);

  function line(input: PlanInput, now: number, plusOne: Float64Array): BreakEven {
    const slopes = plusOne.map((cost, i) => cost - base[i]!);
    return between(input, now, base, slopes, Math.max(now * TIMES, now + LEAST_UP));
  }

  function between(
    input: PlanInput,
    now: number,
    costs: Float64Array,
    slopes: Float64Array,
    most: number,
  ): BreakEven {
    const turned = (end: number): Turned | undefined => {
      const lead = (x: number) => {
        let [own, other, at] = [Infinity, Infinity, -1];
        for (let i = 0; i < costs.length; i += 1) {
          const cost = costs[i]! + slopes[i]! * (x - now);
          if (same[i]) own = Math.min(own, cost);
          else if (cost < other) [other, at] = [cost, i];
        }
        return { behind: own - other, at };
      };
      let [near, far] = [now, now];
      for (let k = 1; k <= STEPS; k += 1) {
        far = now + (end - now) * (k / STEPS) ** 2;
        if (lead(far).behind > 0) break;
        near = far;
      }
      if (lead(far).behind <= 0) return undefined;
      for (let k = 0; k < STEPS; k += 1) {
        const middle = (near + far) / 2;
        if (lead(middle).behind > 0) far = middle;
        else near = middle;
      }
      const then = nth(plans, lead(far).at)[0] ?? [];
      return { at: far, then: then.map((a) => nth(actions, a)) };
    };
    const [low, above] = [turned(0), turned(most)];
    // At next to nothing it is turned by nothing else.
    const below = low && low.at > now * NOTHING ? low : undefined;
    return {
      input,
      now,
      ...(below && { below }),
      ...(above && { above }),
      swing: Math.abs(slopes[best]! * now),
    };
  }

  /** The chance of a fault, the odds of all others among themselves as they are. */
  function chanceOf(fault: string): BreakEven[] {
    const f = space.faultIndex.get(fault);
    const has = space.hypotheses.map(({ faults }) => f !== undefined && faults.includes(f));
    const p = left.reduce((sum, w, h) => sum + (has[h] ? w : 0), 0);
    if (p < 1e-6 || p > 1 - 1e-6) return [];
    const [none, sure] = [false, true].map((with_) =>
      costs(
        actions,
        shop,
        left.map((w, h) => (has[h] === with_ ? w / (with_ ? p : 1 - p) : 0)),
      ),
    );
    const slopes = nth([sure!], 0).map((cost, i) => cost - none![i]!);
    return [between({ kind: 'chance', fault }, p, base, slopes, 1)];
  }
}

/** What comes back is a share of the price. */
const dearer = (action: Action): Action => ({
  ...action,
  material: action.material + 1,
  refund: action.refund * (1 + 1 / action.material),
});
