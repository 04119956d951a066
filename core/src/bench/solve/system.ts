/**
 * A circuit ready to be solved: devices, numbered unknowns, one matrix pattern. Modified nodal
 * analysis: a row for each node (Kirchhoff's current law) and for each current that is an unknown.
 *
 * @see Ho, Ruehli, Brennan, “The modified nodal approach to network analysis”, IEEE TCAS-22 (1975).
 */
import { abs, isFinite, min, sqrt } from '../arithmetic';
import { type Circuit } from '../circuit';
import { allNodesOf, definitionOf, isTwoPole, type Element } from '../elements/index';
import { having, type Device, type Moment, type Slack, type Solution } from '../elements/device';
import { Inductor } from '../elements/inductor';
import { NoConvergenceError, SingularCircuitError, TooMuchWorkError } from '../errors';
import { Pattern } from './pattern';
import { StagedLu } from './staged-lu';
import { checkTopology } from './topology';
import { UnknownList } from './unknowns';
import { warmed } from './warmth';
import { nth } from '../../numeric/nth';

/** What a linearisation point may still move when Newton's method has arrived. */
const VOLTS = 1e-6;
/** Of the largest voltage: a node tied down by megohms alone carries the rounding of all others. */
const ROUNDING = 2e-8;
/** Differences of hundreds of volts over milliohms leave about this much rounding. */
const AMPS = 1e-9;
const MOST_ITERATIONS = 80;
/** Of what a junction may leave open, where the start was good: hardly dearer, and turns do not tremble. */
const OF_A_GOOD_START = 0.1;
/** Rounds of switches changing before they are said to chatter. */
const MOST_FLIPS = 40;
/** One iteration costs so much for each, beside the multiplications of its elimination. */
const OF_A_STEP = 150;
const OF_A_DEVICE = 20;
const OF_AN_UNKNOWN = 5;
/** A few seconds. */
const MOST_WORK = 1.2e8;
export const GMIN = 1e-12;

export interface SystemOptions {
  /** Siemens from every node to ground; 0 for a circuit as drawn. */
  readonly air?: number;
  /** How near Newton's method must come. */
  readonly precision?: Precision;
}

interface NewtonOptions {
  readonly more?: number;
  /** Iterations. */
  readonly most?: number;
  /** By unknown; only those that bend are read. */
  readonly start?: Solution;
  /** The start is nearly the end: junctions begin there too, instead of being limited against the present. */
  readonly good?: boolean;
}

export type Precision = Readonly<Omit<Slack, 'volts'>>;
/** For an answer of its own. */
const FINE: Precision = { amps: 1e-10, relative: 1e-5 };

export class System {
  readonly devices: readonly Device[];
  readonly unknowns: UnknownList;
  readonly pattern: Pattern;
  /** The present solution; the last entry is ground's 0. */
  readonly x: Solution;
  readonly #lu: StagedLu;
  readonly #air: number;
  readonly #slack: Slack;
  readonly #relative: number;
  readonly #diagonal: number[] = [];
  readonly #byName = new Map<string, Device>();
  readonly #fixed: Float64Array;
  readonly #stepA: Float64Array;
  readonly #stepB: Float64Array;
  /** What changes with every iteration, by slot and by row. */
  readonly #hot: readonly number[];
  /** Unknowns that something hangs on which is linearised anew in each iteration: a start is told for these. */
  readonly bending: Int32Array;
  readonly #a: Float64Array;
  readonly #b: Float64Array;
  readonly #next: Float64Array;
  /** 1 for currents among the unknowns. */
  readonly #branch: Uint8Array;
  /** Devices that switch. */
  readonly discrete: readonly Device[];
  /** That bend or jump at moments of their own; that limit a step; that begin and cease to conduct; that remember. */
  readonly cornered: readonly Device[];
  readonly storing: readonly Device[];
  readonly junctions: readonly Device[];
  readonly minding: readonly Device[];
  readonly #steps: readonly Device[];
  readonly #iterates: readonly Device[];
  /** The unknown that moved most in the last iteration. */
  #worst = 0;
  #work = 0;

