import { abs, max, min } from '../arithmetic';
import { ntcResistance } from '../../curves/ntc';
import { platinumRatio } from '../../curves/platinum';
import type { Element, Temperature } from '../circuit';
import type { Solution, Unknowns } from './device';
import { VariableResistor } from './variable-resistor';

type Thermal = Extract<Element, { kind: 'ntc' | 'rtd' }>;

/** Colder or hotter than any sensor of these trades: an absurd node voltage stays computable. */
const within = (celsius: number) => min(850, max(-100, celsius));

/**
 * NTC thermistor (beta equation) or platinum resistor (IEC 60751). Its temperature is a figure, or
 * the volts of a node, which must not depend on what the sensor itself does.
 */
export class ThermalResistor extends VariableResistor {
  override readonly stamps = 'iterate';
  readonly #ohms: (celsius: number) => number;
  readonly #celsius: (x: Solution) => number;
  readonly #reads: readonly number[];

  constructor(element: Thermal, u: Unknowns) {
    super(element.name, element.nodes, u);
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
  return (x) => x[node]!;
}
