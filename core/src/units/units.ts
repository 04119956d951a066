/** Units a sheet may ask for, their symbols, and the ways people type them. Values are SI. */
import { InvalidInputError } from '../errors';

export const UNITS = [
  'V',
  'A',
  'ohm',
  'F',
  'Hz',
  'degC',
  'W',
  's',
  'percent',
  'Pa',
  'count',
] as const;
export type Unit = (typeof UNITS)[number];

interface UnitFacts {
  readonly symbol: string;
  readonly plural: string;
  /** Spellings accepted after a figure, lower case except where case matters. */
  readonly spellings: readonly string[];
  /** Whether engineering prefixes (m, k, M …) go before it. */
  readonly prefixed: boolean;
  /** Figures beyond this are not something a meter on this job shows. */
  readonly largest: number;
}

export const UNIT_FACTS: Record<Unit, UnitFacts> = {
  V: {
    symbol: 'V',
    plural: 'volts',
    spellings: ['V', 'v', 'volt', 'volts', 'VDC', 'VAC', 'Vdc', 'Vac', 'V~', 'V='],
    prefixed: true,
    largest: 1e5,
  },
  A: {
    symbol: 'A',
    plural: 'amps',
    spellings: ['A', 'a', 'amp', 'amps', 'ADC', 'AAC'],
    prefixed: true,
    largest: 1e4,
  },
  ohm: {
    symbol: 'Ω',
    plural: 'ohms',
    spellings: ['Ω', 'Ω', 'ω', 'ohm', 'ohms', 'Ohm', 'Ohms', 'R', 'r'],
    prefixed: true,
    largest: 1e13,
  },
  F: {
    symbol: 'F',
    plural: 'farads',
    spellings: ['F', 'f', 'farad', 'farads'],
    prefixed: true,
    largest: 1e3,
  },
  Hz: {
    symbol: 'Hz',
    plural: 'hertz',
    spellings: ['Hz', 'hz', 'HZ'],
    prefixed: true,
    largest: 1e9,
  },
  degC: {
    symbol: '°C',
    plural: 'degrees Celsius',
    spellings: ['°C', '°c', 'degC', 'C', 'c'],
    prefixed: false,
    largest: 2000,
  },
  W: {
    symbol: 'W',
    plural: 'watts',
    spellings: ['W', 'w', 'watt', 'watts'],
    prefixed: true,
    largest: 1e7,
  },
  s: { symbol: 's', plural: 'seconds', spellings: ['s', 'sec'], prefixed: true, largest: 1e7 },
  percent: { symbol: '%', plural: 'percent', spellings: ['%'], prefixed: false, largest: 1e6 },
  Pa: { symbol: 'Pa', plural: 'pascals', spellings: ['Pa', 'pa'], prefixed: true, largest: 1e9 },
  count: {
    symbol: '×',
    plural: 'times',
    spellings: ['×', 'x', 'times'],
    prefixed: false,
    largest: 1e6,
  },
};

/** Engineering prefixes and their factors; both micro signs and the typist's `u`. */
export const PREFIXES: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  m: 1e-3,
  k: 1e3,
  K: 1e3,
  M: 1e6,
  G: 1e9,
};

export function unitSymbol(unit: Unit): string {
  return UNIT_FACTS[unit].symbol;
}

/** @throws {InvalidInputError} for a word that is no unit of ours. */
export function asUnit(word: string): Unit {
  const unit = UNITS.find((known) => known === word);
  if (unit === undefined) throw new InvalidInputError(`“${word}” is not a unit used here`);
  return unit;
}
