import { abs, min, sign } from '../arithmetic';
import type { Unknowns } from './device';
import { Nonlinear } from './nonlinear';
import { writeNumber as figure } from '../spice/number';
import type { TwoPole } from './element';
import { defineElement, never } from './element-kind';
import { resistorOf } from './resistor';

/** i = 1 mA · (v / volts)^alpha either way, beside a leak of `ohms`. */
export interface VaristorElement extends TwoPole<'varistor'> {
  readonly ohms: number;
  readonly volts: number;
  readonly alpha: number;
}

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

  constructor(element: VaristorElement, u: Unknowns) {
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

export const varistor = defineElement<VaristorElement>({
  kind: 'varistor',
  letter: 'r',
  linear: never,
  direct: () => 'passes',
  device: (element, u) => new Varistor(element, u),
  withValue: (element, change, above) => ({ ...element, ohms: above(change(element.ohms)) }),
  block: {
    word: 'varistor',
    read(element, words) {
      const { name, nodes, ohms } = resistorOf(element, words);
      const alpha = words.positive('alpha', words.namedOr('alpha', 30));
      if (alpha > 100) words.fail(`alpha is 100 at most; this is ${alpha}`);
      const volts = words.positive('volts', words.demand('volts'));
      return { kind: 'varistor', name, nodes, ohms, volts, alpha };
    },
  },
  write: ({ ohms, volts, alpha }, { name, head }) => [
    `${head} ${figure(ohms)}`,
    `*@ varistor ${name} volts=${figure(volts)} alpha=${figure(alpha)}`,
  ],
});
