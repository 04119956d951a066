import { bandInterval, bandsOf, calibrationOf } from './calibration';
import { familyOdds } from './family-odds';
import { seldomProven } from './seldom-proven';
import { toAuthor } from './to-author';
import type { Test } from '../sheet/schema';

const sheet = {
  faults: [
    { id: 'a', name: 'A', prior: 3 },
    { id: 'b', name: 'B', prior: 1 },
  ],
};
const proven = (faults: Record<string, number>) => ({ proven: true, faults });

test('one job moves the odds by one in twenty-one; a job that two faults explain counts for both in parts', () => {
  const { jobs, faults } = familyOdds(sheet, [proven({ b: 1 })]);
  expect(jobs).toBe(1);
  expect(faults[1]).toMatchObject({ fault: 'b', own: 0.25, count: 1 });
  expect(faults[1]!.share).toBeCloseTo(6 / 21, 12);
  const halves = familyOdds(sheet, [proven({ a: 0.5, b: 0.5 })]);
  expect(halves.faults.map(({ share }) => share)).toEqual([15.5 / 21, 5.5 / 21]);
});

test('what was not proven counts for nothing; faults that went with a revision are told, not spread', () => {
  const none = familyOdds(sheet, [
    { proven: false, faults: { b: 1 } },
    proven({}),
    proven({ b: 0 }),
  ]);
  expect(none).toMatchObject({ jobs: 0, gone: 0 });
  expect(none.faults.map(({ share }) => share)).toEqual([0.75, 0.25]);
  const changed = familyOdds(sheet, [proven({ old: 1 }), proven({ a: 1 })]);
  expect(changed).toMatchObject({ jobs: 2, gone: 1 });
  expect(changed.faults.map(({ count }) => count)).toEqual([1, 0]);
});

test('calibration by hand: ten said at 0.8 of which six were so, and two at 1', () => {
  const said = [
    ...Array.from({ length: 10 }, (_, i) => ({ p: 0.8, right: i < 6 })),
    { p: 1, right: true },
    { p: 1, right: false },
  ];
  const bands = bandsOf(said);
  expect(bands.map(({ from, count, right }) => [from, count, right])).toEqual([
    [0.8, 10, 6],
    [0.9, 2, 1],
  ]);
  const { count, said: mean, was, brier } = calibrationOf(bands)!;
  expect([count, mean, was]).toEqual([12, expect.closeTo(10 / 12, 12), expect.closeTo(7 / 12, 12)]);
  // (6·0.04 + 4·0.64 + 0 + 1) ÷ 12
  expect(brier).toBeCloseTo((6 * 0.04 + 4 * 0.64 + 1) / 12, 12);
  const [low, high] = bandInterval({ count: 10, right: 6 });
  expect([low, high]).toEqual([expect.closeTo(0.348, 2), expect.closeTo(0.819, 2)]);
  expect(bandInterval({ count: 18, right: 18 })[1]).toBeGreaterThan(0.99);
  expect(calibrationOf([])).toBeUndefined();
  expect(bandsOf([])).toEqual([]);
});

test('a test that ten times told nothing is told of, one that once did is not; limits that two good machines failed', () => {
  const tests = [
    { id: 'dull', title: 'Dull', minutes: 3 },
    { id: 'good', title: 'Good', minutes: 1 },
  ] as Test[];
  const lesson = (job: string, moved: Record<string, boolean>, fails = false) => ({
    job,
    moved,
    failedGood: fails
      ? [{ test: 'good', observable: 'good', outcome: 'high', value: 5.3, unit: 'V' }]
      : [],
  });
  const ten = Array.from({ length: 10 }, (_, i) =>
    lesson(`j${i}`, { dull: false, good: i === 3 }, i < 2),
  );
  const { silent, failed } = toAuthor(tests, ten);
  expect(silent).toEqual([{ test: 'dull', title: 'Dull', taken: 10, minutes: 30 }]);
  expect(failed).toHaveLength(1);
  expect(failed[0]!.readings.map(({ job }) => job)).toEqual(['j0', 'j1']);
  expect(toAuthor(tests, ten.slice(1)).silent).toEqual([]);
  // Twice in one job is one machine.
  const twice = [{ ...ten[0]!, failedGood: [...ten[0]!.failedGood, ...ten[0]!.failedGood] }];
  expect(toAuthor(tests, twice).failed).toEqual([]);
});

test('a part that leads and is never proven is set aside: its faults keep the sheet’s share', () => {
  const led = (part: string, ...proven: boolean[]) =>
    proven.map((each) => ({ part, proven: each }));
  const seldom = seldomProven([
    ...led('compressor', false, false, false, true),
    ...led('board', true, true, false),
    ...led('valve', false, false),
  ]);
  expect(seldom).toEqual([{ part: 'compressor', led: 4, proven: 1 }]);
  const three = {
    faults: [
      { id: 'c', name: 'C', prior: 2 },
      { id: 'a', name: 'A', prior: 1 },
      { id: 'b', name: 'B', prior: 1 },
    ],
  };
  const ten = Array.from({ length: 10 }, () => proven({ a: 1 }));
  const { faults } = familyOdds(three, ten, new Set(['c']));
  expect(faults[0]).toMatchObject({ share: 0.5, interval: [0.5, 0.5], aside: true });
  // Of the other half: (10 + 10) ÷ 30 and 10 ÷ 30.
  expect(faults[1]!.share).toBeCloseTo(1 / 3, 12);
  expect(faults[2]!.share).toBeCloseTo(1 / 6, 12);
  // All aside: nothing is learnt, and nothing breaks.
  const all = familyOdds(three, ten, new Set(['a', 'b', 'c']));
  expect(all.faults.map(({ share }) => share)).toEqual([0.5, 0.25, 0.25]);
});
