import type { Pattern } from '../solve/pattern';
import { Device, Quad, type AcStamp, type Solution, type Stamp } from './device';
import { writeNumber as figure } from '../spice/number';
import type { Words } from '../spice/words';
import { OPEN_OHMS, SHORT_OHMS, type AnyTwoPole, type TwoPole } from './element';
import { always, defineElement, needs } from './element-kind';

export interface ResistorElement extends TwoPole<'resistor'> {
  readonly ohms: number;
}

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
    return ((x[this.#p] ?? 0) - (x[this.#m] ?? 0)) * this.#siemens;
  }
}

export const resistor = defineElement<ResistorElement>({
  kind: 'resistor',
  letter: 'r',
  linear: always,
  direct: () => 'passes',
  device: ({ name, nodes, ohms }, u) =>
    new Resistor(name, u.node(nodes[0]), u.node(nodes[1]), ohms),
  withValue: (element, change, above) => ({ ...element, ohms: above(change(element.ohms)) }),
  // A wire of a drawing may be a contact: stuck, it is joined or cut off.
  contact: () => [SHORT_OHMS, OPEN_OHMS],
  built: (element, factor) => ({ ...element, ohms: element.ohms * factor(0.01) }),
  read: (name, words, _model, celsius) => ({
    kind: 'resistor',
    name,
    nodes: words.pair(),
    ohms: resistance(words) * words.coefficient(celsius),
  }),
  write: ({ ohms }, { head }) => [`${head} ${figure(ohms)}`],
});

/** The resistor that a behaviour block changes into another kind. */
export const resistorOf = (element: AnyTwoPole, words: Words): ResistorElement =>
  needs<ResistorElement>('resistor', element, words, 'a resistor (R…)');

function resistance(words: Words): number {
  const ohms = words.figure('its resistance');
  if (ohms === 0) words.fail('a resistance of 0 joins two nodes; give them one name instead');
  if (ohms < 0) words.fail(`its resistance is below zero (${ohms})`);
  return ohms;
}
