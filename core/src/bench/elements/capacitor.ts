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
import { History, NOISE_VOLTS } from './history';
import { writeNumber as figure } from '../spice/number';
import type { TwoPole } from './element';
import { always, defineElement, initialIn, initialText } from './element-kind';

export interface CapacitorElement extends TwoPole<'capacitor'> {
  readonly farads: number;
  /** Volts to start with, where a transient starts from these. */
  readonly initial?: number;
}

/** i = C·dv/dt; open for an operating point. */
export class Capacitor extends Device {
  readonly stamps = 'step';
  readonly initial: number | undefined;
  readonly farads: number;
  readonly #p: number;
  readonly #m: number;
  readonly #history = new History();
  #amps = 0;
  #quad!: Quad;

  constructor(element: CapacitorElement, u: Unknowns) {
    super(element.name);
    this.#p = u.node(element.nodes[0]);
    this.#m = u.node(element.nodes[1]);
    this.farads = element.farads;
    this.initial = element.initial;
  }

  bind(pattern: Pattern): void {
    this.#quad = new Quad(pattern, this.#p, this.#m);
  }

  volts(x: Solution): number {
    return (x[this.#p] ?? 0) - (x[this.#m] ?? 0);
  }

  /** Before a transient from initial values: the charge that it starts with. */
  charge(volts: number, t: number): void {
    this.#history.begin(t, volts * this.farads);
    this.#amps = 0;
  }

  load({ a, b }: Stamp, _x: Solution, at: Moment): void {
    if (at.h === 0) return;
    this.#history.prepare(at);
    const { factor, rest } = this.#history;
    this.#quad.add(a, factor * this.farads);
    b[this.#p] = (b[this.#p] ?? 0) - rest;
    b[this.#m] = (b[this.#m] ?? 0) + rest;
  }
  loadAc({ im }: AcStamp, _x: Solution, omega: number): void {
    this.#quad.add(im, omega * this.farads);
  }
  override begin(x: Solution, at: Moment): void {
    this.charge(this.volts(x), at.t);
  }
  override accept(x: Solution, at: Moment): void {
    const stored = this.volts(x) * this.farads;
    this.#amps = this.#history.rateAt(stored);
    this.#history.accept(stored, at);
  }
  override longest(x: Solution, at: Moment, tolerance: number): number {
    const stored = this.volts(x) * this.farads;
    return this.#history.longest(stored, at, tolerance, 1e-12, this.farads * NOISE_VOLTS);
  }
  /** At the last accepted moment. */
  current(): number {
    return this.#amps;
  }
}

export const capacitor = defineElement<CapacitorElement>({
  kind: 'capacitor',
  letter: 'c',
  linear: always,
  direct: () => 'blocks',
  device: (element, u) => new Capacitor(element, u),
  withValue: (element, change, above) => ({ ...element, farads: above(change(element.farads)) }),
  built: (element, factor) => ({ ...element, farads: element.farads * factor(0.1) }),
  read: (name, words) => ({
    kind: 'capacitor',
    name,
    nodes: words.pair(),
    farads: words.positive('its capacitance'),
    ...initialIn(words),
  }),
  write: ({ farads, initial }, { head }) => [`${head} ${figure(farads)}${initialText(initial)}`],
});
