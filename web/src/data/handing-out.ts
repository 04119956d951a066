/**
 * Which draw a worker is given next. A worker stays with a fault as long as it has draws left: it has solved
 * that fault's machine as drawn, from which every draw of it begins, and another would solve it once more.
 */
import type { Draw } from '@jeitinho/core/bench';

export class HandingOut {
  /** Draws left, by fault; those that nobody has begun come first to who has none. */
  readonly #left = new Map<string, Draw[]>();
  readonly #begun = new Set<string>();

  constructor(draws: readonly Draw[]) {
    for (const each of draws) {
      const same = this.#left.get(each.fault);
      if (same) same.push(each);
      else this.#left.set(each.fault, [each]);
    }
  }

  /** @param last - The fault that the worker is at. @returns undefined where nothing is left. */
  next(last: string | undefined): Draw | undefined {
    const fault = last !== undefined && this.#left.has(last) ? last : this.#another();
    if (fault === undefined) return undefined;
    this.#begun.add(fault);
    const draws = this.#left.get(fault) ?? [];
    const draw = draws.shift();
    if (draws.length === 0) this.#left.delete(fault);
    return draw;
  }

  /** One that nobody is at; where all are begun, help with the one that has most left. */
  #another(): string | undefined {
    let most: string | undefined;
    for (const [fault, draws] of this.#left) {
      if (!this.#begun.has(fault)) return fault;
      if (most === undefined || draws.length > (this.#left.get(most) ?? []).length) most = fault;
    }
    return most;
  }
}
