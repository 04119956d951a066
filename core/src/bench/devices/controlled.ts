/** The four linear controlled sources. Their stamps are fixed. */
import type { Element } from '../circuit';
import type { Pattern } from '../solve/pattern';
import { Device, Quad, type AcStamp, type Solution, type Stamp, type Unknowns } from './device';

type Of<K extends Element['kind']> = Extract<Element, { kind: K }>;

/** Entries that never change, for any matrix. */
abstract class Fixed extends Device {
  readonly stamps = 'fixed';
  #entries: (readonly [slot: number, value: number])[] = [];

  protected enter(pattern: Pattern, entries: readonly (readonly [number, number, number])[]): void {
    this.#entries = entries.map(([row, column, value]) => [pattern.slot(row, column), value]);
  }
  load({ a }: Stamp): void {
    for (const [slot, value] of this.#entries) a[slot]! += value;
  }
  loadAc({ re }: AcStamp): void {
    for (const [slot, value] of this.#entries) re[slot]! += value;
  }
}

/** E: volts from volts. H: volts from the current of a source. */
export class ControlledVoltage extends Fixed {
  readonly branch: number;
  readonly #element: Of<'vcvs'> | Of<'ccvs'>;
  readonly #p: number;
  readonly #m: number;
  readonly #controls: readonly (readonly [unknown: number, factor: number])[];

  constructor(element: Of<'vcvs'> | Of<'ccvs'>, u: Unknowns, through: (name: string) => number) {
    super(element.name);
    this.#element = element;
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
    return x[this.branch]!;
  }
  get kind(): string {
    return this.#element.kind;
  }
}

/** G: amps from volts. */
export class Transconductance extends Device {
  readonly stamps = 'fixed';
  readonly #nodes: readonly [number, number, number, number];
  readonly #siemens: number;
  #quad!: Quad;

  constructor({ name, nodes, control, siemens }: Of<'vccs'>, u: Unknowns) {
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
    return this.#siemens * (x[this.#nodes[2]]! - x[this.#nodes[3]]!);
  }
}

/** F: amps from the current of a source. */
export class CurrentGain extends Fixed {
  readonly #p: number;
  readonly #m: number;
  readonly #branch: number;
  readonly #gain: number;

  constructor(
    { name, nodes, through, gain }: Of<'cccs'>,
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
    return this.#gain * x[this.#branch]!;
  }
}
