/** Every way of dealing the actions into visits, and the best of each kind. */
import type { Inference } from '../diagnose/belief';
import { UnknownReferenceError } from '../errors';
import { nth } from '../numeric/nth';
import type { ShopPrices } from '../next/prices';
import type { Action } from './actions';
import { PlanCost, type PlanFigures, type Visits } from './plan-cost';

export interface Plan extends PlanFigures {
  /** Visits in their order, each with its actions in the order of the sheet. */
  readonly visits: readonly (readonly Action[])[];
}

export interface Decision {
  readonly best: Plan;
  /** One action to a visit. */
  readonly oneAtATime: Plan;
  /** All in one visit. */
  readonly asASet: Plan;
  /** Handed over, with nothing done. */
  readonly nothing: Plan;
}

export interface PlanOptions {
  /** Actions in one plan; 4 where absent. */
  readonly most?: number;
}

/** Actions in one plan, where nobody says otherwise. */
export const MOST_IN_PLAN = 4;
/** Of more actions only those are planned with that mend most for their cost. */
const LOOKED_AT = 8;

export function decide(
  { space, left }: Pick<Inference, 'space' | 'left'>,
  all: readonly Action[],
  shop: ShopPrices,
  { most = MOST_IN_PLAN }: PlanOptions = {},
): Decision {
  const actions = worthPlanning({ space, left }, all, shop);
  const cost = new PlanCost(space, left, actions, shop);
  const made = (visits: Visits): Plan => ({
    visits: visits.map((each) => each.map((a) => nth(actions, a))),
    ...cost.of(visits),
  });
  const nothing = made([]);
  let best: { visits: Visits; cost: number } = { visits: [], cost: nothing.cost };
  let [single, set] = [best, best];
  for (const visits of waysOf(actions.length, most)) {
    const { cost: money } = cost.of(visits);
    if (money < best.cost) best = { visits, cost: money };
    if (money < single.cost && visits.every(({ length }) => length === 1))
      single = { visits, cost: money };
    if (money < set.cost && visits.length === 1) set = { visits, cost: money };
  }
  return {
    best: made(best.visits),
    oneAtATime: made(single.visits),
    asASet: made(set.visits),
    nothing,
  };
}

/**
 * What a first visit is expected to cost with the best that can follow it.
 * @param first - Ids of its actions; of an unknown one nothing is known.
 * @returns undefined where an action is not among those that can be done.
 */
export function startingWith(
  { space, left }: Pick<Inference, 'space' | 'left'>,
  all: readonly Action[],
  shop: ShopPrices,
  first: readonly string[],
): Plan | undefined {
  const begun = first.flatMap((id) => all.find((action) => action.id === id) ?? []);
  if (begun.length < first.length) return undefined;
  const rest = worthPlanning({ space, left }, all, shop).filter(({ id }) => !first.includes(id));
  const actions = [...begun, ...rest];
  const cost = new PlanCost(space, left, actions, shop);
  const start: Visits = begun.length === 0 ? [] : [begun.map((_, i) => i)];
  const after = waysOf(rest.length, Math.max(1, MOST_IN_PLAN - begun.length)).map((visits) =>
    visits.map((visit) => visit.map((a) => a + begun.length)),
  );
  const best = [[], ...after]
    .map((visits): Visits => [...start, ...visits])
    .map((visits) => ({ visits, ...cost.of(visits) }))
    .reduce((least, each) => (each.cost < least.cost ? each : least));
  return { ...best, visits: best.visits.map((visit) => visit.map((a) => nth(actions, a))) };
}

/** What given plans cost. @param plans - Visits with the ids of actions. @throws {UnknownReferenceError} */
export function pricePlans(
  { space, left }: Pick<Inference, 'space' | 'left'>,
  actions: readonly Action[],
  shop: ShopPrices,
  plans: readonly (readonly (readonly string[])[])[],
): PlanFigures[] {
  const cost = new PlanCost(space, left, actions, shop);
  return plans.map((plan, i) =>
    cost.of(
      plan.map((visit) =>
        visit.map((id) => {
          const at = actions.findIndex((action) => action.id === id);
          if (at < 0) throw new UnknownReferenceError(`there is no action “${id}”`, `/plans/${i}`);
          return at;
        }),
      ),
    ),
  );
}

export function worthPlanning(
  { space, left }: Pick<Inference, 'space' | 'left'>,
  actions: readonly Action[],
  { rate }: ShopPrices,
): readonly Action[] {
  if (actions.length <= LOOKED_AT) return actions;
  const chance = ({ cures }: Action) =>
    space.hypotheses.reduce(
      (sum, { faults }, h) =>
        sum +
        (faults.length === 0
          ? 0
          : left[h]! * Math.max(...faults.map((f) => cures[nth(space.model.faults, f).id] ?? 0))),
      0,
    );
  const worth = (action: Action) =>
    chance(action) / Math.max(1, action.material + (action.paid * rate) / 60);
  const kept = new Set([...actions].sort((a, b) => worth(b) - worth(a)).slice(0, LOOKED_AT));
  return actions.filter((action) => kept.has(action));
}

const ways = new Map<string, readonly Visits[]>();

/** Every way of dealing one to `most` of so many actions into visits that follow each other; made once. */
export function waysOf(count: number, most: number): readonly Visits[] {
  const key = `${count} ${most}`;
  const known = ways.get(key);
  if (known) return known;
  const made: Visits[] = [];
  const choose = (from: number, chosen: readonly number[]) => {
    if (chosen.length > 0) made.push(...dealt(chosen));
    if (chosen.length === most) return;
    for (let a = from; a < count; a += 1) choose(a + 1, [...chosen, a]);
  };
  choose(0, []);
  ways.set(key, made);
  return made;
}

/** Ordered partitions: each non-empty subset as the first visit, and every way of the rest after it. */
function dealt(actions: readonly number[]): Visits[] {
  if (actions.length === 0) return [[]];
  const found: Visits[] = [];
  for (let mask = 1; mask < 1 << actions.length; mask += 1) {
    const first = actions.filter((_, i) => mask & (1 << i));
    const rest = actions.filter((_, i) => !(mask & (1 << i)));
    for (const after of dealt(rest)) found.push([first, ...after]);
  }
  return found;
}
