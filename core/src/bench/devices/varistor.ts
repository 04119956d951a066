import { abs, min, sign } from '../arithmetic';
import type { Element } from '../circuit';
import type { Unknowns } from './device';
import { Nonlinear } from './nonlinear';

/** Beyond this many amps it goes on as a straight line, so that no iterate overflows. */
const STRAIGHT_FROM = 1e4;
/** The current at which a varistor's voltage is stated, A. */
const NOMINAL = 1e-3;

/** i = 1 mA · (|v| / V)^α in either direction, beside its leak. */
export class Varistor extends Nonlinear {
  readonly #volts: number;
  readonly #alpha: number;
  readonly #leak: number;
  readonly #highest: number;

  constructor(element: Extract<Element, { kind: 'varistor' }>, u: Unknowns) {
    super(element.name);
    this.p = u.node(element.nodes[0]);
    this.m = u.node(element.nodes[1]);
    this.#volts = element.volts;
    this.#alpha = element.alpha;
    this.#leak = 1 / element.ohms;
    this.#highest = element.volts * (STRAIGHT_FROM / NOMINAL) ** (1 / element.alpha);
  }

  protected at(v: number) {
    const size = abs(v);
    const knee = min(size, this.#highest);
    const power = NOMINAL * (knee / this.#volts) ** this.#alpha;
    const slope = knee > 0 ? (this.#alpha * power) / knee : 0;
    const amps = power + slope * (size - knee);
    return { i: sign(v) * amps + this.#leak * v, g: slope + this.#leak, v };
  }
}
