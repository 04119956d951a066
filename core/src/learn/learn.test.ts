/** Odds from proven jobs, and coincidences; agreement with an independent program where its results are there. */
import { array, assert, double, integer, nat, property } from 'fast-check';
import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { chanceOfSoMany, WORTH_ASKING } from './coincidence';
import { learntOdds } from './odds';

const folder = process.env.JEITINHO_VECTORS ?? resolve(__dirname, '../../../../shared/vectors');
const file = join(folder, 'learn.json');

type Case =
  | {
      readonly weights: readonly number[];
      readonly counts: readonly number[];
      readonly fault: number;
      readonly expected: {
        readonly odds: readonly number[];
        readonly interval: readonly [number, number];
      };
    }
  | { readonly k: number; readonly mean: number; readonly expected: { readonly tail: number } };

(existsSync(file) ? test : test.skip)('odds, intervals and tails agree with the reference', () => {
  const cases = JSON.parse(readFileSync(file, 'utf8')) as Case[];
  expect(cases.length).toBeGreaterThan(8);
  cases.forEach((each, i) => {
    if ('k' in each) {
      const tail = chanceOfSoMany(each.k, each.mean);
      expect([i, Math.abs(tail / each.expected.tail - 1) < 1e-9]).toEqual([i, true]);
      return;
    }
    const odds = learntOdds(each.weights, each.counts);
    odds.forEach(({ share }, f) => expect(share).toBeCloseTo(each.expected.odds[f]!, 12));
    const { interval } = odds[each.fault]!;
    interval.forEach((end, k) =>
      expect([i, k, Math.abs(end - each.expected.interval[k]!) < 1e-4]).toEqual([i, k, true]),
    );
  });
});

test('one job moves little, fifty move much: two faults at 3 to 1', () => {
  const [before] = learntOdds([3, 1], [0, 0]);
  expect(before!.share).toBeCloseTo(0.75, 12);
  // 20·0.25 = 5, one more is 6 of 21.
  expect(learntOdds([3, 1], [0, 1])[1]!.share).toBeCloseTo(6 / 21, 12);
  const [, after] = learntOdds([3, 1], [0, 50]);
  expect(after!.share).toBeCloseTo(55 / 70, 12);
  expect(after!.interval[0]).toBeGreaterThan(0.69);
  expect(after!.interval[1]).toBeLessThan(0.87);
});

test('shares are a whole, each within its interval, and more jobs make it narrower', () => {
  assert(
    property(
      array(double({ min: 0.1, max: 9, noNaN: true }), { minLength: 2, maxLength: 8 }),
      nat(40),
      (weights, more) => {
        const counts = weights.map((_, i) => (i * 7 + more) % 5);
        const odds = learntOdds(weights, counts);
        expect(odds.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
        // As much again in the same proportion: the shares stay, the intervals do not.
        const many = learntOdds(
          weights,
          counts.map((count, i) => count + 200 * odds[i]!.share),
        );
        odds.forEach(({ share, interval: [low, high] }, i) => {
          expect(low).toBeLessThanOrEqual(share + 0.1);
          expect(high).toBeGreaterThanOrEqual(share - 0.1);
          const [from, to] = many[i]!.interval;
          if (share > 0.05) expect(to - from).toBeLessThan(high - low);
        });
      },
    ),
  );
});

test('a fault that no sheet knows, or all of it on one: no interval beyond the ends', () => {
  expect(learntOdds([0, 1], [0, 0])).toEqual([
    { share: 0, interval: [0, 0] },
    { share: 1, interval: [1, 1] },
  ]);
  for (const [weights, counts] of [
    [[], []],
    [
      [0, 0],
      [1, 1],
    ],
    [[1], [1, 2]],
    [
      [1, -1],
      [0, 0],
    ],
    [
      [1, Number.NaN],
      [0, 0],
    ],
  ] as const)
    expect(() => learntOdds(weights, counts)).toThrow(RangeError);
});

test('a pattern over three units where one in fifty was expected is worth asking about', () => {
  // 1 − e^−0.06 (1 + 0.06 + 0.0018)
  expect(chanceOfSoMany(3, 0.06)).toBeCloseTo(3.4416e-5, 8);
  expect(chanceOfSoMany(3, 0.06)).toBeLessThan(WORTH_ASKING);
  expect(chanceOfSoMany(2, 1)).toBeCloseTo(1 - 2 / Math.E, 12);
  expect([chanceOfSoMany(0, 0), chanceOfSoMany(0, 5), chanceOfSoMany(1, 0)]).toEqual([1, 1, 0]);
  for (const [k, mean] of [
    [-1, 1],
    [1.5, 1],
    [1, -1],
    [1, Number.POSITIVE_INFINITY],
  ] as const)
    expect(() => chanceOfSoMany(k, mean)).toThrow(RangeError);
});

test('more is never likelier than fewer, and always a chance', () => {
  assert(
    property(integer({ min: 1, max: 60 }), double({ min: 0, max: 50, noNaN: true }), (k, mean) => {
      const [here, next] = [chanceOfSoMany(k, mean), chanceOfSoMany(k + 1, mean)];
      expect(here).toBeGreaterThanOrEqual(next - 1e-12);
      expect(here).toBeLessThanOrEqual(1);
      expect(next).toBeGreaterThanOrEqual(0);
    }),
  );
});
