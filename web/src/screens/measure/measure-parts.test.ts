import { rangeOf } from './track-range';
import { beatOf } from './use-track-feed';
import { columnOf } from './column';
import { wantedOf } from '@jeitinho/core/judge';

test.each([
  ['0.45\n0.46\n', ['0.45', '0.46']],
  ['U-P\t0,452\r\nV-P\t0,449', ['0,452', '0,449']],
  ['a;b;1\n\n;;\nOL', ['1', 'OL']],
  ['', []],
])('a copied column %j', (text, cells) => {
  expect(columnOf(text)).toEqual(cells);
});

test('what a rule wants, drawn over the track', () => {
  const samples = [
    { t: 0, value: 4.9 },
    { t: 5, value: 5.1 },
  ];
  const unit = 'V' as const;
  expect(wantedOf({ kind: 'holds', low: 4, high: 6, seconds: 5, unit }, { samples })).toEqual([
    { low: 4, high: 6 },
  ]);
  expect(wantedOf({ kind: 'decays', below: 24, seconds: 60, unit }, { samples })).toEqual([
    { high: 24, from: 60 },
  ]);
  const [steady] = wantedOf({ kind: 'steady', spread: 0.4, seconds: 5, unit }, { samples });
  expect(steady!.low).toBeCloseTo(4.8, 9);
  expect(steady!.high).toBeCloseTo(5.2, 9);
  const step = {
    kind: 'step' as const,
    event: 'lock',
    before: [4, 6] as [number, number],
    after: [0, 1] as [number, number],
    unit,
  };
  expect(wantedOf(step, { samples })).toEqual([{ low: 4, high: 6 }]);
  expect(wantedOf(step, { samples, event: 3 })).toEqual([
    { low: 4, high: 6, to: 3 },
    { low: 0, high: 1, from: 3 },
  ]);
  expect(wantedOf({ kind: 'rises', by: 3, seconds: 5, unit }, { samples })).toEqual([]);
});

describe('the range of a track', () => {
  test('begins at zero, so that half as high is half as much', () => {
    expect(rangeOf([3, 9], [5])).toEqual({ low: 0, high: 9, zoomed: false });
    expect(rangeOf([-2, 4], [])).toEqual({ low: -2, high: 4, zoomed: false });
    expect(rangeOf([0], [])).toMatchObject({ low: 0, zoomed: false });
  });
  test('a narrow band far above zero is drawn by itself, with room around it', () => {
    expect(rangeOf([5.02, 5.05], [4.96, 5.11])).toEqual({
      low: expect.closeTo(4.885, 9),
      high: expect.closeTo(5.185, 9),
      zoomed: true,
    });
  });
  test('one figure alone, and nothing wanted, is no band', () => {
    expect(rangeOf([5], [])).toEqual({ low: 0, high: 5, zoomed: false });
  });
});

describe('how often the meter writes a series', () => {
  test.each([
    [0, 250],
    [10, 250],
    [60, 500],
    [600, 5000],
    [3600, 5000],
  ])('%d s: every %d ms', (seconds, beat) => {
    expect(beatOf(seconds)).toBe(beat);
  });
});
