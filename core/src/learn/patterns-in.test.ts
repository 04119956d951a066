/** Failures that come together, reckoned by hand. */
import { chanceOfSoMany } from './coincidence';
import { coincidence, worthOfLooking } from './pattern';
import { patternsIn, type Failure, type Fitting, type PatternInput } from './patterns-in';

const NOW = Date.UTC(2026, 10, 28);
const DAY = 86_400_000;

test('with nothing elsewhere the shop’s own rate is expected; with much elsewhere, that', () => {
  const alone = coincidence({ count: 3, years: 6, allCount: 3, allYears: 6, usual: 0.02 });
  expect(alone.expected).toBeCloseTo(0.12, 12);
  expect(alone.p).toBeCloseTo(chanceOfSoMany(3, 0.12), 12);
  expect(alone.worthAsking).toBe(true);
  // Fifty elsewhere in a hundred years, and a prior of one in fifty: 51 ÷ 150 a year.
  const common = coincidence({ count: 3, years: 6, allCount: 53, allYears: 106, usual: 0.02 });
  expect(common.expected).toBeCloseTo((6 * 51) / 150, 12);
  expect(common.worthAsking).toBe(false);
});

test('one failure is no pattern, and where nothing can be expected nothing is told', () => {
  expect(
    coincidence({ count: 1, years: 1, allCount: 1, allYears: 1, usual: 1e-6 }).worthAsking,
  ).toBe(false);
  expect(coincidence({ count: 5, years: 1, allCount: 5, allYears: 1, usual: 0 })).toMatchObject({
    worthAsking: false,
  });
  expect(worthOfLooking({ count: 4, years: 2 }, { expected: 1 }, 3, 100)).toBe(450);
  expect(worthOfLooking({ count: 1, years: 0 }, { expected: 1 }, 3, 100)).toBe(0);
  expect(worthOfLooking({ count: 1, years: 2 }, { expected: 3 }, 3, 100)).toBe(0);
});

const failure = (job: string, unit: string, site: string, daysAgo: number): Failure => ({
  ...{ job, unit, site, sheet: 'roof', what: 'board', name: 'Inverter board', number: 'N-1' },
  ...{ at: NOW - daysAgo * DAY, technician: job, codes: ['47', job] },
});
const fleet = (n: number) =>
  Array.from({ length: n }, (_, i) => ({
    unit: `u${i}`,
    site: i < 3 ? 'inn' : `s${i}`,
    sheet: 'roof',
    since: NOW - 2000 * DAY,
  }));
const input = (failures: readonly Failure[], units = fleet(60)): PatternInput => ({
  ...{ failures, units, fittings: [] },
  ...{ shareOf: () => 0.2, costOf: () => 500, now: NOW },
});

test('three units on one roof in three months, where sixty stand: the site is asked about', () => {
  const failures = [
    failure('a', 'u0', 'inn', 100),
    failure('b', 'u1', 'inn', 60),
    failure('c', 'u2', 'inn', 10),
  ];
  const [found, ...others] = patternsIn(input(failures));
  expect(others).toEqual([]);
  expect(found).toMatchObject({ by: 'site', group: 'inn', count: 3, units: 3 });
  expect(found!.years).toBeCloseTo(6, 1);
  // 3 repairs in 120 years of the shop, a fifth of them this part; elsewhere none in 114.
  const usual = (3 / 120) * 0.2;
  expect(found!.expected).toBeCloseTo(6 / (114 + 1 / usual), 4);
  expect(found!.p).toBeLessThan(1e-4);
  expect(found!.shared).toEqual(['the same code: 47']);
  expect(found!.worth).toBeGreaterThan(0);
});

test('spread over the shop it is no site’s; older ones and those to come do not count', () => {
  const spread = [3, 9, 20].map((i, k) => failure(`j${k}`, `u${i}`, `s${i}`, 50 * k + 1));
  expect(patternsIn(input(spread)).filter(({ by }) => by === 'site')).toEqual([]);
  const old = [900, 800, 750].map((days, k) => failure(`o${k}`, `u${k}`, 'inn', days));
  const ahead = [-5, -6, -7].map((days, k) => failure(`f${k}`, `u${k}`, 'inn', days));
  expect(patternsIn(input([...old, ...ahead]))).toEqual([]);
  // No unit, no years, no failure: nothing to divide by.
  expect(patternsIn(input([], []))).toEqual([]);
  expect(patternsIn(input([failure('x', 'u', 'inn', 5)], []))).toEqual([]);
});

test('a batch whose parts fail again is told; the same parts from elsewhere are what it is held against', () => {
  const fittings = Array.from({ length: 40 }, (_, i): Fitting => {
    const bad = i < 4;
    return {
      ...{ unit: `u${i}`, sheet: 'roof', what: 'board', name: 'Inverter board' },
      ...{ at: NOW - 400 * DAY, batch: bad ? '717' : '801', supplier: 'Peças Vale' },
      ...(bad && {
        until: NOW - (200 - i * 40) * DAY,
        failed: failure(`j${i}`, `u${i}`, `s${i}`, 200 - i * 40),
      }),
    };
  });
  const failures = fittings.flatMap(({ failed }) => failed ?? []);
  const found = patternsIn({ ...input(failures), fittings });
  expect(found[0]).toMatchObject({ by: 'batch', group: '717', count: 4 });
  // All are from one supplier: that says nothing.
  expect(found.filter(({ by }) => by === 'supplier')).toEqual([]);
  // The same four failures are not told again under another name.
  const keys = found.map(({ events }) => events.map(({ job }) => job).join());
  expect(new Set(keys).size).toBe(keys.length);
});

test('one number in two kinds of machine, and a season', () => {
  const other = (each: Failure): Failure => ({ ...each, sheet: 'wall', what: 'pcb' });
  const twoKinds = [
    failure('a', 'u4', 's4', 30),
    failure('b', 'u5', 's5', 130),
    other(failure('c', 'w1', 'x1', 230)),
    other(failure('d', 'w2', 'x2', 330)),
  ];
  const units = [
    ...fleet(30),
    ...[1, 2].map((i) => ({ unit: `w${i}`, site: `x${i}`, sheet: 'wall', since: 0 })),
    ...Array.from({ length: 200 }, (_, i) => ({
      ...{ unit: `o${i}`, site: `o${i}`, sheet: 'oven', since: 0 },
    })),
  ];
  expect(patternsIn({ ...input(twoKinds, units), shareOf: () => 0.02 })).toContainEqual(
    expect.objectContaining({ by: 'part', group: 'N-1', count: 4 }),
  );
  // Nine of ten in the northern winter.
  const winter = Array.from({ length: 9 }, (_, i) => ({
    ...failure(`w${i}`, `u${i + 5}`, `s${i + 5}`, 0),
    at: Date.UTC(2026, i % 2, 3 + i),
  }));
  const found = patternsIn(input([...winter, failure('s', 'u50', 's50', 150)]));
  expect(found.find(({ by }) => by === 'season')).toMatchObject({ group: '12', count: 9 });
});
