/** A series of readings of one point, with the moment of each, and what can be asked of any series. */
import { draw, type Drawn } from '../uncertainty/draws';
import type { ErrorsAt } from '../uncertainty/errors';

export interface Sample {
  /** Seconds from the start of the series, not falling. */
  readonly t: number;
  /** SI base unit of the function; for a light, 1 is on and 0 is off. */
  readonly value: number;
  /** What drives it, where something does: burner rate, command, flow. */
  readonly driver?: number;
}

/** How many figures one series may hold. */
export const MOST_SAMPLES = 5000;

export interface Series {
  readonly samples: readonly Sample[];
  /** Seconds at which the event happened (flame, lock, flexing begun), where the rule has one. */
  readonly event?: number;
}

/** What stands for OL on ohms in a series, which holds figures only: the end of a meter's last range, Ω. */
export const OVER_OHMS = 60e6;

export function durationOf(samples: readonly Sample[]): number {
  const [first, last] = [samples[0], samples.at(-1)];
  return first && last ? last.t - first.t : 0;
}

/** Smallest and largest value; ±Infinity turned round for none. */
export function range(samples: readonly Sample[]): { readonly min: number; readonly max: number } {
  let [min, max] = [Infinity, -Infinity];
  for (const { value } of samples) {
    min = Math.min(min, value);
    max = Math.max(max, value);
  }
  return { min, max };
}

/**
 * A figure between two figures of one series: the meter's gain is common to both, its counts are not.
 * @param name - Names the draws.
 */
export const drawBetween = (
  name: string,
  f: (first: number, second: number) => number,
  ends: readonly [number, number],
  errors: ErrorsAt,
): Drawn =>
  draw(
    ([first = NaN, second = NaN]) => f(first, second),
    ends.map((value) => ({ value, errors: errors(value) })),
    name,
  );

/** First place whose moment is not before t; the length where all are. */
function placeAt(samples: readonly Sample[], t: number): number {
  let [low, high] = [0, samples.length];
  while (low < high) {
    const middle = (low + high) >>> 1;
    if ((samples[middle]?.t ?? Infinity) < t) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Value at a moment, along the straight line between its neighbours; NaN for no samples. */
export function valueAt(samples: readonly Sample[], t: number): number {
  const i = placeAt(samples, t);
  const [a, b] = [samples[i - 1], samples[i]];
  if (!b) return a?.value ?? NaN;
  if (!a || b.t === t) return b.value;
  return a.value + ((b.value - a.value) * (t - a.t)) / (b.t - a.t);
}

/** The samples from one moment to another, with the values at both ends. */
export const stretchOf = (samples: readonly Sample[], from: number, to: number): Sample[] => [
  { t: from, value: valueAt(samples, from) },
  ...samples.slice(placeAt(samples, from), placeAt(samples, to)),
  { t: to, value: valueAt(samples, to) },
];

/** Least squares slope, per second; 0 for fewer than two moments. */
export function slopeOf(samples: readonly Sample[]): number {
  const n = samples.length;
  const mt = samples.reduce((sum, each) => sum + each.t, 0) / n;
  const mv = samples.reduce((sum, each) => sum + each.value, 0) / n;
  let tt = 0;
  let tv = 0;
  for (const { t, value } of samples) {
    tt += (t - mt) ** 2;
    tv += (t - mt) * (value - mv);
  }
  return tt > 0 ? tv / tt : 0;
}

/** Share of the steps between neighbours that go the given way, by size: 1 is wholly monotone. */
export function monotoneShare(samples: readonly Sample[], direction: 1 | -1): number {
  let along = 0;
  let all = 0;
  let before: number | undefined;
  for (const { value } of samples) {
    const step = before === undefined ? 0 : value - before;
    all += Math.abs(step);
    if (step * direction > 0) along += Math.abs(step);
    before = value;
  }
  return all > 0 ? along / all : 0;
}

/** Moment at which the series first satisfies `reached`, between samples along the straight line. */
export function crossing(
  samples: readonly Sample[],
  level: number,
  direction: 1 | -1,
): number | undefined {
  const past = (value: number) => (value - level) * direction >= 0;
  const i = samples.findIndex(({ value }) => past(value));
  const [a, b] = [samples[i - 1], samples[i]];
  if (!a || !b) return b?.t;
  return a.t + ((b.t - a.t) * (level - a.value)) / (b.value - a.value);
}
