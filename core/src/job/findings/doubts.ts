/** Slips that a figure betrays before it is believed: a lost prefix, two placements exchanged. */
import type { Expectation } from '../../judge/expectation';
import { judge, type Verdict } from '../../judge/judge';
import { type Reading } from '../../judge/reading';
import type { MeterFunction } from '../../meter/functions';
import { observableId } from '../../sheet/observables';
import type { MeasureTest, Sheet, TestPoint } from '../../sheet/schema';
import { formatQuantity } from '../../units/format';
import { judgeTaken } from './judge-taken';
import type { JobState, TakenReading } from '../state/state';

export interface OtherSize {
  readonly value: number;
  /** `1.95 kΩ`. */
  readonly echo: string;
}

const FITS: ReadonlySet<Verdict> = new Set(['in', 'watch']);

/**
 * The figure a thousand times larger or smaller, where that one would be right and this one is plainly
 * not: kΩ typed as Ω, volts read off in millivolts.
 *
 * Worked example: 6 to 8 kΩ wanted, 7.1 typed: 7.1 kΩ is offered.
 */
export function otherSize(
  expect: Expectation,
  value: number,
  fn: MeterFunction,
): OtherSize | undefined {
  const verdict = (x: number) =>
    judge({ expect, reading: { kind: 'value', value: x }, function: fn }).verdict;
  if (value === 0 || verdict(value) !== 'out') return undefined;
  const other = [value * 1000, value / 1000].find(
    // An open end fits anything large enough: only a figure near the limits is a lost prefix.
    (x) => FITS.has(verdict(x)) && near(expect, x),
  );
  return other === undefined
    ? undefined
    : { value: other, echo: formatQuantity(other, expect.unit) };
}

/** Within a factor of ten of a limit that is stated. */
function near(expect: Expectation, x: number): boolean {
  const stated =
    expect.kind === 'between'
      ? [expect.low, expect.high]
      : expect.kind === 'nominal'
        ? [expect.value]
        : expect.kind === 'atMost'
          ? [expect.high]
          : expect.kind === 'atLeast'
            ? [expect.low]
            : expect.kind === 'open'
              ? [expect.above]
              : [];
  return stated.some((limit) => {
    const ratio = Math.abs(x / limit);
    return ratio >= 0.1 && ratio <= 10;
  });
}

/**
 * The point whose placement is this one with the leads exchanged, where both readings are wrong as they
 * stand and both right the other way round: the two placements were swapped.
 */
export function swappedWith(
  sheet: Sheet,
  state: JobState,
  test: MeasureTest,
  point: TestPoint,
): TestPoint | undefined {
  const mirror = test.points.find(
    ({ red, black }) => red !== undefined && red === point.black && black === point.red,
  );
  const here = mirror && readingOf(state, test, point);
  const there = mirror && readingOf(state, test, mirror);
  if (!mirror || !here || !there) return undefined;
  const verdict = (at: TestPoint, reading: Reading) =>
    judgeTaken(sheet, test, at, reading, { meters: state.meters, lead: state.lead })?.verdict;
  const wrongNow = here.judgement.verdict === 'out' && there.judgement.verdict === 'out';
  const rightThen =
    verdict(point, there.reading) === 'in' && verdict(mirror, here.reading) === 'in';
  return wrongNow && rightThen ? mirror : undefined;
}

function readingOf(state: JobState, test: MeasureTest, point: TestPoint): TakenReading | undefined {
  const taken = state.current.get(observableId(test, point.id));
  return taken?.kind === 'reading' ? taken : undefined;
}
