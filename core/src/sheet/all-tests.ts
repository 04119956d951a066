/**
 * Every test of a sheet: those listed, and each sequence as a test whose points are its expectations by
 * phase. Also the function and the limits that hold at one point.
 */
import type { TestExpectation } from '../judge/test-expectation';
import type { MeterFunction } from '../meter/functions';
import type { MeasureTest, Sequence, Sheet, Test, TestPoint } from './schema';
import { nth } from '../numeric/nth';

const known = new WeakMap<object, readonly Test[]>();

export function testsOf(sheet: Pick<Sheet, 'tests' | 'sequences'>): readonly Test[] {
  const before = known.get(sheet);
  if (before) return before;
  const tests = [...sheet.tests, ...(sheet.sequences ?? []).map(sequenceTest)];
  known.set(sheet, tests);
  return tests;
}

/** Everything that the tests of this machine want to be brought along, each once. */
export const toBring = (sheet: Sheet): readonly string[] => [
  ...new Set(testsOf(sheet).flatMap(({ carry = [] }) => carry)),
];

const FUNCTION_FOR: Partial<Record<string, MeterFunction>> = {
  V: 'V~',
  A: 'A~',
  degC: 'temperature',
  Pa: 'pressure',
  count: 'count',
};

/** A sequence with no function stated is measured by the usual one for its unit. */
function sequenceTest(sequence: Sequence): MeasureTest {
  const points = sequence.expects.map((each): TestPoint & { function: MeterFunction } => {
    const { id, name, red, black, phase, function: fn, ...expect } = each;
    return {
      id: id ?? `${phase}-${red}`.replace(/[^A-Za-z0-9._+-]/g, '-'),
      ...(name !== undefined && { name }),
      red,
      ...(black !== undefined && { black }),
      phase,
      function: fn ?? FUNCTION_FOR[expect.unit] ?? 'display',
      expect: expect as TestExpectation,
    };
  });
  const { phases: _phases, expects: _expects, title, together, ...common } = sequence;
  return {
    ...common,
    title: title ?? sequence.id,
    how: 'measure',
    function: nth(points, 0).function,
    expect: nth(points, 0).expect!,
    points,
    ...(together && { together }),
  };
}

export const expectOf = (test: MeasureTest, point: TestPoint): TestExpectation =>
  point.expect ?? test.expect;

export const functionOf = (test: MeasureTest, point: TestPoint): MeterFunction =>
  point.function ?? test.function;

/** Phase of a point in words: `before flame`; undefined outside sequences. */
export function phaseName(
  sheet: Pick<Sheet, 'sequences'>,
  test: Test,
  point: TestPoint,
): string | undefined {
  if (point.phase === undefined) return undefined;
  const sequence = sheet.sequences?.find((each) => each.id === test.id);
  const phase = sequence?.phases.find((each) => each.id === point.phase);
  return phase?.name ?? point.phase;
}
