/** What a circuit stores, charges and fluxes: how it fares over a turn of the mains, read and set. */
import { abs, max, min } from '../arithmetic';
import { Capacitor } from '../elements/capacitor';
import { Inductor } from '../elements/inductor';
import type { System } from './system';
import { SLOWS, type Pass, type State, type Stored } from './stored';
import { restart } from './transient';
import { nth } from '../../numeric/nth';

/** Share of what went in and out of a store in one turn that is the trembling of the steps. */
const TREMBLING = 2e-4;
/** And share of its size that may be. */
const NOISE = 1e-4;
/** Volts or amps. */
const NOTHING = 1e-6;
/** How much of the step before a step may be, at most: five hundred turns to the end. */
const SLOWEST = 0.998;
/** How far from its end a store may be, as a share of its own size; and of the largest of its kind. */
const NEAR = 1.5e-3;
const NEAR_LARGEST = 1e-5;

/** `never`: it creeps, and would for longer than anyone waits. */
export type Arrival = 'yes' | 'nearly' | 'no' | 'never';

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

/** Of the largest of its kind: the size of a store that holds nothing. */
const SMALLEST = 1e-3;

export class Storage {
  readonly #system: System;
  readonly #capacitors: readonly Capacitor[];
  readonly #coils: readonly Inductor[];
  readonly #turn: Turn[];
  readonly #sizes: Float64Array;

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
    this.#sizes = new Float64Array(this.#turn.length).fill(1);
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
   * Whether what is stored has arrived, however slowly it moves: three turns tell how far it still is
   * from its end.
   * @param patience - How much more is allowed after a long search.
   * @returns `nearly` where that rests on how the last steps of one store shrank, which one turn can feign.
   */
  arrived(patience = 1): Arrival {
    const split = this.#capacitors.length;
    const both = [this.#turn.slice(0, split), this.#turn.slice(split)].map((all) =>
      arrivalOf(all, patience),
    );
    return (['no', 'never', 'nearly'] as const).find((each) => both.includes(each)) ?? 'yes';
  }

