/**
 * What a plan is expected to cost. A plan deals actions into visits; a visit is made where those before it did
 * not mend the machine, the first in any case:
 *
 *     Σ_k R_k·[ visit if anything had to be ordered + downtime·hours + Σ_a (material + minutes·rate/60
 *     + relapse·callback) ] − refunds + R_end·(giveUp + downtime·hours until somebody else has it running)
 *
 * Hours are the longest lead in the visit, else its working time. A part that was returnable, was alone in its
 * visit, did not mend and has no fault goes back, less what the shop keeps.
 */
import type { Space } from '../diagnose/space';
import { InvalidInputError } from '../errors';
import { nth } from '../numeric/nth';
import type { ShopPrices } from '../next/prices';
import type { Action } from './actions';

/** Visits in their order, each with the indexes of its actions. */
export type Visits = readonly (readonly number[])[];

export interface PlanFigures {
  readonly cost: number;
  /** Probability that the machine works after the first visit, or without any. */
  readonly fixedFirstVisit: number;
  readonly fixed: number;
  /** Expected hours without the machine: waiting for what is ordered, else working. */
  readonly hours: number;
}

/** Bits of a set of actions. */
const MOST_ACTIONS = 30;

export class PlanCost {
  readonly #space: Space;
  readonly #left: Float64Array;
  readonly #actions: readonly Action[];
  readonly #shop: ShopPrices;
  /** By action and fault of the model. */
  readonly #cures: readonly Float64Array[];
  readonly #fixed = new Map<number, number>();
  readonly #innocent = new Map<string, number>();

  /** @param left - Probability of each hypothesis now. @throws {InvalidInputError} for too many actions. */
  constructor(space: Space, left: Float64Array, actions: readonly Action[], shop: ShopPrices) {
    if (actions.length > MOST_ACTIONS)
      throw new InvalidInputError(`at most ${MOST_ACTIONS} actions can be planned with`, '/sheet');
    this.#space = space;
    this.#left = left;
    this.#actions = actions;
    this.#shop = shop;
    this.#cures = actions.map(({ cures }) =>
      Float64Array.from(space.model.faults, ({ id }) => cures[id] ?? 0),
    );
  }

  of(visits: Visits): PlanFigures {
    const { rate, giveUp, visit, callback, downtime, handOverHours = 0 } = this.#shop;
    let [cost, done, reached, without] = [0, 0, 1, 0];
    visits.forEach((each) => {
      const actions = each.map((a) => nth(this.#actions, a));
      const lead = Math.max(0, ...actions.map(({ leadHours }) => leadHours));
      const minutes = actions.reduce((sum, action) => sum + action.minutes, 0);
      const paid = actions.reduce((sum, action) => sum + action.paid, 0);
      const work = actions.reduce(
        (sum, { material, relapse }) => sum + material + relapse * callback,
        (paid * rate) / 60,
      );
      const hours = lead > 0 ? lead : minutes / 60;
      without += reached * hours;
      cost += reached * ((lead > 0 ? visit : 0) + downtime * hours + work);
      for (const a of each) done |= 1 << a;
      const [only] = each;
      if (each.length === 1 && nth(actions, 0).refund > 0)
        cost -= nth(actions, 0).refund * this.#wastedOn(only!, done);
      reached = 1 - this.#fixedBy(done);
    });
    if (visits.length === 0) reached = 1 - this.#fixedBy(0);
    const first = visits[0]?.reduce((mask, a) => mask | (1 << a), 0) ?? 0;
    return {
      cost: cost + reached * (giveUp + downtime * handOverHours),
      fixedFirstVisit: this.#fixedBy(first),
      fixed: this.#fixedBy(done),
      hours: without,
    };
  }

  /** Probability that nothing is left after these; a machine that was whole is. */
  #fixedBy(done: number): number {
    const known = this.#fixed.get(done);
    if (known !== undefined) return known;
    const chances = this.#chances(done);
    let sum = 0;
    this.#space.hypotheses.forEach(({ kind, faults }, h) => {
      if (kind !== 'other') sum += this.#left[h]! * mended(faults, chances);
    });
    this.#fixed.set(done, sum);
    return sum;
  }

  /** Probability that it is not mended after these, and that the part of this action has no fault. */
  #wastedOn(action: number, done: number): number {
    const key = `${action} ${done}`;
    const known = this.#innocent.get(key);
    if (known !== undefined) return known;
    const chances = this.#chances(done);
    const own = nth(this.#cures, action);
    let sum = 0;
    this.#space.hypotheses.forEach(({ kind, faults }, h) => {
      if (kind === 'sound' || faults.some((f) => own[f]! > 0)) return;
      sum += this.#left[h]! * (kind === 'other' ? 1 : 1 - mended(faults, chances));
    });
    this.#innocent.set(key, sum);
    return sum;
  }

  /** By fault; of several cures the largest holds. */
  #chances(done: number): Float64Array {
    const chances = new Float64Array(this.#space.model.faults.length);
    this.#cures.forEach((cures, a) => {
      if (done & (1 << a))
        cures.forEach((chance, f) => (chances[f] = Math.max(chances[f]!, chance)));
    });
    return chances;
  }
}

const mended = (faults: readonly number[], chances: Float64Array): number =>
  faults.reduce((all, f) => all * chances[f]!, 1);
