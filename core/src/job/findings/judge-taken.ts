/** Judging what was taken in a job: with its meters, its lead zero, and the figures its limits hang on. */
import { unsettled } from '../../judge/figure';
import { asInsulated, type InsulationTaken } from '../../judge/insulation';
import { judge, possibleOutcomes, type Judgement } from '../../judge/judge';
import { type LeadZero, type Reading } from '../../judge/reading';
import { resolveExpectation, type Given } from '../../judge/given';
import { againstTwin } from '../../judge/twin';
import { errorsOf, EXACT, type ErrorsAt } from '../../judge/uncertainty/errors';
import { isSeries } from '../../judge/test-expectation';
import { accuracyAt, type MeterProfile } from '../../meter/profile';
import { expectOf, functionOf } from '../../sheet/all-tests';
import type { MeasureTest, Sheet, TestPoint } from '../../sheet/schema';
import { dutyOf, instrumentFor } from './instruments';

/** What a reading is judged with. */
export interface JudgedWith {
  readonly meters: readonly MeterProfile[];
  readonly lead?: LeadZero | undefined;
  readonly given?: Given | undefined;
  /** What a good twin read there, less the leads. */
  readonly twin?: number | undefined;
  /** How a figure of insulation was read. */
  readonly insulation?: InsulationTaken | undefined;
}

/**
 * Judge a reading of a test as the job would: with its meter's accuracy, its lead zero and its label.
 * @returns undefined while the figure that its limits hang on is missing, and for a series.
 */
export function judgeTaken(
  sheet: Sheet,
  test: MeasureTest,
  point: TestPoint,
  reading: Reading,
  { meters, lead, given, twin, insulation }: JudgedWith,
): Judgement | undefined {
  const wanted = expectOf(test, point);
  if (isSeries(wanted)) return undefined;
  const plain = resolveExpectation(wanted, given, sheet.curves ?? []);
  if (!plain) return undefined;
  const fn = functionOf(test, point);
  const expect = asInsulated(againstTwin(plain, twin), insulation);
  if (typeof expect === 'string') return unsettled(possibleOutcomes(plain, fn), expect);
  const meter = instrumentFor(meters, sheet, dutyOf(sheet, test, point));
  const accuracy =
    meter && reading.kind === 'value' ? accuracyAt(meter, fn, reading.value) : undefined;
  return judge({
    expect,
    reading,
    function: fn,
    ...(accuracy && { meter: accuracy }),
    ...(lead && { lead }),
    ...(meter?.buzzerBelow !== undefined && { soundsBelow: meter.buzzerBelow }),
  });
}

/** How far figures of a series may be off, by the meter that is used for it. */
export function seriesErrors(
  sheet: Sheet,
  test: MeasureTest,
  point: TestPoint,
  meters: readonly MeterProfile[],
): ErrorsAt {
  const meter = instrumentFor(meters, sheet, dutyOf(sheet, test, point));
  const fn = functionOf(test, point);
  return (value) => {
    const accuracy = meter && accuracyAt(meter, fn, value);
    return accuracy ? errorsOf(accuracy, value) : EXACT;
  };
}
