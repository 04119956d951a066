import { abs, max } from '../arithmetic';
import type { Pattern } from '../solve/pattern';
import {
  Device,
  Quad,
  STAYED,
  type AcStamp,
  type Moment,
  type Slack,
  type Solution,
  type Stamp,
} from './device';

/** i = f(v) between two nodes, linearised at every iterate. */
export abstract class Nonlinear extends Device {
  readonly stamps = 'iterate';
  protected p = 0;
  protected m = 0;
  #quad!: Quad;
  /** The tangent that the last solution was found with. */
  #v = 0;
  #i = 0;
  #g = 0;

  /** Amps and siemens at these volts. The volts may be limited; then the answer is for the limited. */
  protected abstract at(volts: number, at: Moment | undefined): { i: number; g: number; v: number };

  bind(pattern: Pattern): void {
    this.#quad = new Quad(pattern, this.p, this.m);
  }
  override still(_before: Solution, now: Solution, slack: Slack): boolean {
    const is = (now[this.p] ?? 0) - (now[this.m] ?? 0);
    const moved = is - this.#v;
    if (abs(moved) <= slack.volts + STAYED * abs(is)) return true;
    // Moved, but along its tangent: a diode that blocks may do so at any voltage.
    const foretold = this.#i + this.#g * moved;
    const { i } = this.at(is, undefined);
    return abs(i - foretold) <= slack.amps + slack.relative * max(abs(i), abs(foretold));
  }
  load({ a, b }: Stamp, x: Solution, at: Moment): void {
    const { i, g, v } = this.at((x[this.p] ?? 0) - (x[this.m] ?? 0), at);
    this.#v = v;
    this.#i = i;
    this.#g = g;
    const rest = i - g * v;
    this.#quad.add(a, g);
    b[this.p] = (b[this.p] ?? 0) - rest;
    b[this.m] = (b[this.m] ?? 0) + rest;
  }
  loadAc({ re }: AcStamp, x: Solution): void {
    this.#quad.add(re, this.at((x[this.p] ?? 0) - (x[this.m] ?? 0), undefined).g);
  }
  current(x: Solution): number {
    return this.at((x[this.p] ?? 0) - (x[this.m] ?? 0), undefined).i;
  }
}
