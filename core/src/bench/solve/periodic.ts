/** What a circuit stores, charges and fluxes: how it fares over a turn of the mains, read and set. */
import { abs, max, min, sqrt } from '../arithmetic';
import { Capacitor } from '../elements/capacitor';
import { Inductor } from '../elements/inductor';
import type { System } from './system';
import { restart } from './transient';
import { nth } from '../../numeric/nth';

/** Share of what went in and out of a store in one turn that may be left at its end. */
const UNBALANCED = 0.03;
/** Volts or amps. */
const NOTHING = 1e-6;
/** How much of the step before a step may be, at most: five hundred turns to the end. */
const SLOWEST = 0.998;
/** How far from its end anything may be, as a share of the largest of its kind. */
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

/** Of a capacitor or coil that a fault has made nothing of, 1. */
const weight = (size: number) => sqrt(size) || 1;

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
    return coil < 0 ? nth(this.#capacitors, i).volts(x) : nth(this.#coils, coil).current(x);
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
      const each = nth(turn, i);
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
    const split = this.#capacitors.length;
    return haveArrived(this.#turn.slice(0, split)) && haveArrived(this.#turn.slice(split));
  }

  read(): State {
    const { x } = this.#system;
    return Float64Array.from([
      ...this.#capacitors.map((each) => weight(each.farads) * each.volts(x)),
      ...this.#coils.map((each) => weight(each.henries) * each.current(x)),
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
        ...this.#capacitors.map(
          (each, i) => [each, (state[i] ?? 0) / weight(each.farads)] as const,
        ),
        ...this.#coils.map(
          (each, i) => [each, (state[split + i] ?? 0) / weight(each.henries)] as const,
        ),
      ]),
    );
  }
}

/** Of one kind: volts are near or far by the largest volts, amps by the largest amps. */
function haveArrived(all: readonly Turn[]): boolean {
  const largest = all.reduce((most, { last, variation }) => max(most, abs(last), variation), 0);
  return all.every(({ start, last, variation, before, turns }) => {
    const net = last - start;
    if (abs(net) <= UNBALANCED * variation + NOTHING) return true;
    // The first turns of a new start say little about the slow ways behind the fast ones.
    const ratio = turns < 3 ? SLOWEST : min(abs(net / before), SLOWEST);
    return (abs(net) * ratio) / (1 - ratio) <= NEAR * largest;
  });
}
