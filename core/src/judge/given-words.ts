/** A figure given on site, as typed and as shown: `4.7 kΩ ± 235 Ω`. */
import { parseEntry, type TypedEntry } from '../units/entry';
import { formatQuantity } from '../units/format';
import type { Unit } from '../units/units';
import type { Given } from './given';

export const givenWords = (given: Given, unit: Unit): string =>
  typeof given === 'number'
    ? formatQuantity(given, unit)
    : `${formatQuantity(given.value, unit)} ± ${formatQuantity(given.plusMinus, unit, 3)}`;

export type TypedGiven =
  | { kind: 'value'; value: number; plusMinus?: number; echo: string }
  | Exclude<TypedEntry, { kind: 'value' }>;

const WITHIN = /^(.*?)\s*(?:±|\+\s*\/?\s*-)\s*(.*)$/;

/**
 * Understand a figure off a label or a reference: `205`, `4.7k ±5%`, `21.5 ±0.5`.
 * @param unit - A bare figure is taken in it.
 */
export function parseGiven(typed: string, unit: Unit): TypedGiven {
  const parts = WITHIN.exec(typed.trim());
  if (!parts) return parseEntry(typed, unit);
  const [, figure = '', beside = ''] = parts;
  const value = parseEntry(figure, unit);
  if (value.kind !== 'value') return value;
  const percent = /^([\d.,\s]+)%$/.exec(beside.trim());
  const share = parseEntry(percent?.[1] ?? beside, percent ? 'percent' : unit);
  if (share.kind === 'error') return share;
  if (share.kind !== 'value' || share.value < 0)
    return {
      kind: 'error',
      code: 'not-a-figure',
      message: `“${beside.trim()}” is no tolerance. Try ±5% or ±0.5.`,
    };
  const plusMinus = percent ? (Math.abs(value.value) * share.value) / 100 : share.value;
  const given = { value: value.value, plusMinus };
  return { kind: 'value', ...given, echo: givenWords(given, unit) };
}
