/** Setting figures the way a technician writes them: `1.95 kΩ`, `0.46 V`, with a thin space. */
import { UNIT_FACTS, type Unit } from './units';
import { nth } from '../numeric/nth';

const THIN_SPACE = '\u2009';
const MINUS = '\u2212';
const STEPS: readonly [factor: number, prefix: string][] = [
  [1e9, 'G'],
  [1e6, 'M'],
  [1e3, 'k'],
  [1, ''],
  [1e-3, 'm'],
  [1e-6, 'µ'],
  [1e-9, 'n'],
  [1e-12, 'p'],
];

export interface Figure {
  /** The digits, with a true minus sign. */
  readonly digits: string;
  /** Prefix and symbol, such as `kΩ`. */
  readonly unit: string;
}

/** Whether a value in this unit reads more naturally without milli: volts and seconds below one. */
function stepsFor(unit: Unit, size: number) {
  if (!UNIT_FACTS[unit].prefixed) return [[1, ''] as [number, string]];
  // A diode drop is 0.46 V on every meter's face, and a shorted lead 0.3 Ω.
  if ((unit === 'V' || unit === 'ohm' || unit === 's') && size >= 0.01 && size < 1)
    return [[1, ''] as [number, string]];
  return STEPS;
}

/**
 * Digits and unit apart, for setting the digits large.
 * @param digits - Significant digits kept at most; defaults to 4. Trailing zeros are dropped.
 */
export function splitQuantity(value: number, unit: Unit, digits = 4): Figure {
  const symbol = UNIT_FACTS[unit].symbol;
  if (value === 0) return { digits: '0', unit: symbol };
  const size = Math.abs(value);
  const rounded = Number(size.toPrecision(digits));
  const steps = stepsFor(unit, rounded);
  const [factor, prefix] =
    steps.find(([step]) => rounded >= step * (1 - 1e-12)) ?? nth(steps, steps.length - 1);
  const scaled = Number((rounded / factor).toPrecision(digits));
  const text = scaled >= 1e6 || scaled < 1e-6 ? scaled.toExponential() : String(scaled);
  return { digits: (value < 0 ? MINUS : '') + text, unit: prefix + symbol };
}

/** How far two figures lie apart: `8 K` between two temperatures, else as the figures themselves. */
export const formatDifference = (value: number, unit: Unit, digits = 4): string =>
  formatQuantity(value, unit, digits).replace(UNIT_FACTS.degC.symbol, 'K');

/** `1.95 kΩ`, with a thin space before the unit. */
export function formatQuantity(value: number, unit: Unit, digits = 4): string {
  const figure = splitQuantity(value, unit, digits);
  return `${figure.digits}${THIN_SPACE}${figure.unit}`;
}
