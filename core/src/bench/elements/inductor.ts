import type { Pattern } from '../solve/pattern';
import {
  Device,
  type AcStamp,
  type Moment,
  type Solution,
  type Stamp,
  type Unknowns,
} from './device';
import { History } from './history';
import { writeNumber as figure } from '../spice/number';
import type { TwoPole } from './element';
import { always, defineElement, initialIn, initialText } from './element-kind';

/** Amps that Newton's method leaves open. */
const NOISE_AMPS = 2e-9;
/** So small that it never shows; it keeps parallel coils and windings solvable at DC. */
const COIL_OHMS = 1e-6;

export interface InductorElement extends TwoPole<'inductor'> {
  readonly henries: number;
  /** Amps to start with, where a transient starts from these. */
  readonly initial?: number;
}

/** v = L·di/dt, its current an unknown of its own; coupled coils add M·di/dt of each other. */
export class Inductor extends Device {
  readonly stamps = 'step';
  readonly initial: number | undefined;
  readonly henries: number;
  readonly branch: number;
  readonly #p: number;
  readonly #m: number;
  readonly #coupled: { readonly other: Inductor; readonly mutual: number }[] = [];
  readonly #history = new History();
  #slots!: readonly [number, number, number, number, number];
  #others: number[] = [];

  constructor(element: InductorElement, u: Unknowns) {
    super(element.name);
    this.#p = u.node(element.nodes[0]);
    this.#m = u.node(element.nodes[1]);
    this.branch = u.branch(element.name);
    this.henries = element.henries;
    this.initial = element.initial;
  }

  /** Before binding. */
  couple(other: Inductor, mutual: number): void {
    this.#coupled.push({ other, mutual });
  }

  bind(pattern: Pattern): void {
    this.#slots = [
      pattern.slot(this.#p, this.branch),
      pattern.slot(this.#m, this.branch),
      pattern.slot(this.branch, this.#p),
      pattern.slot(this.branch, this.#m),
      pattern.slot(this.branch, this.branch),
    ];
    this.#others = this.#coupled.map(({ other }) => pattern.slot(this.branch, other.branch));
  }

  load({ a, b }: Stamp, _x: Solution, at: Moment): void {
    this.#incidence(a);
    if (at.h === 0) {
      a[this.#slots[4]] = (a[this.#slots[4]] ?? 0) - COIL_OHMS;
      return;
    }
    this.#history.prepare(at);
    const { factor, rest } = this.#history;
    a[this.#slots[4]] = (a[this.#slots[4]] ?? 0) - factor * this.henries;
    for (const [i, { mutual }] of this.#coupled.entries())
      a[this.#others[i] ?? 0] = (a[this.#others[i] ?? 0] ?? 0) - factor * mutual;
    b[this.branch] = (b[this.branch] ?? 0) + rest;
  }
  loadAc({ re, im }: AcStamp, _x: Solution, omega: number): void {
    this.#incidence(re);
    im[this.#slots[4]] = (im[this.#slots[4]] ?? 0) - omega * this.henries;
    for (const [i, { mutual }] of this.#coupled.entries())
      im[this.#others[i] ?? 0] = (im[this.#others[i] ?? 0] ?? 0) - omega * mutual;
  }
  override begin(x: Solution, at: Moment): void {
    this.#history.begin(at.t, this.#flux(x));
  }
  override accept(x: Solution, at: Moment): void {
    this.#history.accept(this.#flux(x), at);
  }
  override longest(x: Solution, at: Moment, tolerance: number): number {
    return this.#history.longest(this.#flux(x), at, tolerance, 1e-6, this.henries * NOISE_AMPS);
  }
  current(x: Solution): number {
    return x[this.branch] ?? 0;
  }

  #flux(x: Solution): number {
    let flux = this.henries * (x[this.branch] ?? 0);
    for (const { other, mutual } of this.#coupled) flux += mutual * (x[other.branch] ?? 0);
    return flux;
  }
  #incidence(a: Float64Array): void {
    a[this.#slots[0]] = (a[this.#slots[0]] ?? 0) + 1;
    a[this.#slots[1]] = (a[this.#slots[1]] ?? 0) - 1;
    a[this.#slots[2]] = (a[this.#slots[2]] ?? 0) + 1;
    a[this.#slots[3]] = (a[this.#slots[3]] ?? 0) - 1;
  }
}

export const inductor = defineElement<InductorElement>({
  kind: 'inductor',
  letter: 'l',
  linear: always,
  direct: () => 'coil',
  device: (element, u) => new Inductor(element, u),
  unknowns: () => 1,
  withValue: (element, change, above) => ({ ...element, henries: above(change(element.henries)) }),
  read: (name, words) => ({
    kind: 'inductor',
    name,
    nodes: words.pair(),
    henries: words.positive('its inductance'),
    ...initialIn(words),
  }),
  write: ({ henries, initial }, { head }) => [`${head} ${figure(henries)}${initialText(initial)}`],
});
