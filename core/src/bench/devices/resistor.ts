import type { Pattern } from '../solve/pattern';
import { Device, Quad, type AcStamp, type Solution, type Stamp } from './device';

/** Ohm's law. */
export class Resistor extends Device {
  readonly stamps = 'fixed';
  readonly #p: number;
  readonly #m: number;
  readonly #siemens: number;
  #quad!: Quad;

  /** Between two unknowns. */
  constructor(name: string, p: number, m: number, ohms: number) {
    super(name);
    this.#p = p;
    this.#m = m;
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
