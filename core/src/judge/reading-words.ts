/** A figure as it is shown: `5.02 V`, `OL`, `3.1 to 4.8 V` for one that wanders. */
import { formatQuantity, splitQuantity } from '../units/format';
import type { Unit } from '../units/units';
import type { Reading } from './reading';

/** @param corrected - The value less the leads, where that is what counts. */
export function readingWords(reading: Reading, unit: Unit, corrected?: number): string {
  if (reading.kind === 'overload') return 'OL';
  const value = corrected ?? reading.value;
  if (reading.to === undefined) return formatQuantity(value, unit);
  const less = reading.value - value;
  const [low, high] = [value, reading.to - less].sort((a, b) => a - b) as [number, number];
  const [from, to] = [splitQuantity(low, unit), splitQuantity(high, unit)];
  const end = formatQuantity(high, unit);
  return from.unit === to.unit
    ? `${from.digits} to ${end}`
    : `${formatQuantity(low, unit)} to ${end}`;
}
