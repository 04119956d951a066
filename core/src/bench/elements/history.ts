/**
 * What capacitors, coils and junctions hold, over time. Gear's rule of the second order: the rate at the
 * end of a step is the slope there of the parabola through the last three moments. Unlike the
 * trapezoidal rule it forgets: a current that a diode cuts off does not ring from step to step. The first
 * step after a jump is backward Euler. The step length follows the local truncation error of the charge
 * (or flux).
 *
 * @see Nagel, SPICE2: A Computer Program to Simulate Semiconductor Circuits (1975), section 4; Gear,
 *   Numerical Initial Value Problems in Ordinary Differential Equations (1971).
 */
import { abs, max, min, sqrt, NEVER } from '../arithmetic';
import type { Moment } from './device';

/** Volts that Newton's method leaves open. */
export const NOISE_VOLTS = 2e-6;
/** SPICE's factor: how far the estimated error may exceed the tolerance before a step is cut. */
const OVERESTIMATE = 7;
/**
 * The tolerance of what is stored beside that of its rate. SPICE takes them for the same, and a bus of
 * 500 V may then be off by more than its ripple.
 */
const OF_STORED = 0.005;

/** Charge over volts, or flux over amps, through the last accepted moments. */
export class History {
  /** The stored quantity at the last accepted moment. */
  stored = 0;
  /** Rate at the end of the step being made: `factor` · stored + `rest`. Set by {@link prepare}. */
  factor = 0;
  rest = 0;
  /**
   * How many of the last moments are known, three at most; the last one, the one before, and the one before that.
   * Plain figures: thousands are taken over in every turn of a mains.
   */
  #known = 0;
  #t1 = 0;
  #t2 = 0;
  #t3 = 0;
  #stored2 = 0;
  #stored3 = 0;

  begin(t: number, stored: number): void {
    this.stored = stored;
    this.#t1 = t;
    this.#known = 1;
  }

  /** Before a step is solved, and before its {@link accept}. */
  prepare({ h, method }: Moment): void {
    if (method === 'euler' || this.#known < 2) {
      this.factor = 1 / h;
      this.rest = -this.stored / h;
      return;
    }
    const r = h / (this.#t1 - this.#t2);
    this.factor = (1 + 2 * r) / ((1 + r) * h);
    this.rest = ((r * r * this.#stored2) / (1 + r) - (1 + r) * this.stored) / h;
  }

  /** Rate at the end of the prepared step, if it ends with `stored`. */
  rateAt(stored: number): number {
    return this.factor * stored + this.rest;
  }

  accept(stored: number, at: Moment): void {
    // Points before a jump say nothing of the curve after it.
    if (at.method === 'euler') this.#known = min(1, this.#known);
    this.#t3 = this.#t2;
    this.#stored3 = this.#stored2;
    this.#t2 = this.#t1;
    this.#stored2 = this.stored;
    this.#t1 = at.t;
    this.stored = stored;
    this.#known = min(3, this.#known + 1);
  }

  /**
   * @param relative - Tolerance of the rate.
   * @param floor - Rate below which nothing matters.
   * @param noise - What Newton's method leaves open of the stored quantity itself.
   * @returns the step that the estimated error allows, s.
   */
  longest(stored: number, at: Moment, relative: number, floor: number, noise: number): number {
    if (at.method === 'euler' || this.#known < 3) return NEVER;
    const last = this.#t1 - this.#t2;
    const before = (this.stored - this.#stored2) / last;
    const third = this.#bend(stored, at.t, before);
    const tolerance = max(
      floor + relative * max(abs(this.rateAt(stored)), abs(before)),
      (OF_STORED * relative * max(abs(stored), abs(this.stored)) + noise) / at.h,
    );
    // The slope of a parabola at its end differs from the curve's by h·(h + the step before)·this.
    const error = max(abs(third) * (1 + last / at.h), 1e-300);
    return sqrt((OVERESTIMATE * tolerance) / error);
  }

  /** Newton's third divided difference of the last three points and one more. @param before - Slope of the last step. */
  #bend(stored: number, t: number, before: number): number {
    const now = (stored - this.stored) / (t - this.#t1);
    const earlier = (this.#stored2 - this.#stored3) / (this.#t2 - this.#t3);
    const second = (before - now) / (this.#t2 - t);
    const secondBefore = (earlier - before) / (this.#t3 - this.#t1);
    return (secondBefore - second) / (this.#t3 - t);
  }
}
