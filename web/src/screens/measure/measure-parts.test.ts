import { columnOf } from './column';
import { wantedOf } from './track-wanted';

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