  /** @throws what {@link checkTopology} throws. */
  constructor(circuit: Circuit, { air = 0, precision = FINE }: SystemOptions = {}) {
    checkTopology(circuit, air > 0);
    const elements = warmed(circuit.elements);
    const own = elements.reduce(
      (sum, element) =>
        sum + (isTwoPole(element) ? (definitionOf(element).unknowns?.(element) ?? 0) : 0),
      0,
    );
    this.unknowns = new UnknownList(allNodesOf(elements), own);
    this.#air = air;
    this.#slack = { volts: VOLTS, ...precision };
    this.#relative = precision.relative;
    this.devices = this.#build(elements);
    this.pattern = new Pattern(this.unknowns.size);
    for (let i = 0; i < this.unknowns.size; i += 1)
      this.#diagonal.push(this.unknowns.isBranch[i] ? 0 : this.pattern.slot(i, i));
    this.discrete = this.devices.filter((device) => device.discrete);
    this.cornered = having(this.devices, 'corner');
    this.storing = having(this.devices, 'longest');
    this.junctions = having(this.devices, 'bent');
    this.minding = having(this.devices, 'accept');
    this.#steps = this.devices.filter(({ stamps }) => stamps === 'step');
    this.#iterates = this.devices.filter(({ stamps }) => stamps === 'iterate');
    for (const device of this.devices) if (device.stamps !== 'iterate') device.bind(this.pattern);
    this.#hot = this.pattern.during(() => {
      for (const device of this.#iterates) device.bind(this.pattern);
    });
    const reads = this.#iterates.flatMap((device) => device.reads);
    this.#lu = new StagedLu(this.pattern, this.#hot, reads);
    const { rows, columns } = this.pattern;
    const hangs = new Set<number>();
    for (const slot of this.#hot) hangs.add(nth(rows, slot)).add(nth(columns, slot));
    for (const read of reads) hangs.add(read);
    this.bending = Int32Array.from([...hangs].filter((i) => i < this.unknowns.size));
    this.#branch = new Uint8Array(this.unknowns.size);
    for (let i = 0; i < this.unknowns.size; i += 1)
      this.#branch[i] = this.unknowns.isBranch[i] ? 1 : 0;
    const n = this.unknowns.size + 1;
    this.x = new Float64Array(n);
    this.#next = new Float64Array(n);
    this.#b = new Float64Array(n);
    this.#stepB = new Float64Array(n);
    this.#fixed = new Float64Array(this.pattern.count);
    this.#stepA = new Float64Array(this.pattern.count);
    this.#a = new Float64Array(this.pattern.count);
    const none = new Float64Array(n);
    const at: Moment = { t: 0, h: 0, method: 'euler', scale: 1, settled: true, gmin: 0 };
    for (const device of this.devices)
      if (device.stamps === 'fixed') device.load({ a: this.#fixed, b: none }, this.x, at);
    for (const slot of this.#diagonal)
      if (slot > 0) this.#fixed[slot] = (this.#fixed[slot] ?? 0) + air;
  }

  #build(drawn: readonly Element[]): Device[] {
    // What is referred to by name comes first.
    const elements = [...drawn].sort((a, b) => Number('through' in a) - Number('through' in b));
    const devices: Device[] = [];
    for (const element of elements) {
      if (!isTwoPole(element)) continue;
      const device = definitionOf(element).device(element, this.unknowns, (name) =>
        this.unknowns.branchAt(name),
      );
      devices.push(device);
      this.#byName.set(element.name, device);
    }
    for (const element of elements) {
      if (isTwoPole(element)) continue;
      const [one, two] = element.coils.map((name) => this.#byName.get(name));
      if (!(one instanceof Inductor && two instanceof Inductor)) continue;
      const mutual = element.k * sqrt(one.henries * two.henries);
      one.couple(two, mutual);
      two.couple(one, mutual);
    }
    return devices;
  }

  device(name: string): Device | undefined {
    return this.#byName.get(name);
  }

  /** Volts of a node; undefined where there is none of that name. */
  volts(node: string): number | undefined {
    const index = this.unknowns.indexOf(node);
    return index === undefined ? undefined : (this.x[index] ?? 0);
  }

  /** Volts of a node that is there. @throws {NetlistError} where it is not. */
  voltsAt(node: string): number {
    return this.x[this.unknowns.node(node)] ?? 0;
  }

  /** Amps of every element whose current is an unknown. */
  branches(): { [element: string]: number } {
    const found: { [element: string]: number } = {};
    for (const device of this.devices)
      if (this.unknowns.branchOf(device.name) !== undefined)
        found[device.name] = device.current(this.x);
    return found;
  }

  blownFuses(): string[] {
    return this.devices.filter(({ blown }) => blown).map(({ name }) => name);
  }

  #prepare(at: Moment, more: number): void {
    this.#stepA.set(this.#fixed);
    this.#stepB.fill(0);
    if (more > 0)
      for (const slot of this.#diagonal)
        if (slot > 0) this.#stepA[slot] = (this.#stepA[slot] ?? 0) + more;
    const into = { a: this.#stepA, b: this.#stepB };
    for (const device of this.#steps) device.load(into, this.x, at);
  }

  /**
   * Newton's method from the present solution, which it overwrites.
   * @param start - Where to begin, if elsewhere; junctions are limited against the present unless it is `good`.
   * @param more - Conductance added from every node to ground, S, while a start is being sought.
   * @returns whether it arrived.
   * @throws {SingularCircuitError}
   */
  newton(
    at: Moment,
    { more = 0, most = MOST_ITERATIONS, start, good = false }: NewtonOptions = {},
  ): boolean {
    this.#slack.relative = this.#relative * (good ? OF_A_GOOD_START : 1);
    this.#prepare(at, more);
    this.#work += OF_A_STEP + OF_A_DEVICE * this.devices.length;
    const { x } = this;
    const next = this.#next;
    const into = { a: this.#a, b: this.#b };
    if (start && good) this.#begin(start);
    for (const device of this.#iterates) device.restart(x);
    if (start && !good) this.#begin(start);
    this.#lu.begin(this.#stepA, this.#stepB);
    for (let round = 0; round < most; round += 1) {
      this.#spend();
      for (const slot of this.#hot) into.a[slot] = 0;
      into.b.fill(0);
      for (const device of this.#iterates) device.load(into, x, at);
      const factored = this.#lu.resume(into.a, into.b);
      if (!factored.ok) throw new SingularCircuitError(nth(this.unknowns.names, factored.unknown));
      let finite = this.#lu.solveLate(next);
      // In a step of a transient the voltages hardly change from one iteration to the next.
      const whole = round === 0 || at.h === 0;
      if (whole) finite &&= this.#solveRest(next);
      let arrived = finite && this.#still(x, next);
      if (arrived && !whole) {
        finite = this.#solveRest(next);
        arrived = this.#still(x, next);
      }
      if (!finite || at.h === 0 || round === most - 1) this.#worst = this.#mostMoved(x, next);
      if (!finite) return false;
      x.set(next);
      if (arrived) return true;
    }
    return false;
  }

  /** All else follows from these at once. */
  #begin(start: Solution): void {
    for (const i of this.bending) this.x[i] = start[i] ?? 0;
  }

  /** Counted in what is computed, not in time: the same circuit ends in the same way on every machine. */
  #spend(): void {
    this.#work +=
      OF_A_DEVICE * this.#iterates.length + OF_AN_UNKNOWN * this.unknowns.size + this.#lu.work;
    if (this.#work > MOST_WORK) throw new TooMuchWorkError();
  }

  /** What the iteration left open; and with it the largest voltage, which tells how much is rounding. */
  #solveRest(solution: Solution): boolean {
    const finite = this.#lu.solveEarly(solution);
    let largest = 0;
    for (let i = 0; i < this.unknowns.size; i += 1) {
      const size = abs(solution[i] ?? 0);
      if (size > largest && this.#branch[i] === 0) largest = size;
    }
    this.#slack.volts = VOLTS + ROUNDING * largest;
    return finite;
  }

  /** The unknown that moved most; one that is no number, if there is one. */
  #mostMoved(before: Solution, now: Solution): number {
    let worst = -1;
    let found = 0;
    for (let i = 0; i < this.unknowns.size; i += 1) {
      const ratio =
        abs((now[i] ?? 0) - (before[i] ?? 0)) / (this.#branch[i] === 1 ? AMPS : this.#slack.volts);
      // Written so that a NaN is caught as well.
      if (!(ratio <= worst)) {
        worst = ratio;
        found = i;
        if (!isFinite(now[i] ?? 0)) return i;
      }
    }
    return found;
  }

  #still(before: Solution, now: Solution): boolean {
    for (const device of this.#iterates)
      if (device.limited() || !device.still(before, now, this.#slack)) return false;
    return true;
  }

  get worst(): string {
    return this.unknowns.names[this.#worst] ?? 'nothing';
  }

  /** Let every discrete state follow the solution. @returns whether any changed. */
  flip(at: Moment): boolean {
    let changed = false;
    for (const device of this.discrete) if (device.flip(this.x, at)) changed = true;
    return changed;
  }

  /**
   * The operating point with sources as they stand at `t`: Newton's method, then with conductance to
   * ground that is taken away step by step, then with sources raised step by step; and again until
   * every switch agrees with it.
   * @throws {NoConvergenceError | SingularCircuitError}
   */
  operatingPoint(t = 0, { settled = true, keep = false } = {}): void {
    const at = (scale: number, gmin = GMIN): Moment => ({
      t,
      h: 0,
      method: 'euler',
      scale,
      settled,
      gmin,
    });
    if (!keep) {
      this.x.fill(0);
      for (const device of this.devices) device.reset();
    }
    for (let round = 0; ; round += 1) {
      if (!this.#find(at))
        throw new NoConvergenceError(
          this.worst,
          'operating point',
          'Newton’s method and its fallbacks do not arrive',
        );
      if (!this.flip(at(1))) break;
      if (round >= MOST_FLIPS)
        throw new NoConvergenceError(this.worst, 'operating point', 'a switch or relay chatters');
    }
    for (const device of this.devices) device.begin(this.x, at(1));
  }

  /** Newton's method; and where that fails, from a circuit that leaks to ground, less and less. */
  arrive(at: Moment): boolean {
    if (this.newton(at)) return true;
    // From here on junctions begin anew: the failed try left them anywhere.
    this.x.fill(0);
    let fine = true;
    for (let more = 1e-2; more > 1e-13 && fine; more /= 10) fine = this.newton(at, { more });
    return fine && this.newton(at);
  }

  #find(at: (scale: number, gmin?: number) => Moment): boolean {
    if (this.arrive(at(1))) return true;
    this.x.fill(0);
    let scale = 0;
    let step = 0.1;
    const kept = new Float64Array(this.x.length);
    while (scale < 1 && step > 1e-4) {
      const next = min(1, scale + step);
      if (this.newton(at(next))) {
        kept.set(this.x);
        scale = next;
        step *= 1.5;
      } else {
        this.x.set(kept);
        step /= 4;
      }
    }
    return scale >= 1;
  }

  /** Siemens from every node to ground. */
  get air(): number {
    return this.#air;
  }
}
