/** What a rule wants of a series, as bands that are drawn over its track. */
import type { Series, SeriesExpectation } from '@jeitinho/core';

export interface Wanted {
  /** Limits of a band; either may be open. */
  readonly low?: number;
  readonly high?: number;
  /** Seconds from and to which it holds; the whole time where absent. */
  readonly from?: number;
  readonly to?: number;
}

/** From what to what a track is drawn. */
export interface Range {
  readonly low: number;
  readonly high: number;
  /** Zero is not on it: what lies in a narrow band would be one line otherwise. */
  readonly zoomed: boolean;
}

/** A band narrower than this share of its height above zero is drawn by itself. */
const NARROW = 0.15;

export function rangeOf(values: readonly number[], edges: readonly number[]): Range {
  const least = Math.min(...values, ...edges);
  const most = Math.max(...values, ...edges);
  const spread = most - least;
  if (spread > 0 && least > 0 && spread < NARROW * most)
    return { low: least - spread / 2, high: most + spread / 2, zoomed: true };
  const low = Math.min(0, least);
  return { low, high: Math.max(most, low + 1e-12), zoomed: false };
}

/** What a rule wants, as bands over the track; nothing for rules about change only. */
export function wantedOf(expect: SeriesExpectation, { samples, event }: Series): Wanted[] {
  switch (expect.kind) {
    case 'holds':
    case 'acts-at':
      return [{ low: expect.low, high: expect.high }];
    case 'decays':
      return [{ high: expect.below, from: expect.seconds }];
    case 'pulses':
      return [{ low: expect.threshold, high: expect.threshold }];
    case 'follows':
    case 'flexed':
      return expect.low === undefined && expect.high === undefined
        ? []
        : [
            {
              ...(expect.low !== undefined && { low: expect.low }),
              ...(expect.high !== undefined && { high: expect.high }),
            },
          ];
    case 'step':
      return [
        {
          low: expect.before[0],
          high: expect.before[1],
          ...(event !== undefined && { to: event }),
        },
        ...(event === undefined
          ? []
          : [{ low: expect.after[0], high: expect.after[1], from: event }]),
      ];
    case 'within':
      return [{ low: expect.level, high: expect.level }];
    case 'steady': {
      const all = samples.map(({ value }) => value);
      const middle = (Math.min(...all) + Math.max(...all)) / 2;
      return [{ low: middle - expect.spread / 2, high: middle + expect.spread / 2 }];
    }
    default:
      return [];
  }
}
