import { abs, max, min } from '../arithmetic';
import { ntcResistance } from '../../curves/ntc';
import { platinumRatio } from '../../curves/platinum';
import type { Temperature } from './element';
import type { Device, Solution, Unknowns } from './device';
import { VariableResistor } from './variable-resistor';
import { writeNumber as figure } from '../spice/number';
import type { TwoPole } from './element';
import { always, celsiusText, defineElement } from './element-kind';
import { resistorOf } from './resistor';

export interface NtcElement extends TwoPole<'ntc'> {
  readonly r25: number;
  readonly beta: number;
  readonly celsius: Temperature;
}
export interface RtdElement extends TwoPole<'rtd'> {
  readonly r0: number;
  readonly celsius: Temperature;
}
type Thermal = NtcElement | RtdElement;

/** Colder or hotter than any sensor of these trades: an absurd node voltage stays computable. */
const within = (celsius: number) => min(850, max(-100, celsius));

/**
 * NTC thermistor (beta equation) or platinum resistor (IEC 60751). Its temperature is a figure, or
 * the volts of a node, which must not depend on what the sensor itself does.
 */
export class ThermalResistor extends VariableResistor {
  /** A figure stays as it is. */
  override readonly stamps: Device['stamps'];
  readonly #ohms: (celsius: number) => number;
  readonly #celsius: (x: Solution) => number;
  readonly #reads: readonly number[];

  constructor(element: Thermal, u: Unknowns) {
    super(element.name, element.nodes, u);
    this.stamps = typeof element.celsius === 'number' ? 'fixed' : 'iterate';
    this.#ohms =
      element.kind === 'ntc'
        ? (celsius) => ntcResistance(element.r25, element.beta, celsius)
        : (celsius) => element.r0 * platinumRatio(celsius);
    this.#celsius = reading(element.celsius, u);
    this.#reads = typeof element.celsius === 'number' ? [] : [u.node(element.celsius.node)];
  }

  override get reads(): readonly number[] {
    return this.#reads;
  }
  override still(before: Solution, now: Solution): boolean {
    return abs(this.#celsius(now) - this.#celsius(before)) < 1e-6;
  }
  protected siemens(x: Solution): number {
    return 1 / this.#ohms(within(this.#celsius(x)));
  }
}

function reading(celsius: Temperature, u: Unknowns): (x: Solution) => number {
  if (typeof celsius === 'number') return () => celsius;
  const node = u.node(celsius.node);
  return (x) => x[node] ?? 0;
}

/** Warm from outside: its ohms do not follow the current. */
const linear = always;
/** Share of its value either way, off the reel. */
const USUAL = 0.005;

const nodesOf = ({ celsius }: Thermal) => (typeof celsius === 'object' ? [celsius.node] : []);

export const ntc = defineElement<NtcElement>({
  kind: 'ntc',
  letter: 'r',
  linear,
  direct: () => 'passes',
  device: (element, u) => new ThermalResistor(element, u),
  nodes: nodesOf,
  withValue: (element, change, above) => ({ ...element, r25: above(change(element.r25)) }),
  built: (element, factor) => ({ ...element, r25: element.r25 * factor(USUAL) }),
  block: {
    word: 'ntc',
    read(element, words) {
      const { name, nodes } = resistorOf(element, words);
      const r25 = words.positive('r25', words.demand('r25'));
      const beta = words.positive('beta', words.demand('beta'));
      return { kind: 'ntc', name, nodes, r25, beta, celsius: words.temperature('temp') };
    },
  },
  write: ({ r25, beta, celsius }, { name, head }) => [
    `${head} ${figure(r25)}`,
    `*@ ntc ${name} r25=${figure(r25)} beta=${figure(beta)} temp=${celsiusText(celsius)}`,
  ],
});

export const rtd = defineElement<RtdElement>({
  kind: 'rtd',
  letter: 'r',
  linear,
  direct: () => 'passes',
  device: (element, u) => new ThermalResistor(element, u),
  nodes: nodesOf,
  withValue: (element, change, above) => ({ ...element, r0: above(change(element.r0)) }),
  built: (element, factor) => ({ ...element, r0: element.r0 * factor(USUAL / 5) }),
  block: {
    word: 'rtd',
    read(element, words) {
      const { name, nodes } = resistorOf(element, words);
      const r0 = words.positive('r0', words.demand('r0'));
      return { kind: 'rtd', name, nodes, r0, celsius: words.temperature('temp') };
    },
  },
  write: ({ r0, celsius }, { name, head }) => [
    `${head} ${figure(r0)}`,
    `*@ rtd ${name} r0=${figure(r0)} temp=${celsiusText(celsius)}`,
  ],
});