  /** Whether every store went clearly less in the last turn than in the one before, or next to nothing. */
  slowing(): boolean {
    const trifles = this.trifles();
    return this.#turn.every(({ start, last, before, turns }, i) => {
      const net = abs(last - start);
      return turns >= 2 && (net <= (trifles[i] ?? 0) || net <= SLOWS * abs(before));
    });
  }

  /**
   * Whether a store went as far as in the turn before, and not by a trifle: it would go on for longer than
   * anyone waits. Two turns can tell where they stepped alike.
   */
  creeping(): boolean {
    const trifles = this.trifles();
    return this.#turn.some(({ start, last, before, turns }, i) => {
      const net = last - start;
      const share = net / before;
      return turns >= 2 && abs(net) > (trifles[i] ?? 0) && share > SLOWEST && share * SLOWEST < 1;
    });
  }

  /** How far the last turn went from its start, the store that went farthest, in ways that are near. */
  unrest(): number {
    const split = this.#capacitors.length;
    return max(unrestOf(this.#turn.slice(0, split)), unrestOf(this.#turn.slice(split)));
  }

  /** Sizes by what the last turn showed. */
  #resize(): void {
    const split = this.#capacitors.length;
    const sizes = this.#turn.map(({ last, variation }) => max(abs(last), variation));
    for (const [from, to] of [
      [0, split],
      [split, sizes.length],
    ] as const) {
      const largest = max(NOTHING, ...sizes.slice(from, to));
      for (let i = from; i < to; i += 1) this.#sizes[i] = max(sizes[i] ?? 0, SMALLEST * largest);
    }
  }

  /** @param anew - A sequence begins: sizes may change. */
  read(anew = false): State {
    if (anew) this.#resize();
    return Float64Array.from(this.#sizes, (size, i) => this.#value(i) / size);
  }

  get names(): string[] {
    return [...this.#capacitors, ...this.#coils].map(({ name }) => name);
  }

  /** Volts and amps by the names of what holds them. */
  named(): Stored {
    return new Map(this.names.map((name, i) => [name, this.#value(i)]));
  }

  /** The last turn: where it began, and how far it went. */
  pass(): Pass {
    return {
      start: Float64Array.from(this.#turn, ({ start }) => start),
      went: Float64Array.from(this.#turn, ({ start, last }) => last - start),
    };
  }

  /** By what the last turn showed. */
  sizes(): State {
    this.#resize();
    return this.#sizes.slice();
  }

  /**
   * Of the last turn's way, what needs no account: the steps' own trembling (a store that goes one way
   * only does not tremble), or so little that the slowest would be near its end with it.
   */
  trifles(): State {
    const split = this.#capacitors.length;
    const of = (all: readonly Turn[]) => {
      const near = nearOf(all);
      return all.map((turn) => max(tremblingOf(turn, 1), (near(turn) * (1 - SLOWEST)) / SLOWEST));
    };
    return Float64Array.from([...of(this.#turn.slice(0, split)), ...of(this.#turn.slice(split))]);
  }

  /** Whether the last turn ended where it began. Where nothing is stored there is nothing to tell it by. */
  closed(): boolean {
    const trifles = this.trifles();
    return (
      this.#turn.length > 0 &&
      this.#turn.every(({ start, last }, i) => abs(last - start) <= (trifles[i] ?? 0))
    );
  }

  /** How far it is from here to another state, the store that has farthest, in ways that are near. */
  reach(state: State): number {
    const split = this.#capacitors.length;
    const of = (all: readonly Turn[], from: number) => {
      const near = nearOf(all);
      return all.reduce(
        (most, turn, i) => max(most, abs((state[from + i] ?? 0) - turn.last) / near(turn) || 0),
        0,
      );
    };
    return max(of(this.#turn.slice(0, split), 0), of(this.#turn.slice(split), split));
  }

  /** Begin with what another circuit of the same names held; what it did not have stays as it is. */
  fill(stored: Stored, t: number): void {
    const all = [...this.#capacitors, ...this.#coils];
    if (!all.some(({ name }) => stored.has(name))) return;
    restart(
      this.#system,
      t,
      new Map<Capacitor | Inductor, number>(
        all.map((each, i) => [each, stored.get(each.name) ?? this.#value(i)]),
      ),
    );
  }

  /** Go on from another state at the moment `t`; switches stay as they are. */
  write(state: State, t: number): void {
    this.set(
      state.map((value, i) => value * (this.#sizes[i] ?? 1)),
      t,
    );
  }

  /** The same, in volts and amps. */
  set(values: State, t: number): void {
    for (const each of this.#turn) each.turns = 0;
    restart(
      this.#system,
      t,
      new Map<Capacitor | Inductor, number>(
        [...this.#capacitors, ...this.#coils].map((each, i) => [each, values[i] ?? 0]),
      ),
    );
  }
}

/** How near a store must be to its end: by its own size, and a little by the largest of its kind. */
function nearOf(all: readonly Turn[]): (turn: Turn) => number {
  const largest = all.reduce((most, { last, variation }) => max(most, abs(last), variation), 0);
  return ({ last, variation }) => NEAR * max(abs(last), variation) + NEAR_LARGEST * largest;
}

/** Of one kind: volts are near or far by the largest volts, amps by the largest amps. */
const tremblingOf = ({ variation }: Turn, patience: number): number =>
  TREMBLING * patience * variation + NOTHING;

function arrivalOf(all: readonly Turn[], patience: number): Arrival {
  const near = nearOf(all);
  let found: Arrival = 'yes';
  for (const turn of all) {
    const net = turn.last - turn.start;
    if (abs(net) <= tremblingOf(turn, patience)) continue;
    // What creeps to its end goes one way: so small a step back and forth is trembling too.
    const creeps = net * turn.before > 0;
    if (turn.turns > 2 && !creeps && abs(net) <= NOISE * max(abs(turn.last), turn.variation)) {
      if (found === 'yes') found = 'nearly';
      continue;
    }
    // The first turns of a new start say little about the slow ways behind the fast ones.
    const ratio = turn.turns < 3 ? SLOWEST : min(abs(net / turn.before), SLOWEST);
    if ((abs(net) * ratio) / (1 - ratio) <= near(turn) * patience) {
      if (found === 'yes' && ratio < SLOWEST) found = 'nearly';
    } else if (turn.turns > 3 && creeps && abs(net) > SLOWEST * abs(turn.before)) found = 'never';
    else return 'no';
  }
  return found;
}

function unrestOf(all: readonly Turn[]): number {
  const near = nearOf(all);
  return all.reduce(
    (most, turn) => max(most, (abs(turn.last - turn.start) - NOTHING) / near(turn) || 0),
    0,
  );
}
