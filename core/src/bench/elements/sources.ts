import type { Phasor, Wave } from './element';
import type { Pattern } from '../solve/pattern';
import {
  Device,
  type AcStamp,
  type Moment,
  type Solution,
  type Stamp,
  type Unknowns,
} from './device';
import { cornerAfter, levelAt } from './wave';
import { writeNumber as figure } from '../spice/number';
import { readSource } from '../spice/sources';
import type { TwoPole } from './element';
import { always, defineElement } from './element-kind';
import { waveText, withLevel } from './wave';

interface Source<K extends string> extends TwoPole<K> {
  readonly wave: Wave;
  readonly ac: Phasor;
  /** Its level by itself, `DC 5 SIN(…)`: for an operating point that is asked for, not for a waveform's start. */
  readonly dc?: number;
}
export type VoltageElement = Source<'voltage'>;
export type CurrentElement = Source<'current'>;

const parts = ({ magnitude, phase }: Phasor) => {
  const angle = (phase * Math.PI) / 180;
  return { re: magnitude * Math.cos(angle), im: magnitude * Math.sin(angle) };
};

/** A voltage between two nodes; its current is an unknown of its own. */
export class VoltageSource extends Device {
  readonly stamps = 'step';
  readonly branch: number;
  readonly wave: Wave;
  readonly #p: number;
  readonly #m: number;
  readonly #ac: Phasor;
  #slots!: readonly [number, number, number, number];

  constructor({ name, nodes, wave, ac }: Source<string>, u: Unknowns) {
    super(name);
    this.#p = u.node(nodes[0]);
    this.#m = u.node(nodes[1]);
    this.branch = u.branch(name);
    this.wave = wave;
    this.#ac = ac;
  }

  bind(pattern: Pattern): void {
    this.#slots = [
      pattern.slot(this.#p, this.branch),
      pattern.slot(this.#m, this.branch),
      pattern.slot(this.branch, this.#p),
      pattern.slot(this.branch, this.#m),
    ];
  }
  #incidence(a: Float64Array): void {
    a[this.#slots[0]] = (a[this.#slots[0]] ?? 0) + 1;
    a[this.#slots[1]] = (a[this.#slots[1]] ?? 0) - 1;
    a[this.#slots[2]] = (a[this.#slots[2]] ?? 0) + 1;
    a[this.#slots[3]] = (a[this.#slots[3]] ?? 0) - 1;
  }
  load({ a, b }: Stamp, _x: Solution, { t, scale }: Moment): void {
    this.#incidence(a);
    b[this.branch] = (b[this.branch] ?? 0) + scale * levelAt(this.wave, t);
  }
  loadAc({ re, bRe, bIm }: AcStamp): void {
    this.#incidence(re);
    const { re: real, im } = parts(this.#ac);
    bRe[this.branch] = (bRe[this.branch] ?? 0) + real;
    bIm[this.branch] = (bIm[this.branch] ?? 0) + im;
  }
  override corner(t: number): number {
    return cornerAfter(this.wave, t);
  }
  current(x: Solution): number {
    return x[this.branch] ?? 0;
  }
}

/** A current that flows from plus through the source to minus. */
export class CurrentSource extends Device {
  readonly stamps = 'step';
  readonly #p: number;
  readonly #m: number;
  readonly #wave: Wave;
  readonly #ac: Phasor;
  #amps = 0;

  constructor({ name, nodes, wave, ac }: Source<string>, u: Unknowns) {
    super(name);
    this.#p = u.node(nodes[0]);
    this.#m = u.node(nodes[1]);
    this.#wave = wave;
    this.#ac = ac;
  }

  bind(): void {}
  load({ b }: Stamp, _x: Solution, { t, scale }: Moment): void {
    this.#amps = scale * levelAt(this.#wave, t);
    b[this.#p] = (b[this.#p] ?? 0) - this.#amps;
    b[this.#m] = (b[this.#m] ?? 0) + this.#amps;
  }
  loadAc({ bRe, bIm }: AcStamp): void {
    const { re, im } = parts(this.#ac);
    bRe[this.#p] = (bRe[this.#p] ?? 0) - re;
    bRe[this.#m] = (bRe[this.#m] ?? 0) + re;
    bIm[this.#p] = (bIm[this.#p] ?? 0) - im;
    bIm[this.#m] = (bIm[this.#m] ?? 0) + im;
  }
  override corner(t: number): number {
    return cornerAfter(this.#wave, t);
  }
  current(): number {
    return this.#amps;
  }
}

const sourceText = (
  { wave, dc, ac: { magnitude, phase } }: Source<string>,
  head: string,
): string[] => {
  const level = dc === undefined ? '' : ` dc ${figure(dc)}`;
  const ac = magnitude || phase ? ` ac ${figure(magnitude)} ${figure(phase)}` : '';
  return [`${head}${level} ${waveText(wave)}${ac}`];
};

export const voltage = defineElement<VoltageElement>({
  kind: 'voltage',
  letter: 'v',
  linear: always,
  direct: () => 'gives-volts',
  device: (element, u) => new VoltageSource(element, u),
  unknowns: () => 1,
  withValue: (element, change) => ({ ...element, wave: withLevel(element.wave, change) }),
  read: (name, words) => ({ kind: 'voltage', name, nodes: words.pair(), ...readSource(words) }),
  write: (element, { head }) => sourceText(element, head),
});

export const current = defineElement<CurrentElement>({
  kind: 'current',
  letter: 'i',
  linear: always,
  direct: () => 'blocks',
  device: (element, u) => new CurrentSource(element, u),
  withValue: (element, change) => ({ ...element, wave: withLevel(element.wave, change) }),
  read: (name, words) => ({ kind: 'current', name, nodes: words.pair(), ...readSource(words) }),
  write: (element, { head }) => sourceText(element, head),
});
