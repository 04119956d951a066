/**
 * The moments of a turn's steps, for the next turn to step there too. Steps of its own would end each store a
 * little elsewhere every time, and that trembling looks like a way that does not end: turns that step alike
 * differ by where they begin, and by nothing else.
 */
import { abs } from '../arithmetic';

/** So near two turns must begin for the steps of one to do for the other, in ways that are near. */
const ALIKE = 1;
/** So many more steps than the first way had, and a new one is trodden. */
const TANGLED = 1.3;
/** Two moments are one, as a share of the turn. */
const ONE = 1e-9;

export class Footprints {
  #taken: number[] = [];
  #last: readonly number[] | undefined;
  #first: number;
  #again = false;

  /** @param before - Of a circuit much like this one, in its last turn. */
  constructor(before?: readonly number[]) {
    this.#last = before;
    this.#first = before?.length ?? 0;
  }

  /** @param after - Since the turn began, s. */
  take(after: number): void {
    this.#taken.push(after);
  }

  /** Moments after its beginning, s; undefined where the next turn had better find its own. */
  lastTurn(): readonly number[] | undefined {
    return this.#last;
  }

  /** Whether the last turn stepped exactly as the one before it. */
  get again(): boolean {
    return this.#again;
  }

  /** @param unrest - How far its end lies from its beginning, in ways that are near. */
  endTurn(period: number, unrest: number): void {
    const before = this.#last;
    const taken = this.#taken;
    this.#again =
      before?.length === taken.length &&
      taken.every((after, i) => abs(after - (before[i] ?? 0)) <= ONE * period);
    if (!before) this.#first = taken.length;
    this.#last = unrest <= ALIKE && taken.length <= TANGLED * this.#first ? taken : undefined;
    this.#taken = [];
  }
}
