/** What would decide a reading that the meter cannot place on one side of a limit. */
import type { Accuracy, LeadZero } from './reading';
import type { Expectation, Limits } from './expectation';
import { formatQuantity } from '../units/format';
import { ONE_SIDED_95 } from './uncertainty/level';

export interface Remedy {
  /** Nearest limit, the one in doubt. */
  readonly limit: number;
  /** Half-width of error, in the unit of the reading, that would decide it; 0 on the limit itself. */
  readonly neededHalfWidth: number;
  /** What to try, the cheapest first. */
  readonly ways: readonly ('zero-leads' | 'finer-range' | 'better-meter' | 'repeat')[];
  /** One sentence for the technician. */
  readonly sentence: string;
}

interface Doubt {
  readonly x: number;
  readonly indicated: number;
  readonly u: number;
  readonly limits: Limits;
  readonly expect: Expectation;
  readonly meter: Accuracy | undefined;
  readonly lead: LeadZero | undefined;
}

/** Below this, in ohms, the leads are a noticeable part of a resistance. */
const LEADS_MATTER_BELOW = 20;

/**
 * The half-width follows from Φ(d/u) = 0.95 with d the distance to the nearest limit. The other limit
 * is ignored: where the band is narrower than the meter's error, the figure is optimistic, and the
 * sentence says “at least”.
 */
export function remedyFor({ x, indicated, limits, expect, meter, lead }: Doubt): Remedy {
  const limit = Math.abs(x - limits.low) <= Math.abs(limits.high - x) ? limits.low : limits.high;
  const distance = Math.abs(x - limit);
  const neededHalfWidth = (Math.sqrt(3) * distance) / ONE_SIDED_95;
  const percentPart = meter ? (Math.abs(indicated) * meter.percent) / 100 : 0;
  const ways: Remedy['ways'][number][] = [];
  const scale = Math.max(Math.abs(limit), Math.abs(x));
  if (distance <= 1e-9 * scale) {
    ways.push('repeat');
  } else {
    if (expect.unit === 'ohm' && !lead && Math.abs(x) < LEADS_MATTER_BELOW) ways.push('zero-leads');
    if (percentPart <= neededHalfWidth) ways.push('finer-range');
    ways.push('better-meter');
  }
  const at = formatQuantity(limit, expect.unit);
  return { limit, neededHalfWidth, ways, sentence: sentence(ways, at, neededHalfWidth, expect) };
}

function sentence(
  ways: Remedy['ways'],
  limit: string,
  halfWidth: number,
  expect: Expectation,
): string {
  if (ways[0] === 'repeat')
    return `The figure sits on the limit of ${limit}: repeat it at another moment or with better contact.`;
  const first =
    ways[0] === 'zero-leads'
      ? 'Zero the leads first. '
      : ways[0] === 'finer-range'
        ? 'Try a finer range. '
        : '';
  return `${first}To tell it from the limit of ${limit}, the meter must be good to ±${formatQuantity(halfWidth, expect.unit, 2)} at least.`;
}
