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
