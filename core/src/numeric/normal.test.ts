import fc from 'fast-check';
import { erfc, normalCdf } from './normal';

/** Reference values from tables of the error function to 16 digits, computed independently. */
test.each([
  [0, 1],
  [0.25, 0.7236736098317631],
  [0.46875, 0.507386526782062],
  [1, 0.15729920705028513],
  [2, 0.004677734981047265],
  [4, 1.541725790028002e-8],
  [6, 2.1519736712498916e-17],
  [10, 2.088487583762545e-45],
  [-1, 1.842700792949715],
])('erfc(%p) is %p', (x, expected) => {
  expect(Math.abs(erfc(x) / expected - 1)).toBeLessThan(1e-12);
});

test('the median is a half, and 1.645 leaves five percent', () => {
  expect(normalCdf(0)).toBe(0.5);
  expect(1 - normalCdf(1.6448536269514722)).toBeCloseTo(0.05, 14);
});

test('both ends of the line', () => {
  expect(normalCdf(Infinity)).toBe(1);
  expect(normalCdf(-Infinity)).toBe(0);
  expect(normalCdf(-60)).toBe(0);
});

test('rises, stays within 0 and 1, and mirrors about 0', () => {
  const z = fc.double({ min: -40, max: 40, noNaN: true });
  fc.assert(
    fc.property(z, z, (a, b) => {
      const [low, high] = a < b ? [a, b] : [b, a];
      expect(normalCdf(low)).toBeLessThanOrEqual(normalCdf(high) + 1e-15);
      expect(normalCdf(a) + normalCdf(-a)).toBeCloseTo(1, 14);
    }),
  );
});
