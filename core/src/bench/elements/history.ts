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
  #past: Point[] = [];

  begin(t: number, stored: number): void {
    this.stored = stored;
    this.#past = [{ t, stored }];
  }

  /** Before a step is solved, and before its {@link accept}. */
  prepare({ h, method }: Moment): void {
    const [one, two] = this.#past;
    if (method === 'euler' || !one || !two) {
      this.factor = 1 / h;
      this.rest = -this.stored / h;
      return;
    }
    const r = h / (one.t - two.t);
    this.factor = (1 + 2 * r) / ((1 + r) * h);
    this.rest = ((r * r * two.stored) / (1 + r) - (1 + r) * one.stored) / h;
  }

  /** Rate at the end of the prepared step, if it ends with `stored`. */
  rateAt(stored: number): number {
    return this.factor * stored + this.rest;
  }

  accept(stored: number, at: Moment): void {
    this.stored = stored;
    // Points before a jump say nothing of the curve after it.
    if (at.method === 'euler') this.#past.length = min(1, this.#past.length);
    this.#past.unshift({ t: at.t, stored });
    if (this.#past.length > 3) this.#past.length = 3;
  }

  /**
   * @param relative - Tolerance of the rate.
   * @param floor - Rate below which nothing matters.
   * @param noise - What Newton's method leaves open of the stored quantity itself.
   * @returns the step that the estimated error allows, s.
   */
  longest(stored: number, at: Moment, relative: number, floor: number, noise: number): number {
    const [one, two, three] = this.#past;
    if (at.method === 'euler' || !one || !two || !three) return NEVER;
    const third = dividedDifference({ t: at.t, stored }, one, two, three);
    const before = (one.stored - two.stored) / (one.t - two.t);
    const tolerance = max(
      floor + relative * max(abs(this.rateAt(stored)), abs(before)),
      (OF_STORED * relative * max(abs(stored), abs(this.stored)) + noise) / at.h,
    );
    // The slope of a parabola at its end differs from the curve's by h·(h + the step before)·this.
    const error = max(abs(third) * (1 + (one.t - two.t) / at.h), 1e-300);
    return sqrt((OVERESTIMATE * tolerance) / error);
  }
}

/** Newton's third divided difference of four points. */
function dividedDifference(a: Point, b: Point, c: Point, d: Point): number {
  const ab = (b.stored - a.stored) / (b.t - a.t);
  const bc = (c.stored - b.stored) / (c.t - b.t);
  const cd = (d.stored - c.stored) / (d.t - c.t);
  const abc = (bc - ab) / (c.t - a.t);
  const bcd = (cd - bc) / (d.t - b.t);
  return (bcd - abc) / (d.t - a.t);
}

interface Point {
  readonly t: number;
  readonly stored: number;
}
