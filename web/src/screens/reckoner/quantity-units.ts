/** The units a quantity is shown in, switched for all at once, and how each relates to SI. */
import { unitSymbol, type Quantity } from '@jeitinho/core';

export interface ShownUnit {
  readonly symbol: string;
  /** SI from shown: `si = shown · factor + offset`. */
  readonly factor: number;
  readonly offset?: number;
}

export const UNIT_CHOICES = {
  temperature: ['°C', '°F'],
  pressure: ['kPa', 'bar', 'psi'],
  altitude: ['m', 'ft'],
} as const;
export type UnitChoices = { [K in keyof typeof UNIT_CHOICES]: (typeof UNIT_CHOICES)[K][number] };

export const START_CHOICES: UnitChoices = { temperature: '°C', pressure: 'kPa', altitude: 'm' };

const PRESSURE: Record<UnitChoices['pressure'], number> = {
  kPa: 1e3,
  bar: 1e5,
  psi: 6894.757293168,
};
const plain = (symbol: string, factor = 1): ShownUnit => ({ symbol, factor });

/** @param size - A value in SI, which decides the prefix of ohms, volts, amps and farads. */
export function shownUnit(quantity: Quantity, choices: UnitChoices, size: number): ShownUnit {
  switch (quantity) {
    case 'temperature':
      return choices.temperature === '°F'
        ? { symbol: '°F', factor: 5 / 9, offset: -160 / 9 }
        : plain('°C');
    case 'temperature-difference':
      return choices.temperature === '°F' ? plain('°F', 5 / 9) : plain('K');
    case 'pressure':
      return plain(choices.pressure, PRESSURE[choices.pressure]);
    case 'altitude':
      return choices.altitude === 'ft' ? plain('ft', 0.3048) : plain('m');
    case 'resistance':
      return prefixed('ohm', size);
    case 'capacitance':
      return prefixed('F', size);
    case 'voltage':
      return plain('V');
    case 'current':
      return prefixed('A', size);
    case 'power':
      return prefixed('W', size);
    case 'frequency':
      return plain('Hz');
    case 'time':
      return size >= 120 ? plain('min', 60) : plain('s');
    case 'percent':
      return plain('%');
    case 'money':
      return plain('R$');
    case 'money-rate':
      return plain('R$/h');
    case 'hours':
      return plain('h');
    case 'months':
      return plain('months');
    case 'ratio':
    case 'count':
      return plain('');
    default:
      quantity satisfies never;
      return plain('');
  }
}

const STEPS: readonly [number, string][] = [
  [1e6, 'M'],
  [1e3, 'k'],
  [1, ''],
  [1e-3, 'm'],
  [1e-6, 'µ'],
  [1e-9, 'n'],
];

function prefixed(unit: 'ohm' | 'F' | 'A' | 'W', size: number): ShownUnit {
  const magnitude = Math.abs(size);
  const small = unit === 'ohm' ? 1 : 0;
  const [factor, prefix] = STEPS.find(
    ([step]) => magnitude >= step * (1 - 1e-12) || (small > 0 && step === small),
  ) ?? [1, ''];
  return { symbol: prefix + unitSymbol(unit), factor };
}

export const toShown = (si: number, { factor, offset = 0 }: ShownUnit): number =>
  (si - offset) / factor;
export const toSi = (shown: number, { factor, offset = 0 }: ShownUnit): number =>
  shown * factor + offset;

/** A figure as it is set: five digits at most, the true minus. */
export function figureWords(si: number, unit: ShownUnit, digits = 5): string {
  const value = toShown(si, unit);
  if (!Number.isFinite(value)) return '—';
  const rounded = Number(value.toPrecision(digits));
  const text = Math.abs(rounded) >= 1e7 ? rounded.toExponential() : String(rounded);
  return text.replace('-', '\u2212');
}

/**
 * An answer with its uncertainty: the uncertainty to two digits, the figure to the same place, as JCGM
 * 100, 7.2.6 asks; without uncertainty four digits.
 */
export function answerWords(
  si: number,
  u: number | undefined,
  unit: ShownUnit,
): { figure: string; spread: string | undefined } {
  const half = u === undefined ? 0 : Math.abs((2 * u) / unit.factor);
  const value = toShown(si, unit);
  if (!(half > 0) || !Number.isFinite(value))
    return { figure: figureWords(si, unit, 4), spread: undefined };
  const place = Math.floor(Math.log10(half)) - 1;
  const rounded = (x: number) =>
    place >= 0
      ? String(Math.round(x / 10 ** place) * 10 ** place)
      : x.toFixed(Math.min(20, -place));
  return { figure: rounded(value).replace('-', '\u2212'), spread: rounded(half) };
}
