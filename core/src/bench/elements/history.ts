/**
 * Capacitors and coils. Trapezoidal companion models; the first step after a jump is backward Euler,
 * which does not ring. The step length follows the local truncation error of the charge (or flux).
 *
 * @see Nagel, SPICE2: A Computer Program to Simulate Semiconductor Circuits (1975), section 4.
 */
import { abs, max, min, sqrt } from '../arithmetic';
import type { Moment } from './device';

/** SPICE's factor: how far the estimated error may exceed the tolerance before a step is cut. */
const OVERESTIMATE = 7;

/** Charge over volts, or flux over amps, through the last accepted moments. */
export class History {
  /** The stored quantity and its rate (amps, or volts) at the last accepted moment. */
  stored = 0;
  rate = 0;
  #past: Point[] = [];

  begin(t: number, stored: number, rate = 0): void {
    this.stored = stored;
    this.rate = rate;
    this.#past = [{ t, stored }];
  }

  /** Rate at the end of a step that ends with `stored`. */
  rateAt(stored: number, { h, method }: Moment): number {
    const slope = (stored - this.stored) / h;
    return method === 'euler' ? slope : 2 * slope - this.rate;
  }

  accept(stored: number, at: Moment): void {
    this.rate = this.rateAt(stored, at);
    this.stored = stored;
    // Points before a jump say nothing of the curve after it.
    if (at.method === 'euler') this.#past.length = min(1, this.#past.length);
    this.#past.unshift({ t: at.t, stored });
    if (this.#past.length > 3) this.#past.length = 3;
  }

  /**
   * @param relative - Tolerance of the rate.
   * @param floor - Rate below which nothing matters.
   * @returns the step that the estimated error allows, s.
   */
  longest(stored: number, at: Moment, relative: number, floor: number, least: number): number {
    const [one, two, three] = this.#past;
    if (at.method === 'euler' || !one || !two || !three) return Infinity;
    const third = dividedDifference({ t: at.t, stored }, one, two, three);
    const rate = this.rateAt(stored, at);
    const tolerance = max(
      floor + relative * max(abs(rate), abs(this.rate)),
      (relative * max(abs(stored), abs(this.stored), least)) / at.h,
    );
    // Truncation error of the trapezoidal rule: h³/12 of the third derivative, six times this.
    const error = max(abs(third) / 2, 1e-300);
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
