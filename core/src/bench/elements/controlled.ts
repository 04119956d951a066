/** The four linear controlled sources. Their stamps are fixed. */
import type { Pattern } from '../solve/pattern';
import { Device, Quad, type AcStamp, type Solution, type Stamp, type Unknowns } from './device';
import { writeNumber as figure } from '../spice/number';
import type { Between, TwoPole } from './element';
import { always, defineElement } from './element-kind';

export interface VcvsElement extends TwoPole<'vcvs'> {
  readonly control: Between;
  readonly gain: number;
}
export interface VccsElement extends TwoPole<'vccs'> {
  readonly control: Between;
  readonly siemens: number;
}
export interface CcvsElement extends TwoPole<'ccvs'> {
  /** The voltage source whose current controls it. */
  readonly through: string;
  readonly ohms: number;
}
export interface CccsElement extends TwoPole<'cccs'> {
  readonly through: string;
  readonly gain: number;
}

/** Entries that never change, for any matrix. */
abstract class Fixed extends Device {
  readonly stamps = 'fixed';
  #entries: (readonly [slot: number, value: number])[] = [];

  protected enter(pattern: Pattern, entries: readonly (readonly [number, number, number])[]): void {
    this.#entries = entries.map(([row, column, value]) => [pattern.slot(row, column), value]);
  }
  load({ a }: Stamp): void {
    for (const [slot, value] of this.#entries) a[slot] = (a[slot] ?? 0) + value;
  }
  loadAc({ re }: AcStamp): void {
    for (const [slot, value] of this.#entries) re[slot] = (re[slot] ?? 0) + value;
  }
}

/** E: volts from volts. H: volts from the current of a source. */
export class ControlledVoltage extends Fixed {
  readonly branch: number;
  readonly #p: number;
  readonly #m: number;
  readonly #controls: readonly (readonly [unknown: number, factor: number])[];

  constructor(element: VcvsElement | CcvsElement, u: Unknowns, through: (name: string) => number) {
    super(element.name);
    this.#p = u.node(element.nodes[0]);
    this.#m = u.node(element.nodes[1]);
    this.branch = u.branch(element.name);
    this.#controls =
      element.kind === 'vcvs'
        ? [
            [u.node(element.control[0]), -element.gain],
            [u.node(element.control[1]), element.gain],
          ]
        : [[through(element.through), -element.ohms]];
  }

  bind(pattern: Pattern): void {
    this.enter(pattern, [
      [this.#p, this.branch, 1],
      [this.#m, this.branch, -1],
      [this.branch, this.#p, 1],
      [this.branch, this.#m, -1],
      ...this.#controls.map(([unknown, factor]) => [this.branch, unknown, factor] as const),
    ]);
  }
  current(x: Solution): number {
    return x[this.branch] ?? 0;
  }
}

/** G: amps from volts. */
export class Transconductance extends Device {
  readonly stamps = 'fixed';
  readonly #nodes: readonly [number, number, number, number];
  readonly #siemens: number;
  #quad!: Quad;

  constructor({ name, nodes, control, siemens }: VccsElement, u: Unknowns) {
    super(name);
    this.#nodes = [u.node(nodes[0]), u.node(nodes[1]), u.node(control[0]), u.node(control[1])];
    this.#siemens = siemens;
  }

  bind(pattern: Pattern): void {
    this.#quad = new Quad(pattern, ...this.#nodes);
  }
  load({ a }: Stamp): void {
    this.#quad.add(a, this.#siemens);
  }
  loadAc({ re }: AcStamp): void {
    this.#quad.add(re, this.#siemens);
  }
  current(x: Solution): number {
    return this.#siemens * ((x[this.#nodes[2]] ?? 0) - (x[this.#nodes[3]] ?? 0));
  }
}

/** F: amps from the current of a source. */
export class CurrentGain extends Fixed {
  readonly #p: number;
  readonly #m: number;
  readonly #branch: number;
  readonly #gain: number;

  constructor(
    { name, nodes, through, gain }: CccsElement,
    u: Unknowns,
    find: (n: string) => number,
  ) {
    super(name);
    this.#p = u.node(nodes[0]);
    this.#m = u.node(nodes[1]);
    this.#branch = find(through);
    this.#gain = gain;
  }

  bind(pattern: Pattern): void {
    this.enter(pattern, [
      [this.#p, this.#branch, this.#gain],
      [this.#m, this.#branch, -this.#gain],
    ]);
  }
  current(x: Solution): number {
    return this.#gain * (x[this.#branch] ?? 0);
  }
}

export const vcvs = defineElement<VcvsElement>({
  kind: 'vcvs',
  letter: 'e',
  linear: always,
  direct: () => 'gives-volts',
  device: (element, u, through) => new ControlledVoltage(element, u, through),
  unknowns: () => 1,
  nodes: ({ control }) => control,
  withValue: (element, change) => ({ ...element, gain: change(element.gain) }),
  read: (name, words) => ({
    kind: 'vcvs',
    name,
    nodes: words.pair(),
    control: words.pair(),
    gain: words.figure('its gain'),
  }),
  write: ({ control, gain }, { head }) => [`${head} ${control.join(' ')} ${figure(gain)}`],
});

export const vccs = defineElement<VccsElement>({
  kind: 'vccs',
  letter: 'g',
  linear: always,
  direct: () => 'blocks',
  device: (element, u) => new Transconductance(element, u),
  nodes: ({ control }) => control,
  withValue: (element, change) => ({ ...element, siemens: change(element.siemens) }),
  read: (name, words) => ({
    kind: 'vccs',
    name,
    nodes: words.pair(),
    control: words.pair(),
    siemens: words.figure('its transconductance'),
  }),
  write: ({ control, siemens }, { head }) => [`${head} ${control.join(' ')} ${figure(siemens)}`],
});

export const cccs = defineElement<CccsElement>({
  kind: 'cccs',
  letter: 'f',
  linear: always,
  direct: () => 'blocks',
  device: (element, u, through) => new CurrentGain(element, u, through),
  withValue: (element, change) => ({ ...element, gain: change(element.gain) }),
  read: (name, words) => ({
    kind: 'cccs',
    name,
    nodes: words.pair(),
    through: words.element(),
    gain: words.figure('its gain'),
  }),
  write: ({ through, gain }, { head, of }) => [`${head} ${of(through)} ${figure(gain)}`],
});

export const ccvs = defineElement<CcvsElement>({
  kind: 'ccvs',
  letter: 'h',
  linear: always,
  direct: () => 'gives-volts',
  device: (element, u, through) => new ControlledVoltage(element, u, through),
  unknowns: () => 1,
  withValue: (element, change) => ({ ...element, ohms: change(element.ohms) }),
  read: (name, words) => ({
    kind: 'ccvs',
    name,
    nodes: words.pair(),
    through: words.element(),
    ohms: words.figure('its transresistance'),
  }),
  write: ({ through, ohms }, { head, of }) => [`${head} ${of(through)} ${figure(ohms)}`],
});
