/**
 * Expected cost of repair of a state of belief: the best order of replacing parts one at a time, proving
 * after each, and handing over when nothing left is worth it.
 *
 *     V(A) = min( giveUp · P(not fixed|A), min_p c_p · P(not fixed|A) + V(A ∪ p) )
 *
 * A is what has been replaced. Exact over all subsets of up to {@link MOST_EXACT} parts; where there are more,
 * of those with the most chance for their cost. Everything is linear in the weights of the hypotheses, so that weights that do not
 * sum to one give the cost times their sum: what comes after an outcome needs no normalising. After
 * Heckerman, Breese & Rommelse, "Decision-theoretic troubleshooting", CACM 38 (1995).
 */
import type { Space } from '../diagnose/space';
import { nth } from '../numeric/nth';
import type { PricedPart, Rates } from './prices';

/** Up to so many parts every order is looked at. */
export const MOST_EXACT = 12;

export interface RepairPlan {
  /** Money; of weights that sum to one. */
  readonly cost: number;
  /** Ids of the parts in the order of replacing, until handing over is the better choice. */
  readonly order: readonly string[];
}

/** What an order of repair costs, for whatever weights; made once for a model and its prices. */
export class RepairCost {
  readonly #rates: Rates;
  readonly #parts: readonly { readonly id: string; readonly cost: number }[];
  /** For each hypothesis its terms: [A ∩ mask = ∅] with a sign, whose sum says whether A mends it. */
  readonly #from: Int32Array;
  readonly #masks: Int32Array;
  readonly #signs: Int8Array;

  /**
   * @param parts - In the order of the model.
   * @param weights - By which the likeliest are chosen, where there are more than `most`.
   */
  constructor(
    space: Space,
    parts: readonly PricedPart[],
    rates: Rates,
    weights: Float64Array,
    most = MOST_EXACT,
  ) {
    this.#rates = rates;
    const costOf = (i: number) => {
      const { price = 0, minutes = 0, covered = 0 } = nth(parts, i);
      return price * (1 - covered) + (minutes * rates.rate) / 60;
    };
    const used = worthLookingAt(space, weights, costOf, most);
    this.#parts = used.map((i) => ({ id: nth(parts, i).id, cost: costOf(i) }));
    const bit = new Map(used.map((part, i) => [part, 1 << i]));
    const maskOf = space.carriers.map((each) =>
      each.reduce((mask, i) => mask | (bit.get(i) ?? 0), 0),
    );
    const terms = space.hypotheses.map(({ kind, faults }) =>
      kind === 'other' ? [] : termsOf(faults.map((f) => nth(maskOf, f))),
    );
    this.#from = Int32Array.from([0, ...terms.map(({ length }) => length)]);
    for (let h = 1; h < this.#from.length; h += 1) this.#from[h]! += this.#from[h - 1]!;
    this.#masks = Int32Array.from(terms.flat(), ({ mask }) => mask);
    this.#signs = Int8Array.from(terms.flat(), ({ sign }) => sign);
  }

  /** @param weights - Of each hypothesis that is left, in the order of the space. */
  of(weights: Float64Array): number {
    return nth(this.#values(weights), 0);
  }

  planOf(weights: Float64Array): RepairPlan {
    const values = this.#values(weights);
    const unmended = this.#unmended(weights);
    const order: string[] = [];
    for (let done = 0; ;) {
      const rest = nth(unmended, done);
      const value = nth(values, done);
      if (this.#rates.giveUp * rest <= value) break;
      const next = this.#parts.findIndex(
        ({ cost }, i) => !(done & (1 << i)) && cost * rest + nth(values, done | (1 << i)) <= value,
      );
      if (next < 0) break;
      order.push(nth(this.#parts, next).id);
      done |= 1 << next;
    }
    return { cost: nth(values, 0), order };
  }

  /** V of every set of replaced parts, by bits. */
  #values(weights: Float64Array): Float64Array {
    const values = this.#unmended(weights);
    const { giveUp } = this.#rates;
    const n = this.#parts.length;
    for (let done = values.length - 1; done >= 0; done -= 1) {
      const rest = values[done]!;
      let best = giveUp * rest;
      for (let i = 0; i < n; i += 1)
        if (!(done & (1 << i))) {
          const cost = this.#parts[i]!.cost * rest + values[done | (1 << i)]!;
          if (cost < best) best = cost;
        }
      values[done] = best;
    }
    return values;
  }

  /** Weight of what is still not mended after each set of parts. */
  #unmended(weights: Float64Array): Float64Array {
    const n = this.#parts.length;
    const size = 1 << n;
    const sums = new Float64Array(size);
    let total = 0;
    for (let h = 0; h < weights.length; h += 1) {
      const weight = weights[h]!;
      total += weight;
      for (let k = this.#from[h]!; k < this.#from[h + 1]!; k += 1)
        sums[this.#masks[k]!]! += this.#signs[k]! * weight;
    }
    // Every mask that lies in what is left untouched.
    for (let i = 0; i < n; i += 1)
      for (let set = 0; set < size; set += 1)
        if (set & (1 << i)) sums[set]! += sums[set ^ (1 << i)]!;
    const unmended = new Float64Array(size);
    for (let done = 0; done < size; done += 1)
      unmended[done] = Math.max(0, total - sums[size - 1 - done]!);
    return unmended;
  }
}

/** Parts that mend something, in the order of the model; of too many those with the most chance for their cost. */
function worthLookingAt(
  { carriers, hypotheses, mending }: Space,
  weights: Float64Array,
  costOf: (part: number) => number,
  most: number,
): number[] {
  const used = [...new Set(carriers.flat())].sort((a, b) => a - b);
  if (used.length <= most) return used;
  const chance = new Map<number, number>();
  hypotheses.forEach(({ faults }, h) => {
    if (faults.length === 0) return;
    for (const part of nth(mending, h)) chance.set(part, (chance.get(part) ?? 0) + nth(weights, h));
  });
  const worth = (part: number) => (chance.get(part) ?? 0) / Math.max(1, costOf(part));
  return used
    .sort((a, b) => worth(b) - worth(a))
    .slice(0, most)
    .sort((a, b) => a - b);
}

/** Inclusion and exclusion: every mask is met by A, as a sum of “A meets none of these”. */
function termsOf(masks: readonly number[]): { mask: number; sign: number }[] {
  // What no part takes away is never mended.
  if (masks.includes(0)) return [];
  return masks.reduce(
    (terms, mask) => [
      ...terms,
      ...terms.map((each) => ({ mask: each.mask | mask, sign: -each.sign })),
    ],
    [{ mask: 0, sign: 1 }],
  );
}
