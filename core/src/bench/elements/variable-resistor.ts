import type { Pattern } from '../solve/pattern';
import {
  Device,
  Quad,
  type AcStamp,
  type Moment,
  type Solution,
  type Stamp,
  type Unknowns,
} from './device';

/** A resistor whose ohms change: with a state of its own, or with the temperature at a node. */
export abstract class VariableResistor extends Device {
  readonly stamps: Device['stamps'] = 'step';
  protected readonly p: number;
  protected readonly m: number;
  #quad!: Quad;

  constructor(name: string, nodes: readonly [string, string], u: Unknowns) {
    super(name);
    this.p = u.node(nodes[0]);
    this.m = u.node(nodes[1]);
  }

  protected abstract siemens(x: Solution): number;

  bind(pattern: Pattern): void {
    this.#quad = new Quad(pattern, this.p, this.m);
  }
  load({ a }: Stamp, x: Solution, _at: Moment): void {
    this.#quad.add(a, this.siemens(x));
  }
  loadAc({ re }: AcStamp, x: Solution): void {
    this.#quad.add(re, this.siemens(x));
  }
  protected volts(x: Solution): number {
    return (x[this.p] ?? 0) - (x[this.m] ?? 0);
  }
  current(x: Solution): number {
    return this.volts(x) * this.siemens(x);
  }
}
