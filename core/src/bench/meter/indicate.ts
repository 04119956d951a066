/** From what the instrument's input sees to what its display shows: range, error, last digit. */
import type { MeterProfile, MeterRange } from '../../meter/profile';
import { rangesOf } from '../../meter/profile';
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';

/** What stands on the display: a figure, or OL. */
export type Shown = { readonly value: number | null; readonly range: MeterRange | undefined };

/** Error of an instrument on one range, as a share of its stated limits, −1 to 1. */
export type Deviation = (fn: MeterFunction, range: MeterRange) => number;
export const EXACT: Deviation = () => 0;

/**
 * An instrument of its own: its deviations are drawn once and stay.
 * @param roll - Shares below 1.
 */
export function instrument(roll: () => number): Deviation {
  const drawn = new Map<string, number>();
  return (fn, range) => {
    const key = `${fn} ${range.upTo}`;
    const known = drawn.get(key);
    if (known !== undefined) return known;
    // Makers keep well inside what they state.
    const share = 0.5 * (2 * roll() - 1);
    drawn.set(key, share);
    return share;
  };
}

/** @param seen - The true value at the input; infinite for an overload. */
export function indicate(
  meter: MeterProfile,
  fn: MeterFunction,
  seen: number,
  deviation: Deviation = EXACT,
): Shown {
  const ranges = rangesOf(meter, fn);
  const range = ranges.find(({ upTo }) => Math.abs(seen) <= upTo);
  if (!range) return { value: null, range: ranges.at(-1) };
  const off =
    ((Math.abs(seen) * range.percent) / 100 + range.counts * range.resolution) *
    deviation(fn, range);
  // Never an error of its own that turns nothing into something below zero.
  const shown = rounded(seen + off * (seen < 0 ? -1 : 1), range.resolution);
  const value = METER_FUNCTIONS[fn].signed ? shown : Math.max(0, shown);
  return { value: Math.abs(value) < range.resolution / 2 ? 0 : value, range };
}

/** To the last digit, without the tail that a division leaves. */
const rounded = (value: number, resolution: number): number =>
  Number((Math.round(value / resolution) * resolution).toPrecision(12));
