/**
 * A turn's steps, for the next turn to step there too. Steps of its own would end each store a little elsewhere
 * every time, and that trembling looks like a way that does not end: turns that step alike differ by where they
 * begin, and by nothing else. What each step missed is kept with its moment: where a junction turned on or off
 * it does so again.
 */
import { abs } from '../arithmetic';
import type { Solution } from '../elements/device';
import { nth } from '../../numeric/nth';
import type { System } from './system';
import type { Missed, Trodden } from './transient';

/** So near two turns must begin for the steps of one to do for the other, in ways that are near. */
const ALIKE = 1;
/** So many more steps than the first way had, and a new one is trodden. */
const TANGLED = 1.3;
/** Two moments are one, as a share of the turn. */
const ONE = 1e-9;

/** The steps of a turn. */
export interface Prints extends Trodden {
  /** Names of the unknowns that bend: what was missed serves circuits that have the same. */
  readonly unknowns: readonly string[];
}

/** What bends in a system, as it gives it. */
type Bending = Pick<System, 'bending'> & {
  readonly unknowns: { readonly names: readonly string[] };
};

export class Footprints {
  readonly #bends: Int32Array;
  readonly #unknowns: readonly string[];
  #taken: number[] = [];
  #missed: (Missed | undefined)[] = [];
  #last: Prints | undefined;
  #first: number;
  #again = false;

  /** @param before - Of a circuit much like this one, in its last turn. */
  constructor({ bending, unknowns: { names } }: Bending, before?: Prints) {
    const unknowns = Array.from(bending, (i) => nth(names, i));
    this.#bends = bending;
    this.#unknowns = unknowns;
    this.#last = before && {
      ...before,
      missed: alike(before.unknowns, unknowns) ? before.missed : [],
    };
    this.#first = before?.moments.length ?? 0;
  }

  /**
   * @param after - Since the turn began, s.
   * @param x - Where the step ended.
   * @param ahead - Where it was foretold to.
   */
  take(after: number, x?: Solution, ahead?: Solution): void {
    this.#taken.push(after);
    this.#missed.push(x && ahead && this.#between(ahead, x));
  }

  /** Small beside what it will be added to: half the digits do. */
  #between(from: Solution, to: Solution): Missed {
    const bends = this.#bends;
    const way = new Float32Array(bends.length);
    for (let k = 0; k < way.length; k += 1) {
      const i = bends[k] ?? 0;
      way[k] = (to[i] ?? 0) - (from[i] ?? 0);
    }
    return way;
  }

  /** Undefined where the next turn had better find its own steps. */
  lastTurn(): Prints | undefined {
    return this.#last;
  }

  /** Whether the last turn stepped exactly as the one before it. */
  get again(): boolean {
    return this.#again;
  }

  /** @param unrest - How far its end lies from its beginning, in ways that are near. */
  endTurn(period: number, unrest: number): void {
    const before = this.#last?.moments;
    const taken = this.#taken;
    this.#again =
      before?.length === taken.length &&
      taken.every((after, i) => abs(after - (before[i] ?? 0)) <= ONE * period);
    if (!before) this.#first = taken.length;
    this.#last =
      unrest <= ALIKE && taken.length <= TANGLED * this.#first
        ? { moments: taken, missed: this.#missed, unknowns: this.#unknowns }
        : undefined;
    this.#taken = [];
    this.#missed = [];
  }
}

const alike = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((name, i) => name === b[i]);
