import { assert, double, property } from 'fast-check';
import { betaCdf, betaQuantile, logGamma } from './beta';

test('the gamma function at whole and half numbers', () => {
  expect(logGamma(1)).toBeCloseTo(0, 13);
  expect(logGamma(6)).toBeCloseTo(Math.log(120), 13);
  expect(logGamma(0.5)).toBeCloseTo(Math.log(Math.sqrt(Math.PI)), 13);
  expect(logGamma(0.1)).toBeCloseTo(2.252712651734206, 12);
});

test('shares that are known in closed form', () => {
  // Beta(1, 1) is even; Beta(a, 1) is x^a; Beta(2, 2) is 3x² − 2x³.
  expect(betaCdf(0.3, 1, 1)).toBeCloseTo(0.3, 14);
  expect(betaCdf(0.3, 4, 1)).toBeCloseTo(0.3 ** 4, 14);
  expect(betaCdf(0.3, 2, 2)).toBeCloseTo(3 * 0.09 - 2 * 0.027, 14);
  expect([betaCdf(-1, 2, 3), betaCdf(0, 2, 3), betaCdf(1, 2, 3), betaCdf(9, 2, 3)]).toEqual([
    0, 0, 1, 1,
  ]);
});

const shape = double({ min: 0.05, max: 400, noNaN: true });

test('the point of a share has that share below it, and mirrors', () => {
  assert(
    property(double({ min: 0.001, max: 0.999, noNaN: true }), shape, shape, (share, a, b) => {
      const x = betaQuantile(share, a, b);
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x).toBeLessThanOrEqual(1);
      // Where nearly all lies at an end, a step of the last bit is more than the share.
      if (x > 1e-12 && x < 1 - 1e-12) expect(betaCdf(x, a, b)).toBeCloseTo(share, 6);
      expect(1 - betaCdf(0.4, a, b)).toBeCloseTo(betaCdf(0.6, b, a), 9);
    }),
  );
});
