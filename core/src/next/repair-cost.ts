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
import type { Spoken } from '../diagnose/likelihood';
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

/** Weights of hypotheses, with what the cost of their repair is reckoned from. */
export interface Base {
  readonly weights: Float64Array;
  /** By mask: how much weight of it nothing of the mask mends, signs and all. */
  readonly sums: Float64Array;
  readonly total: number;
}

/** What an order of repair costs, for whatever weights; made once for a model and its prices. */
export class RepairCost {
  readonly #rates: Rates;
  readonly #ids: readonly string[];
  /** Money, by part. */
  readonly #costs: Float64Array;
  readonly #terms: Terms;
  /** Written over at every asking: hundreds are asked about in a breath. */
  readonly #scratch: Float64Array;
  readonly #values: Float64Array;

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
    this.#ids = used.map((i) => nth(parts, i).id);
    this.#costs = Float64Array.from(used, costOf);
    this.#terms = termsFor(space, used);
    this.#scratch = new Float64Array(1 << used.length);
    this.#values = new Float64Array(1 << used.length);
  }

  /** @param weights - Of each hypothesis that is left, in the order of the space. */
  of(weights: Float64Array): number {
    const { sums, total } = this.base(weights);
    return this.#valueOf(sums, total);
  }

  /** Weights, prepared to be asked about again and again with a finding more. */
  base(weights: Float64Array): Base {
    const sums = new Float64Array(1 << this.#ids.length);
    let total = 0;
    for (let h = 0; h < weights.length; h += 1) {
      total += weights[h]!;
      this.#add(sums, h, weights[h]!);
    }
    return { weights, sums, total };
  }

  /** What it costs once a finding is known: of weights times its probability. */
  after({ weights, sums, total }: Base, { silent, at, p }: Spoken): number {
    const scaled = this.#scratch;
    for (let i = 0; i < sums.length; i += 1) scaled[i] = sums[i]! * silent;
    let sum = total * silent;
    for (let i = 0; i < at.length; i += 1) {
      const h = at[i]!;
      const more = (p[i]! - silent) * weights[h]!;
      sum += more;
      this.#add(scaled, h, more);
    }
    return this.#valueOf(scaled, sum);
  }

  #add(sums: Float64Array, h: number, weight: number): void {
    const { from, masks, signs } = this.#terms;
    const end = from[h + 1]!;
    for (let k = from[h]!; k < end; k += 1) sums[masks[k]!]! += signs[k]! * weight;
  }

  planOf(weights: Float64Array): RepairPlan {
    const base = this.base(weights);
    const unmended = this.#unmended(
      base.sums.slice(),
      base.total,
      new Float64Array(base.sums.length),
    );
    this.#valueOf(base.sums.slice(), base.total);
    const values = this.#values;
    const order: string[] = [];
    for (let done = 0; ;) {
      const unfixed = nth(unmended, done);
      const value = nth(values, done);
      if (this.#rates.giveUp * unfixed <= value) break;
      // Of equal ways the one that mends most: what costs nothing and mends nothing is no way.
      const ways = this.#ids
        .map((_, i) => ({ i, total: nth(this.#costs, i) * unfixed + nth(values, done | (1 << i)) }))
        .filter(({ i, total }) => !(done & (1 << i)) && total <= value);
      if (ways.length === 0) break;
      const { i: next } = ways.reduce((a, b) =>
        nth(unmended, done | (1 << b.i)) < nth(unmended, done | (1 << a.i)) ? b : a,
      );
      order.push(nth(this.#ids, next));
      done |= 1 << next;
    }
    return { cost: nth(values, 0), order };
  }

  /**
   * V of every set of replaced parts, by bits, into the values; that of none. The largest set first: all that
   * a set could become is known then.
   * @param sums - Written over.
   */
  #valueOf(sums: Float64Array, total: number): number {
    const values = this.#unmended(sums, total, this.#values);
    const { giveUp } = this.#rates;
    const costs = this.#costs;
    const all = values.length - 1;
    for (let done = all; done >= 0; done -= 1) {
      const left = values[done]!;
      let least = giveUp * left;
      for (let free = all & ~done; free !== 0; free &= free - 1) {
        const bit = free & -free;
        const way = costs[31 - Math.clz32(bit)]! * left + values[done | bit]!;
        if (way < least) least = way;
      }
      values[done] = least;
    }
    return values[0]!;
  }

  /** Weight of what is still not mended after each set of parts. @param sums - Written over. */
  #unmended(sums: Float64Array, total: number, into: Float64Array): Float64Array {
    const size = sums.length;
    // Every mask that lies in what is left untouched.
    for (let bit = 1; bit < size; bit <<= 1)
      for (let set = bit; set < size; set = (set + 1) | bit) sums[set]! += sums[set ^ bit]!;
    for (let done = 0; done < size; done += 1) {
      const rest = total - sums[size - 1 - done]!;
      into[done] = rest > 0 ? rest : 0;
    }
    return into;
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

/**
 * For each hypothesis its terms, from `from[h]` to `from[h + 1]`: [A ∩ mask = ∅] with a sign, whose sum says
 * whether A mends it.
 */
interface Terms {
  readonly from: Int32Array;
  readonly masks: Int32Array;
  readonly signs: Int8Array;
}

const prepared = new WeakMap<Space, Map<string, Terms>>();

/** Made once for a space and the parts that are looked at. */
function termsFor(space: Space, used: readonly number[]): Terms {
  const byParts = prepared.get(space) ?? new Map<string, Terms>();
  prepared.set(space, byParts);
  const key = used.join();
  const before = byParts.get(key);
  if (before) return before;
  const bit = new Map(used.map((part, i) => [part, 1 << i]));
  const maskOf = space.carriers.map((each) =>
    each.reduce((mask, i) => mask | (bit.get(i) ?? 0), 0),
  );
  const terms = space.hypotheses.map(({ kind, faults }) =>
    kind === 'other' ? [] : termsOf(faults.map((f) => nth(maskOf, f))),
  );
  const from = Int32Array.from([0, ...terms.map(({ length }) => length)]);
  for (let h = 1; h < from.length; h += 1) from[h]! += from[h - 1]!;
  const made = {
    from,
    masks: Int32Array.from(terms.flat(), ({ mask }) => mask),
    signs: Int8Array.from(terms.flat(), ({ sign }) => sign),
  };
  byParts.set(key, made);
  return made;
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
