import fc from 'fast-check';
import { judgeTogether, type TogetherRule } from '../groups/index';
import type { GroupReading } from '../groups/readings';
import { judge } from '../judge';
import type { Accuracy, LeadZero } from '../reading';
import { draw, DRAWS } from './draws';
import { errorsOf, EXACT, standardUncertainty, type Measured } from './errors';
import { allOf, besides } from './together';

const ohms = (
  values: readonly number[],
  meters: readonly Accuracy[],
  lead?: LeadZero,
): GroupReading[] =>
  values.map((value, i) => {
    const reading = { kind: 'value' as const, value };
    const meter = meters[i % meters.length]!;
    const expect = { kind: 'between' as const, low: 0.1, high: 1000, unit: 'ohm' as const };
    return {
      id: `p${i}`,
      unit: 'ohm',
      reading,
      judgement: judge({ expect, reading, meter, ...(lead && { lead }), function: 'ohm' }),
    };
  });
const balance: TogetherRule = { id: 'agree', kind: 'balance', percent: 3 };

describe('errors that readings share', () => {
  test('three equal 1.4 Ω by ±(1.2 % + 0.3 Ω) are balanced within 3 % in one draw of twenty-five', () => {
    const coarse = { percent: 1.2, absolute: 0.3 };
    const got = judgeTogether(balance, ohms([1.4, 1.4, 1.4], [coarse]));
    expect(got.p.ok).toBeGreaterThan(0.02);
    expect(got.p.ok).toBeLessThan(0.06);
    // Nothing is condemned by a meter that cannot see it, and it is no evidence either way.
    expect(got).toMatchObject({ verdict: 'cannot-tell', coarse: true });
    expect(got.sentence).toMatch('better meter');
    expect(got.u).toBeGreaterThan(3);
  });

  test('the gain of one meter is common: it cancels from an unbalance; that of two does not', () => {
    const gainOnly = { percent: 5, absolute: 0 };
    const one = judgeTogether(balance, ohms([10, 10.2, 9.9], [gainOnly]));
    expect(one.u).toBeLessThan(1e-9);
    expect(one.verdict).toBe('in');
    const two = judgeTogether(
      balance,
      ohms(
        [10, 10.2, 9.9],
        [
          { ...gainOnly, instrument: 'a' },
          { ...gainOnly, instrument: 'b' },
        ],
      ),
    );
    expect(two.u).toBeGreaterThan(0.5);
    expect(two.verdict).not.toBe('in');
  });

  test('the lead zero is common: it moves a sum by one share of it, not by three', () => {
    // |a + b + l + l − (c + l)|: 5.5 + 2.5 against 8.0, each by the same leads.
    const sum: TogetherRule = { id: 's', kind: 'sum', percent: 5 };
    const exact = { percent: 0, absolute: 0 };
    const got = judgeTogether(sum, ohms([8.3, 5.8, 2.8], [exact], { value: 0.3, half: 0.1 }));
    expect(got.corrected).toBeCloseTo(0, 9);
    expect(got.u).toBeCloseTo(0.1 / Math.sqrt(3), 2);
  });

  test('of a difference of two readings of one meter only the counts are left', () => {
    const figures: Measured[] = [230, 231].map((value) => ({
      value,
      errors: errorsOf({ percent: 1, absolute: 0.2 }, value),
    }));
    const apart = draw(([a = 0, b = 0]) => b - a, figures, 'x');
    // Two rectangles of 0.2, and 1 % of the 1 V between them.
    expect(apart.u).toBeCloseTo(Math.sqrt((2 * 0.2 ** 2 + 0.01 ** 2) / 3), 2);
  });
});

describe('draws', () => {
  const one = (value: number, gain: number, counts: number): Measured => ({
    value,
    errors: { ...EXACT, gain, counts },
  });
  test('are the same for the same seed, and others for another', () => {
    const f = (values: readonly number[]) => Math.max(...values);
    const figures = [one(1, 0.1, 0.2), one(1, 0.1, 0.2)];
    expect(draw(f, figures, 'a').u).toBe(draw(f, figures, 'a').u);
    expect(draw(f, figures, 'a').u).not.toBe(draw(f, figures, 'b').u);
  });
  test('exact readings are not drawn: on the limit they conform', () => {
    const got = draw(([a = 0]) => a, [{ value: 2, errors: EXACT }], 'a');
    expect([got.u, got.below(2), got.above(2), got.above(1.9)]).toEqual([0, 0, 0, 1]);
  });
  test('agree with the rectangle of one reading', () => {
    const got = draw(([a = 0]) => a, [one(10, 0, 1)], 'a');
    expect(got.u).toBeCloseTo(1 / Math.sqrt(3), 1);
    expect(got.below(10)).toBeCloseTo(0.5, 1);
    expect(got.below(9.8)).toBeCloseTo(0.4, 1);
    expect(got.below(8.9) + got.above(11.1)).toBe(0);
  });
  test('of a linear figure they agree with first-order propagation, whatever the errors', () => {
    const part = fc.double({ min: 0, max: 5, noNaN: true });
    fc.assert(
      fc.property(part, part, part, part, (gainA, gainB, countsA, countsB) => {
        const figures = [one(50, gainA, countsA), one(60, gainB, countsB)];
        const got = draw(([a = 0, b = 0]) => a + b, figures, 'sum');
        const expected = Math.sqrt(((gainA + gainB) ** 2 + countsA ** 2 + countsB ** 2) / 3);
        expect(Math.abs(got.u - expected)).toBeLessThan(0.05 * expected + 1e-9);
      }),
      { numRuns: 50 },
    );
  });
  test('every share is one of so many draws', () => {
    const share = draw(([a = 0]) => a, [one(0, 0, 1)], 'a').below(0.3);
    expect(Number.isInteger(share * DRAWS)).toBe(true);
  });
});

describe('one reading', () => {
  test('gain and counts are one rectangle, the lead zero another', () => {
    const errors = errorsOf({ percent: 1, absolute: 0.1 }, 20, 0.2);
    expect(errors).toEqual({ instrument: '', gain: 0.2, counts: 0.1, lead: 0.2 });
    expect(standardUncertainty(errors)).toBeCloseTo(Math.sqrt((0.3 ** 2 + 0.2 ** 2) / 3), 12);
  });
});

describe('several things at once', () => {
  test('each decided: the least of them; one in doubt: their product', () => {
    expect(allOf([0.96, 0.97, 1])).toBe(0.96);
    expect(allOf([0.9, 0.5])).toBeCloseTo(0.45, 12);
    expect(allOf([])).toBe(1);
  });
  test('the classes beside it share what is left, and all sum to 1', () => {
    const p = besides(0.96, { low: 1, high: 3 });
    expect([p.ok, p.low, p.high]).toEqual([
      0.96,
      expect.closeTo(0.01, 12),
      expect.closeTo(0.03, 12),
    ]);
    expect(besides(0.5, { low: 0 })).toEqual({ ok: 1, low: 0 });
  });
});
