import type { Pattern } from '../solve/pattern';
import { Device, Quad, type AcStamp, type Solution, type Stamp, type Unknowns } from './device';

/** Ohm's law. */
export class Resistor extends Device {
  readonly stamps = 'fixed';
  readonly #p: number;
  readonly #m: number;
  readonly #siemens: number;
  #quad!: Quad;

  constructor(name: string, nodes: readonly [string, string], ohms: number, u: Unknowns) {
    super(name);
    this.#p = u.node(nodes[0]);
    this.#m = u.node(nodes[1]);
    this.#siemens = 1 / ohms;
  }

  bind(pattern: Pattern): void {
    this.#quad = new Quad(pattern, this.#p, this.#m);
  }
  load({ a }: Stamp): void {
    this.#quad.add(a, this.#siemens);
  }
  loadAc({ re }: AcStamp): void {
    this.#quad.add(re, this.#siemens);
  }
  current(x: Solution): number {
    return (x[this.#p]! - x[this.#m]!) * this.#siemens;
  }
}
