import fc from 'fast-check';
import { propagate } from './propagate';

test('sums, products and ratios worked by hand', () => {
  // u² = 0.1² + 0.2²
  expect(
    propagate(
      ([a, b]) => a! + b!,
      [
        { value: 1, u: 0.1 },
        { value: 2, u: 0.2 },
      ],
    ),
  ).toEqual({
    value: 3,
    u: expect.closeTo(Math.sqrt(0.05), 12) as number,
  });
  // relative uncertainties add in squares: 6·√(0.05² + 0.1²)
  const product = propagate(
    ([a, b]) => a! * b!,
    [
      { value: 2, u: 0.1 },
      { value: 3, u: 0.3 },
    ],
  );
  expect(product.u).toBeCloseTo(6 * Math.sqrt(0.05 ** 2 + 0.1 ** 2), 12);
  expect(propagate(([a]) => 1 / a!, [{ value: 4, u: 0.04 }]).u).toBeCloseTo(0.0025, 6);
});

test('an exact figure adds nothing, and no input gives no uncertainty', () => {
  expect(propagate(([a]) => 5 * a!, [{ value: 1, u: 0 }])).toEqual({ value: 5, u: 0 });
  expect(propagate(() => 7, [])).toEqual({ value: 7, u: 0 });
});

test('a linear function’s uncertainty scales with its slope, and is never negative', () => {
  const figure = fc.double({ min: -1e3, max: 1e3, noNaN: true });
  fc.assert(
    fc.property(figure, figure, fc.double({ min: 0, max: 10, noNaN: true }), (slope, x, u) => {
      const got = propagate(([a]) => slope * a!, [{ value: x, u }]);
      expect(got.u).toBeCloseTo(Math.abs(slope) * u, 6);
    }),
  );
});
