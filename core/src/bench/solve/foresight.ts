/**
 * What turns teach about where they lead. Move the start of a turn and the way that it goes changes: two
 * turns show one such pair, and a few pairs are enough to foretell from one turn where nothing will move
 * any more. A circuit of the same names with slightly other values has nearly the same pairs: what one
 * has learned the next begins with.
 *
 * @see Anderson, “Iterative procedures for nonlinear integral equations”, J. ACM 12 (1965).
 */
import { abs, max, sqrt } from '../arithmetic';
import { nth } from '../../numeric/nth';
import { dot } from './extrapolate';
import type { Prints } from './footprints';
import { SLOWS, type Pass, type State, type Stored } from './stored';

/** One pair, by the names of what stores: the start went so far, and with it the turn's way changed. */
export interface Way {
  readonly start: Stored;
  readonly change: Stored;
  /** Between two turns that stepped alike. */
  readonly exact?: boolean;
}

/** What a circuit held at rest, and what it learned on the way there. */
export interface Rest {
  readonly stored: Stored;
  readonly ways: readonly Way[];
  /** How it stepped in its last turn. */
  readonly prints?: Prints | undefined;
}

/**
 * What it held alone, for a circuit in which something is broken: there the ways are others, and what
 * the whole one soon levels out may leak away for minutes.
 */
export const withoutWays = (rest: Rest | undefined): Rest | undefined =>
  rest && { ...rest, ways: [] };

interface Pair {
  readonly start: State;
  readonly change: State;
  readonly exact: boolean;
}

/** Pairs of a search that are kept, the newest; and of another's. */
const MOST = 8;
/** A change tells something where it is so many times what needs no account; and between turns that stepped alike. */
const TELLS = 5;
const TELLS_EXACT = 0.5;
/** What is left of a change beside the ones before, as a share of its square, to say something new. */
const NEW = 1e-10;

export interface Ahead {
  /** Where nothing would move any more. */
  readonly limit: State;
  /** Whether the pairs account for all of the way that the turn went, and it went less than the one before. */
  readonly explained: boolean;
}

export class Foresight {
  readonly #names: readonly string[];
  readonly #learnt: readonly Pair[];
  readonly #passes: Pass[] = [];

  constructor(names: readonly string[], learnt: readonly Way[] = []) {
    this.#names = names;
    const here = (of: Stored) => Float64Array.from(names, (name) => of.get(name) ?? 0);
    this.#learnt = learnt.map(({ start, change, exact = false }) => ({
      start: here(start),
      change: here(change),
      exact,
    }));
  }

  /** Whether another search left something to begin with. */
  get knows(): boolean {
    return this.#learnt.length > 0;
  }

  add(pass: Pass): void {
    this.#passes.unshift(pass);
    if (this.#passes.length > MOST + 1) this.#passes.pop();
  }

  /**
   * @param sizes - How large each store is, for small and large ones to count alike.
   * @param trifles - What of each store's way needs no account.
   */
  ahead(sizes: State, trifles: State): Ahead {
    const { start, went } = nth(this.#passes, 0);
    const left = Float64Array.from(went, (value, i) => value / (sizes[i] ?? 1));
    const limit = Float64Array.from(start, (value, i) => value + (went[i] ?? 0));
    const seen: { readonly change: State; readonly end: State }[] = [];
    for (const pair of [...this.#own(), ...this.#learnt]) {
      const change = Float64Array.from(pair.change, (value, i) => value / (sizes[i] ?? 1));
      // So far the end of the turn goes with its start.
      const end = Float64Array.from(pair.start, (value, i) => value + (pair.change[i] ?? 0));
      const length = dot(change, change);
      for (const each of seen) {
        const share = dot(each.change, change);
        without(change, each.change, share);
        without(end, each.end, share);
      }
      const fresh = dot(change, change);
      const least = pair.exact ? TELLS_EXACT : TELLS;
      const tells = change.some(
        (value, i) => abs(value * (sizes[i] ?? 1)) > least * (trifles[i] ?? 0),
      );
      if (!(tells && fresh > NEW * length)) continue;
      const scale = 1 / sqrt(fresh);
      for (let i = 0; i < change.length; i += 1) {
        change[i] = (change[i] ?? 0) * scale;
        end[i] = (end[i] ?? 0) * scale;
      }
      seen.push({ change, end });
      const share = dot(change, left);
      without(left, change, share);
      without(limit, end, share);
    }
    const explained = left.every((value, i) => abs(value * (sizes[i] ?? 1)) <= (trifles[i] ?? 0));
    return { limit, explained: explained && this.#slows(trifles) };
  }

  /** What leaks away goes as far in every turn: learned from a circuit that is fed, it would seem at its end. */
  #slows(trifles: State): boolean {
    const [now, before] = this.#passes;
    return (
      !now ||
      !before ||
      now.went.every(
        (value, i) => abs(value) <= max(trifles[i] ?? 0, SLOWS * abs(before.went[i] ?? 0)),
      )
    );
  }

  #own(): Pair[] {
    return this.#passes.slice(1).map((earlier, k): Pair => {
      const later = nth(this.#passes, k);
      return {
        start: minus(later.start, earlier.start),
        change: minus(later.went, earlier.went),
        exact: later.again ?? false,
      };
    });
  }

  /** For the next search, the newest first. */
  ways(): Way[] {
    const named = (of: State): Stored =>
      new Map(this.#names.map((name, i) => [name, of[i] ?? 0] as const));
    return [...this.#own(), ...this.#learnt]
      .slice(0, MOST)
      .map(({ start, change, exact }) => ({ start: named(start), change: named(change), exact }));
  }
}

const minus = (a: State, b: State): State => a.map((value, i) => value - (b[i] ?? 0));

/** Takes a share of one vector out of another. */
function without(from: State, what: State, share: number): void {
  for (let i = 0; i < from.length; i += 1) from[i] = (from[i] ?? 0) - share * (what[i] ?? 0);
}
