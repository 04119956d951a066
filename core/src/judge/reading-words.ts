/** A figure as it is shown: `5.02 V`, `OL`, `tone`, `3.1 to 4.8 V` for one that wanders. */
import { formatQuantity, splitQuantity } from '../units/format';
import type { Unit } from '../units/units';
import type { Reading } from './reading';

/** @param corrected - The value less the leads, where that is what counts. */
export function readingWords(reading: Reading, unit: Unit, corrected?: number): string {
  if (reading.kind === 'tone') return 'tone';
  if (reading.kind === 'silence') return 'silence';
  const climb = reading.climb && climbWords(reading.climb, unit);
  if (reading.kind === 'overload') return ['OL', climb].filter(Boolean).join(', ');
  const value = corrected ?? reading.value;
  if (reading.to === undefined)
    return [formatQuantity(value, unit), climb, reading.peak && 'peak'].filter(Boolean).join(', ');
  const less = reading.value - value;
  const [low, high] = [value, reading.to - less].sort((a, b) => a - b) as [number, number];
  const [from, to] = [splitQuantity(low, unit), splitQuantity(high, unit)];
  const end = formatQuantity(high, unit);
  return from.unit === to.unit
    ? `${from.digits} to ${end}`
    : `${formatQuantity(low, unit)} to ${end}`;
}

/** `from 0.2 MΩ in 12 s`. */
const climbWords = ({ from, seconds }: { from: number; seconds: number }, unit: Unit): string =>
  `from ${formatQuantity(from, unit)} in ${Number(seconds.toPrecision(3))} s`;
