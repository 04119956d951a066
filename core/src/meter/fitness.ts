/**
 * Whether a meter can do a test, and survive it. Every refusal names the way out: another meter, another
 * function, or leaving the test out.
 */
import type { Expectation } from '../judge/expectation';
import { formatQuantity } from '../units/format';
import { METER_FUNCTIONS, type MeterFunction } from './functions';
import { rangesOf, type MeterProfile } from './profile';

export type UnfitCode = 'no-function' | 'range-too-small' | 'category-too-low' | 'rating-too-low';

export interface Unfit {
  readonly code: UnfitCode;
  readonly message: string;
}

/** What the place of the test asks of a meter. */
export interface Duty {
  readonly function: MeterFunction;
  /** Plain limits, where they are known; the range must reach what is expected. */
  readonly expect?: Expectation;
  /** Whether the circuit is live, or not yet proven dead. */
  readonly live: boolean;
  /** Highest voltage present there, volts. */
  readonly volts: number;
  /** Overvoltage category of the place, 2 to 4. */
  readonly category: number;
}

/** The category of fixed wiring, which most of this work is on (IEC 61010-1). */
export const FIXED_WIRING = 3;

/** @returns undefined for a meter that is fit, and for what no meter is needed for. */
export function unfitFor(meter: MeterProfile, duty: Duty): Unfit | undefined {
  const facts = METER_FUNCTIONS[duty.function];
  if (!facts.metered) return undefined;
  const ranges = rangesOf(meter, duty.function);
  if (ranges.length === 0)
    return {
      code: 'no-function',
      message: `“${meter.name}” has no ${facts.words} function. Take another meter in hand, or skip this test.`,
    };
  if (duty.live) {
    const unsafe = unsafeOn(meter, duty);
    if (unsafe) return unsafe;
  }
  const most = ranges.at(-1)!.upTo;
  const wanted = needed(duty.expect);
  if (wanted !== undefined && facts.unit !== undefined && wanted > most * (1 + 1e-9))
    return {
      code: 'range-too-small',
      message: `“${meter.name}” reads ${facts.words} up to ${formatQuantity(most, facts.unit)}; this test needs ${formatQuantity(wanted, facts.unit)}. Take another meter in hand.`,
    };
  return undefined;
}

function unsafeOn({ name, rating }: MeterProfile, { volts, category }: Duty): Unfit | undefined {
  // A meter that states no rating is not refused: the technician reads it off the meter itself.
  if (!rating) return undefined;
  if (rating.volts < volts)
    return {
      code: 'rating-too-low',
      message: `“${name}” is rated ${rating.volts} V; up to ${volts} V stand here. Do not connect it: take a meter and leads rated for ${volts} V.`,
    };
  if (rating.category < category)
    return {
      code: 'category-too-low',
      message: `“${name}” is rated CAT ${roman(rating.category)}; this place is CAT ${roman(category)}. Do not connect it: take one of that category.`,
    };
  return undefined;
}

export const roman = (category: number): string => ['', 'I', 'II', 'III', 'IV'][category] ?? '';

/** The largest figure that must be readable for a pass to show; OL is a pass for `open` and `atLeast`. */
function needed(expect: Expectation | undefined): number | undefined {
  switch (expect?.kind) {
    case 'between':
      return Math.max(Math.abs(expect.low), Math.abs(expect.high));
    case 'nominal':
      return Math.abs(expect.value);
    case 'atMost':
      return Math.abs(expect.high);
    default:
      return undefined;
  }
}

/** The first meter that is fit, in the order given; undefined where none is. */
export function fittest(meters: readonly MeterProfile[], duty: Duty): MeterProfile | undefined {
  return meters.find((meter) => unfitFor(meter, duty) === undefined);
}

/** Whether the buzzer would pass something that the limits do not: it sounds below some tens of ohms. */
export function buzzerMisleads(meter: MeterProfile, expect: Expectation): boolean {
  return (
    meter.buzzerBelow !== undefined &&
    expect.unit === 'ohm' &&
    expect.kind === 'atMost' &&
    expect.high < meter.buzzerBelow
  );
}
