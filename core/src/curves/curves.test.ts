import fc from 'fast-check';
import { curveProblem, falls, resistanceAt, temperatureAt } from './curve';
import type { Curve } from './schema';

const pt100: Curve = { id: 'p', kind: 'rtd-pt100' };
const pt1000: Curve = { id: 'p', kind: 'rtd-pt1000' };
const ntc: Curve = { id: 'n', kind: 'ntc-beta', r25: 10_000, beta: 3435 };
const table: Curve = {
  id: 't',
  kind: 'table',
  points: [
    [0, 32_650],
    [25, 10_000],
    [50, 3603],
  ],
};

test.each([
  [100, 138.5055],
  [200, 175.856],
  [-50, 80.306],
  [0, 100],
])('platinum at %d °C is %d Ω per 100 Ω', (t, ohms) => {
  expect(resistanceAt(pt100, t)).toBeCloseTo(ohms, 3);
  expect(resistanceAt(pt1000, t)).toBeCloseTo(10 * ohms, 2);
});

test('an NTC has its rated resistance at 25 °C, and about three times that at 0 °C', () => {
  expect(resistanceAt(ntc, 25)).toBeCloseTo(10_000, 9);
  expect(resistanceAt(ntc, 0)).toBeCloseTo(10_000 * Math.exp(3435 * (1 / 273.15 - 1 / 298.15)), 6);
  expect(temperatureAt(ntc, 10_000)).toBeCloseTo(25, 9);
});

test('a table answers at its rows, between them, and not beyond', () => {
  expect(resistanceAt(table, 25)).toBeCloseTo(10_000, 6);
  const between = resistanceAt(table, 12);
  expect(between).toBeGreaterThan(10_000);
  expect(between).toBeLessThan(32_650);
  expect(resistanceAt(table, 51)).toBeNaN();
  expect(resistanceAt(table, -1)).toBeNaN();
  expect(temperatureAt(table, 1)).toBeNaN();
  expect(temperatureAt(table, -5)).toBeNaN();
});

test('nonsense is NaN, never an exception', () => {
  for (const curve of [pt100, ntc, table]) {
    expect(temperatureAt(curve, NaN)).toBeNaN();
    expect(temperatureAt(curve, -3)).toBeNaN();
    expect(resistanceAt(curve, NaN)).toBeNaN();
  }
  expect(resistanceAt(pt100, 900)).toBeNaN();
  expect(resistanceAt(ntc, -300)).toBeNaN();
});

test('what is no curve is said in words', () => {
  expect(
    curveProblem({
      ...table,
      points: [
        [0, 5],
        [0, 4],
      ],
    }),
  ).toMatch('temperatures must rise');
  expect(
    curveProblem({
      ...table,
      points: [
        [0, 5],
        [1, 4],
        [2, 6],
      ],
    }),
  ).toMatch('throughout');
  expect(curveProblem(table)).toBeUndefined();
  expect([falls(ntc), falls(pt100), falls(table)]).toEqual([true, false, true]);
});

test('there and back is the same temperature, on every curve', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(pt100, pt1000, ntc, table),
      fc.double({ min: 0, max: 50, noNaN: true }),
      (curve, t) => {
        expect(temperatureAt(curve, resistanceAt(curve, t))).toBeCloseTo(t, 5);
      },
    ),
  );
  fc.assert(
    fc.property(fc.double({ min: -200, max: 850, noNaN: true }), (t) => {
      expect(temperatureAt(pt100, resistanceAt(pt100, t))).toBeCloseTo(t, 5);
    }),
  );
});
