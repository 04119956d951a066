/**
 * What a circuit stores (charges and fluxes), and a guess at where it will end: after every turn of a
 * sine the stored state is a nearly linear function of the one before, so a few turns foretell the
 * state that repeats itself. Slow modes, a hundred turns long, are found in a handful.
 *
 * @see Eddy, “Extrapolating to the limit of a vector sequence” (1979): reduced rank extrapolation.
 */
import { abs, max, min, sqrt } from '../arithmetic';
import { Capacitor } from '../devices/capacitor';
import { Inductor } from '../devices/inductor';
import { restart } from './transient';
import type { System } from './system';

/** Share of what went in and out of a store in one turn that may be left at its end. */
const UNBALANCED = 0.03;
/** Volts or amps. */
const NOTHING = 1e-6;
/** How much of the step before a step may be, at most: five hundred turns to the end. */
const SLOWEST = 0.998;
/** Of the largest voltage: how far from its end anything may be. */
const NEAR = 3e-3;

/** What one store did in the present turn. */
interface Turn {
  start: number;
  last: number;
  /** The sum of all its ways, up and down. */
  variation: number;
  /** Its gain in the turn before. */
  before: number;
  /** Turns since it was set. */
  turns: number;
}

/** Volts of the capacitors and amps of the coils, each times the root of its size: energies compare. */
export type State = Float64Array;

export class Storage {
  readonly #system: System;
  readonly #capacitors: readonly Capacitor[];
  readonly #coils: readonly Inductor[];
  readonly #turn: Turn[];

  constructor(system: System) {
    this.#system = system;
    this.#capacitors = system.devices.filter((each) => each instanceof Capacitor);
    this.#coils = system.devices.filter((each) => each instanceof Inductor);
    this.#turn = [...this.#capacitors, ...this.#coils].map(() => ({
      start: 0,
      last: 0,
      variation: 0,
      before: 0,
      turns: 0,
    }));
  }

  #value(i: number): number {
    const { x } = this.#system;
    const coil = i - this.#capacitors.length;
    return coil < 0 ? this.#capacitors[i]!.volts(x) : this.#coils[coil]!.current(x);
  }

  beginTurn(): void {
    for (const [i, each] of this.#turn.entries()) {
      each.before = each.last - each.start;
      each.turns += 1;
      each.start = this.#value(i);
      each.last = each.start;
      each.variation = 0;
    }
  }

  /** After every step of the turn. */
  watch(): void {
    const turn = this.#turn;
    for (let i = 0; i < turn.length; i += 1) {
      const each = turn[i]!;
      const now = this.#value(i);
      each.variation += abs(now - each.last);
      each.last = now;
    }
  }

  /**
   * Whether what is stored has arrived, however slowly it moves. Either as much went in as came out of
   * it in this turn, or three turns tell how far it still is from its end, and that is not much.
   */
  arrived(): boolean {
    const near = NEAR * this.#largest();
    return this.#turn.every(({ start, last, variation, before, turns }) => {
      const net = last - start;
      if (abs(net) <= UNBALANCED * variation + NOTHING) return true;
      // The first turns of a new start say little about the slow ways behind the fast ones.
      const ratio = turns < 3 ? SLOWEST : min(abs(net / before), SLOWEST);
      return (abs(net) * ratio) / (1 - ratio) <= near;
    });
  }

  #largest(): number {
    return this.#capacitors.reduce((most, each) => max(most, abs(each.volts(this.#system.x))), 0);
  }

  read(): State {
    const { x } = this.#system;
    return Float64Array.from([
      ...this.#capacitors.map((each) => sqrt(each.farads) * each.volts(x)),
      ...this.#coils.map((each) => sqrt(each.henries) * each.current(x)),
    ]);
  }

  /** Go on from another state at the moment `t`; switches stay as they are. */
  write(state: State, t: number): void {
    for (const each of this.#turn) each.turns = 0;
    const split = this.#capacitors.length;
    restart(
      this.#system,
      t,
      new Map<Capacitor | Inductor, number>([
        ...this.#capacitors.map((each, i) => [each, state[i]! / sqrt(each.farads)] as const),
        ...this.#coils.map((each, i) => [each, state[split + i]! / sqrt(each.henries)] as const),
      ]),
    );
  }
}

/**
 * The fixed point that a sequence of states, each made from the one before, is heading for: the mix
 * of the states whose steps cancel best.
 * @param states - At least three.
 * @returns undefined where the steps say nothing.
 */
export function limitOf(states: readonly State[]): State | undefined {
  const steps = states.slice(1).map((state, k) => state.map((value, i) => value - states[k]![i]!));
  const weights = cancelling(steps);
  if (!weights) return undefined;
  const limit = new Float64Array(states[0]!.length);
  for (const [k, weight] of weights.entries())
    for (let i = 0; i < limit.length; i += 1) limit[i]! += weight * states[k + 1]![i]!;
  return limit.every(Number.isFinite) ? limit : undefined;
}

/** Below this share of its own length, squared, a step adds nothing new to the ones after it. */
const DEPENDENT = 1e-18;

/**
 * Weights of sum 1 that make the weighted sum of vectors as short as can be. By Gram and Schmidt on
 * the differences between neighbours, which is enough for a handful.
 */
function cancelling(steps: readonly State[]): number[] | undefined {
  const last = steps.at(-1)!;
  // last + Σ c·(difference) is to be short.
  const differences = steps
    .slice(0, -1)
    .map((step, k) => step.map((v, i) => steps[k + 1]![i]! - v));
  const basis: { readonly q: State; readonly of: number[] }[] = [];
  for (const [k, difference] of differences.entries()) {
    const q = Float64Array.from(difference);
    const of = differences.map((_, j) => Number(j === k));
    const length = dot(q, q);
    for (const each of basis) {
      const share = dot(each.q, q);
      for (let i = 0; i < q.length; i += 1) q[i]! -= share * each.q[i]!;
      for (let j = 0; j < of.length; j += 1) of[j]! -= share * each.of[j]!;
    }
    const left = dot(q, q);
    if (!(left > DEPENDENT * length)) continue;
    const scale = 1 / sqrt(left);
    basis.push({ q: q.map((v) => v * scale), of: of.map((v) => v * scale) });
  }
  if (basis.length === 0) return undefined;
  const c = differences.map(() => 0);
  for (const { q, of } of basis) {
    const share = -dot(q, last);
    for (let j = 0; j < c.length; j += 1) c[j]! += share * of[j]!;
  }
  // last + Σ c_k (s_{k+1} − s_k), sorted by step.
  return steps.map((_, k) => Number(k === steps.length - 1) + (c[k - 1] ?? 0) - (c[k] ?? 0));
}

function dot(a: State, b: State): number {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += a[i]! * b[i]!;
  return sum;
}
