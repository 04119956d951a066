/**
 * Limits of insulation as they hold for a figure that was read at another warmth, or too soon. A cable's
 * figure climbs while its dielectric is charged, and halves for every ten kelvin (IEEE 43-2013, 12.2.1: the
 * rule for older insulation, which reads low first).
 *
 * Worked example: at least 100 MΩ after 60 s at 40 °C is at least 400 MΩ at 20 °C; 38 MΩ read after 15 s tell
 * nothing yet.
 */
import type { Expectation } from './expectation';

export interface InsulationTaken {
  readonly seconds?: number | undefined;
  readonly celsius?: number | undefined;
}

const HALVES_EVERY_K = 10;

/**
 * @param taken - How the figure was read; what is not known of it is taken to be as the limits say.
 * @returns the limits for that figure; or the sentence that says why it tells nothing yet.
 */
export function asInsulated(
  expect: Expectation,
  taken: InsulationTaken | undefined,
): Expectation | string {
  const { statedAt } = expect;
  if (!statedAt || !taken) return expect;
  const { seconds, celsius } = statedAt;
  if (seconds !== undefined && taken.seconds !== undefined && taken.seconds < seconds)
    return `Read after ${taken.seconds} s; the limits hold after ${seconds} s: it may still climb. Read it again then.`;
  if (celsius === undefined || taken.celsius === undefined) return expect;
  const factor = 2 ** ((celsius - taken.celsius) / HALVES_EVERY_K);
  switch (expect.kind) {
    case 'atLeast':
      return { ...expect, low: expect.low * factor };
    case 'between':
      return { ...expect, low: expect.low * factor, high: expect.high * factor };
    default:
      return expect;
  }
}
