/** Figures that wander: in only where all of them is. */
import { judge } from './judge';
import { readingWords } from './reading-words';

const band = { kind: 'between', low: 3, high: 5, unit: 'V' } as const;
const wanders = (value: number, to: number) =>
  judge({ expect: band, reading: { kind: 'value', value, to }, function: 'V=' });

test.each([
  [4.8, 3.1, 'in', 'ok'],
  [2.5, 1.0, 'out', 'low'],
  [7.2, 5.5, 'out', 'high'],
  [5.6, 3.4, 'out', 'unsteady'],
  [4.1, 0.02, 'out', 'unsteady'],
  [9, 1, 'out', 'unsteady'],
] as const)('%s to %s V against 3 to 5 V is %s: %s', (value, to, verdict, outcome) => {
  expect(wanders(value, to)).toMatchObject({ verdict, outcome, corrected: value });
});

test('its probabilities are those of the end that speaks, or all unsteady', () => {
  expect(wanders(5.6, 3.4).p).toEqual({ unsteady: 1 });
  expect(wanders(7.2, 5.5).p.high).toBeCloseTo(1, 9);
});

test('an end that the meter cannot tell leaves the whole of it open', () => {
  const judged = judge({
    expect: band,
    reading: { kind: 'value', value: 5.0, to: 4 },
    function: 'V=',
    meter: { percent: 1, absolute: 0.05 },
  });
  expect(judged.verdict).toBe('cannot-tell');
});

test('in words', () => {
  expect(readingWords({ kind: 'value', value: 4.8, to: 3.1 }, 'V')).toBe('3.1 to 4.8\u2009V');
  expect(readingWords({ kind: 'value', value: 1200, to: 900 }, 'ohm')).toBe(
    '900\u2009Ω to 1.2\u2009kΩ',
  );
  // Less the leads, both ends.
  expect(readingWords({ kind: 'value', value: 1.5, to: 1.2 }, 'ohm', 1.2)).toBe(
    '0.9 to 1.2\u2009Ω',
  );
  expect(readingWords({ kind: 'overload' }, 'ohm')).toBe('OL');
});
