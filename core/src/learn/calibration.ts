/**
 * How right what was said turned out to be: of all that was called so likely, how much was so. The score is
 * Brier's (Verification of forecasts expressed in terms of probability, Monthly Weather Review 78, 1950), for
 * the one event that the part named first had the fault: 0 is always right, and 0.25 is what half and half gets.
 */
import { shareInterval } from './odds';

/** One thing said, and whether it was so. */
export interface Forecast {
  readonly p: number;
  readonly right: boolean;
}

/** Counts of a band of likelihoods; what a database can sum by itself. */
export interface ForecastSums {
  readonly count: number;
  readonly right: number;
  readonly sumP: number;
  /** Of (p − outcome)². */
  readonly sumSquares: number;
}

export interface CalibrationBand extends ForecastSums {
  /** From this likelihood on, below the next. */
  readonly from: number;
}

export const BANDS = 10;

export const bandOf = (p: number): number => Math.min(BANDS - 1, Math.floor(p * BANDS));

/** @returns bands in which something was said, the least likely first. */
export function bandsOf(forecasts: readonly Forecast[]): CalibrationBand[] {
  const bands = new Map<number, Forecast[]>();
  for (const each of forecasts)
    bands.set(bandOf(each.p), [...(bands.get(bandOf(each.p)) ?? []), each]);
  return [...bands]
    .sort(([a], [b]) => a - b)
    .map(([band, list]) => ({
      from: band / BANDS,
      count: list.length,
      right: list.filter(({ right }) => right).length,
      sumP: list.reduce((sum, { p }) => sum + p, 0),
      sumSquares: list.reduce((sum, { p, right }) => sum + (p - (right ? 1 : 0)) ** 2, 0),
    }));
}

export interface Calibration {
  readonly count: number;
  /** Mean of what was said. */
  readonly said: number;
  /** Share of it that was so. */
  readonly was: number;
  readonly brier: number;
}

/** @returns undefined where nothing was said. */
export function calibrationOf(bands: readonly ForecastSums[]): Calibration | undefined {
  const sum = (of: (band: ForecastSums) => number) =>
    bands.reduce((total, band) => total + of(band), 0);
  const count = sum((band) => band.count);
  if (count === 0) return undefined;
  return {
    count,
    said: sum(({ sumP }) => sumP) / count,
    was: sum(({ right }) => right) / count,
    brier: sum(({ sumSquares }) => sumSquares) / count,
  };
}

/** Where the share of a band lies with 90 %, so few are counted: Jeffreys' prior, half of each. */
export const bandInterval = ({
  count,
  right,
}: Pick<ForecastSums, 'count' | 'right'>): readonly [low: number, high: number] =>
  shareInterval(right + 0.5, count - right + 0.5);
