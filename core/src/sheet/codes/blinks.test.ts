/** Lamps tapped along with: each pattern by the times a hand would make. */
import fc from 'fast-check';
import { readBlinks, type Tap } from './blinks';

/** `...  ...`: short, long as `-`, a blank parts groups and `/` parts rounds. */
function tapped(
  pattern: string,
  { short = 300, long = 1100, gap = 400, group = 1200, round = 3000, late = (): number => 0 } = {},
): Tap[] {
  let at = 0;
  const taps: Tap[] = [];
  for (const sign of pattern) {
    if (sign === ' ') at += group - gap;
    else if (sign === '/') at += round - gap;
    else {
      const held = (sign === '-' ? long : short) * (1 + late());
      taps.push({ down: at, up: at + held });
      at += held + gap * (1 + late());
    }
  }
  return taps;
}

test('counted between the pauses, twice the same: that is the code', () => {
  const { rounds, code, sure } = readBlinks(tapped('.../...'), { long: 10, short: 1 });
  expect(rounds.map((round) => round.code)).toEqual(['3', '3']);
  expect(code).toBe('3');
  expect(sure).toBeGreaterThan(0.95);
});

test('two long and three short are 23', () => {
  expect(readBlinks(tapped('--.../--...'), { long: 10, short: 1 })).toMatchObject({
    code: '23',
    rounds: [
      { longs: 2, shorts: 3 },
      { longs: 2, shorts: 3 },
    ],
  });
});

test('without a worth for long and short the groups are digits', () => {
  const { code, rounds } = readBlinks(tapped('... ../... ..'), {});
  expect(rounds[0]!.groups).toEqual([3, 2]);
  expect(code).toBe('32');
});

test('one round alone is no code yet, and rounds that differ are none', () => {
  const once = readBlinks(tapped('...'), { long: 10, short: 1 });
  expect(once.code).toBeUndefined();
  expect(once.rounds).toHaveLength(1);
  const two = readBlinks(tapped('.../....'), { long: 10, short: 1 });
  expect(two.code).toBeUndefined();
  expect(two.sure).toBeLessThan(once.sure);
  // A third that agrees with the one before it settles it.
  expect(readBlinks(tapped('.../..../....'), { long: 10, short: 1 }).code).toBe('4');
});

test('lengths near each other are told to be unsure', () => {
  const scheme = { long: 10, short: 1 };
  const clear = readBlinks(tapped('-../-..'), scheme);
  const near = readBlinks(tapped('-../-..', { long: 600 }), scheme);
  expect(near.code).toBe('12');
  expect(near.sure).toBeLessThan(clear.sure);
  expect(near.rounds[0]!.sure).toBeLessThan(0.9);
});

test('how quick it is, and whether it comes evenly', () => {
  const fast = readBlinks(tapped('......', { short: 100, gap: 150 }), {});
  expect(fast.rate).toBeCloseTo(4, 6);
  expect(fast.even).toBe(true);
  expect(readBlinks(tapped('.  . .   .', { group: 900 }), {}).even).toBe(false);
  expect(readBlinks(tapped('..'), {}).rate).toBeUndefined();
});

test('nothing tapped is nothing read; one tap is one blink', () => {
  expect(readBlinks([], {})).toEqual({ rounds: [], sure: 0 });
  expect(readBlinks(tapped('.'), {}).rounds).toMatchObject([{ groups: [1], code: '1' }]);
});

test('a hand that is late by a tenth taps the same code', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 6 }),
      fc.integer({ min: 0, max: 4 }),
      fc.array(fc.double({ min: -0.1, max: 0.1, noNaN: true }), { minLength: 40, maxLength: 40 }),
      (shorts, longs, lateness) => {
        let i = 0;
        const once = '-'.repeat(longs) + '.'.repeat(shorts);
        const taps = tapped(`${once}/${once}`, { late: () => lateness[i++ % 40]! });
        expect(readBlinks(taps, { long: 10, short: 1 }).code).toBe(String(longs * 10 + shorts));
      },
    ),
  );
});
