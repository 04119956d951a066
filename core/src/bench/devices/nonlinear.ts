import { abs, max } from '../arithmetic';
import type { Pattern } from '../solve/pattern';
import {
  Device,
  Quad,
  stayed,
  type AcStamp,
  type Moment,
  type Solution,
  type Stamp,
} from './device';

/** How far a current may be off its tangent. */
const AMPS = 1e-10;
const RELATIVE = 1e-5;

/** i = f(v) between two nodes, linearised at every iterate. */
export abstract class Nonlinear extends Device {
  readonly stamps = 'iterate';
  protected p = 0;
  protected m = 0;
  #quad!: Quad;

  /** Amps and siemens at these volts. The volts may be limited; then the answer is for the limited. */
  protected abstract at(volts: number, at: Moment | undefined): { i: number; g: number; v: number };

  bind(pattern: Pattern): void {
    this.#quad = new Quad(pattern, this.p, this.m);
  }
  override still(before: Solution, now: Solution, slack: number): boolean {
    if (stayed(before, now, this.p, this.m, slack)) return true;
    // Moved, but along its tangent: a diode that blocks may do so at any voltage.
    const was = before[this.p]! - before[this.m]!;
    const is = now[this.p]! - now[this.m]!;
    const from = this.at(was, undefined);
    const foretold = from.i + from.g * (is - was);
    const { i } = this.at(is, undefined);
    return abs(i - foretold) <= AMPS + RELATIVE * max(abs(i), abs(foretold));
  }
  load({ a, b }: Stamp, x: Solution, at: Moment): void {
    const { i, g, v } = this.at(x[this.p]! - x[this.m]!, at);
    const rest = i - g * v;
    this.#quad.add(a, g);
    b[this.p]! -= rest;
    b[this.m]! += rest;
  }
  loadAc({ re }: AcStamp, x: Solution): void {
    this.#quad.add(re, this.at(x[this.p]! - x[this.m]!, undefined).g);
  }
  current(x: Solution): number {
    return this.at(x[this.p]! - x[this.m]!, undefined).i;
  }
}
