/** What the solver asks of every element. One file per device; each says what it stamps. */
import { abs, max, NEVER } from '../arithmetic';
import type { Pattern } from '../solve/pattern';

/** The moment a stamp is made for. */
export interface Moment {
  /** Seconds. */
  readonly t: number;
  /** Length of the step that ends at `t`, s; 0 for an operating point. */
  readonly h: number;
  /** Gear's of the second order, or backward Euler after a jump. */
  readonly method: 'gear' | 'euler';
  /** Sources are scaled by this while an operating point is being found; 1 otherwise. */
  readonly scale: number;
  /** An operating point that lasts: what works by time has done so. */
  readonly settled: boolean;
  /** Conductance across junctions, S. */
  readonly gmin: number;
}

/** The matrix by slot and the right-hand side by row. The last entry of `b` is ground's and unused. */
export interface Stamp {
  readonly a: Float64Array;
  readonly b: Float64Array;
}

/** Complex: entries of a phasor analysis. */
export interface AcStamp {
  readonly re: Float64Array;
  readonly im: Float64Array;
  readonly bRe: Float64Array;
  readonly bIm: Float64Array;
}

/** Gives out unknowns: nodes by name, and branches of the device's own. */
export interface Unknowns {
  node(name: string): number;
  /** The current of an element as an unknown of its own. */
  branch(name: string): number;
}

/** Voltages and branch currents; the last entry is ground's 0. */
export type Solution = Float64Array;

/** How far a device may be off the tangent it was solved with when Newton's method has arrived. */
export interface Slack {
  /** Volts that are rounding. */
  volts: number;
  readonly amps: number;
  /** Share of the current; less where a start was good. */
  relative: number;
}

export abstract class Device {
  readonly name: string;
  /**
   * `fixed`: stamped once. `step`: once for each step in time. `iterate`: for each step of Newton's
   * method, since its stamp depends on the solution.
   */
  abstract readonly stamps: 'fixed' | 'step' | 'iterate';

  constructor(name: string) {
    this.name = name;
  }

  /** Reserve places in the matrix; every unknown exists by now. */
  abstract bind(pattern: Pattern): void;
  abstract load(into: Stamp, x: Solution, at: Moment): void;
  /** Small-signal stamp about the operating point `x`, at `omega` rad/s. */
  abstract loadAc(into: AcStamp, x: Solution, omega: number): void;
  /** Amps from plus to minus inside the element. */
  abstract current(x: Solution): number;

  /**
   * Whether the point it is linearised about has stopped moving. Differences count, not the nodes
   * themselves: a part of the circuit that only megohms tie down trembles as a whole in its last digits,
   * and nothing hangs on that.
   */
  still(_before: Solution, _now: Solution, _slack: Slack): boolean {
    return true;
  }
  /** Destroyed, as a fuse is meant to be. */
  get blown(): boolean {
    return false;
  }
  /** A Newton step was cut short by this device: not converged yet. */
  limited(): boolean {
    return false;
  }
  /** Unknowns that its stamp depends on beside those it stamps. */
  get reads(): readonly number[] {
    return [];
  }
  /** Newton's method begins at `x`. */
  restart(_x: Solution): void {}
  /** Make ready for an operating point. */
  reset(): void {}
  /** The operating point was found (or given): remember charges, fluxes and states. */
  begin(_x: Solution, _at: Moment): void {}
  /** Volts were set anew, and time goes on from `t`: what it holds follows them. */
  refill(_x: Solution, _t: number): void {}
  /** The step that ends at `at` stands. */
  accept(_x: Solution, _at: Moment): void {}
  /** Whether {@link flip} might change anything; false only where it surely does not. */
  restless(_x: Solution, _at: Moment): boolean {
    return true;
  }
  /** Change a discrete state (open, closed, blown) that contradicts the solution. */
  flip(_x: Solution, _at: Moment): boolean {
    return false;
  }
  /** Whether it has states that {@link flip} changes. */
  get discrete(): boolean {
    return false;
  }
  /** Remember the discrete state. @returns what brings it back. */
  keep(): () => void {
    return () => {};
  }
  /** The longest step that keeps the error of the step just made within bounds, s. */
  longest(_x: Solution, _at: Moment, _tolerance: number): number {
    return NEVER;
  }
  /** Whether it began or ceased to conduct in the step just made: a corner that no rate foretells. */
  bent(_x: Solution): boolean {
    return false;
  }
  /**
   * If everything goes on as it went, where in the coming step it will begin or cease to conduct: a
   * share of the step, 1 where it will not.
   * @param longer - The coming step over the last one.
   */
  willBend(_x: Solution, _ahead: Solution, _longer: number): number {
    return 1;
  }
  /** The next moment after `t` at which it jumps or bends, s. */
  corner(_t: number): number {
    return NEVER;
  }
}

/** Those that have a rule of their own here; the rest need not be asked. */
export function having(
  devices: readonly Device[],
  rule: 'corner' | 'longest' | 'accept' | 'bent',
): readonly Device[] {
  return devices.filter((device) => device[rule] !== Device.prototype[rule]);
}

/** The four slots of a conductance between two nodes. */
export class Quad {
  readonly #pp: number;
  readonly #pm: number;
  readonly #mp: number;
  readonly #mm: number;

  constructor(pattern: Pattern, p: number, m: number, cp = p, cm = m) {
    this.#pp = pattern.slot(p, cp);
    this.#pm = pattern.slot(p, cm);
    this.#mp = pattern.slot(m, cp);
    this.#mm = pattern.slot(m, cm);
  }

  add(a: Float64Array, g: number): void {
    a[this.#pp] = (a[this.#pp] ?? 0) + g;
    a[this.#pm] = (a[this.#pm] ?? 0) - g;
    a[this.#mp] = (a[this.#mp] ?? 0) - g;
    a[this.#mm] = (a[this.#mm] ?? 0) + g;
  }
}

/** Share of a voltage within which it counts as not moved. */
export const STAYED = 1e-5;

/** Whether a voltage between two unknowns stayed where it was. */
export function stayed(
  before: Solution,
  now: Solution,
  p: number,
  m: number,
  slack: number,
): boolean {
  const was = (before[p] ?? 0) - (before[m] ?? 0);
  const is = (now[p] ?? 0) - (now[m] ?? 0);
  return abs(is - was) <= slack + STAYED * max(abs(was), abs(is));
}
