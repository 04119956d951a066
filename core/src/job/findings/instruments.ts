/** Which of the meters of a job is used for a test, and what the test asks of it. */
import { resolveExpectation, type Given } from '../../judge/given';
import { isSeries } from '../../judge/test-expectation';
import { FIXED_WIRING, fittest, unfitFor, type Duty, type Unfit } from '../../meter/fitness';
import type { MeterProfile } from '../../meter/profile';
import { expectOf, functionOf } from '../../sheet/all-tests';
import { stateOf } from '../../sheet/lookup';
import type { MeasureTest, Sheet, TestPoint } from '../../sheet/schema';
import { nth } from '../../numeric/nth';

/** The parts of a duty that a test decides; the sheet adds the place. */
export type WantedOf = Pick<Duty, 'function' | 'live'> & Partial<Pick<Duty, 'expect'>>;

export function dutyOf(sheet: Sheet, test: MeasureTest, point: TestPoint, given?: Given): WantedOf {
  const wanted = expectOf(test, point);
  const expect = isSeries(wanted)
    ? undefined
    : resolveExpectation(wanted, given, sheet.curves ?? []);
  return {
    function: functionOf(test, point),
    live: stateOf(sheet, test).energy === 'live',
    ...(expect && { expect }),
  };
}

const fullDuty = ({ safety }: Sheet, wanted: WantedOf): Duty => ({
  volts: safety.volts,
  category: safety.category ?? FIXED_WIRING,
  ...wanted,
});

/** The first fit meter, else the one in hand; null where the job has none. */
export function instrumentFor(
  meters: readonly MeterProfile[],
  sheet: Sheet,
  wanted: WantedOf,
): MeterProfile | null {
  return fittest(meters, fullDuty(sheet, wanted)) ?? meters[0] ?? null;
}

/** Why no meter of the job can do this; undefined when one can, or none is stated at all. */
export function meterProblem(
  meters: readonly MeterProfile[],
  sheet: Sheet,
  wanted: WantedOf,
): Unfit | undefined {
  const duty = fullDuty(sheet, wanted);
  if (meters.length === 0 || fittest(meters, duty)) return undefined;
  return unfitFor(nth(meters, 0), duty);
}

/** The very meter of a figure: the device, the meter in hand, and whether its figure came by itself. */
export const instrumentOf = (
  { device, body }: { readonly device?: string; readonly body: { readonly live?: true } },
  meter: MeterProfile | null,
): string => [device ?? '', meter?.id ?? '', body.live ? 'live' : 'typed'].join(' ');
