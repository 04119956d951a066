import { evenErrors } from '../uncertainty/errors';
import fc from 'fast-check';
import { decayTime, fitDecay } from './decays';
import { correlation } from './follows';
import { patternOf } from './pattern';
import {
  driverOf,
  eventOf,
  isSeries,
  judgeSeries,
  secondsOf,
  seriesOutcomes,
  type SeriesExpectation,
} from './index';
import { crossing, monotoneShare, slopeOf, type Sample } from './samples';

/** Evenly spaced figures, `every` seconds apart. */
const at = (every: number, values: readonly number[]): Sample[] =>
  values.map((value, i) => ({ t: i * every, value }));
const judged = (expect: SeriesExpectation, samples: Sample[], event?: number, u = 0) =>
  judgeSeries(expect, { samples, ...(event !== undefined && { event }) }, evenErrors(u));
const V = { unit: 'V' as const };

test('steady: 0.07 V over ten seconds is steady at 0.1 V, unsteady at 0.05', () => {
  const samples = at(3.4, [5.02, 5.05, 4.98, 5.01]);
  expect(judged({ kind: 'steady', spread: 0.1, seconds: 10, ...V }, samples).verdict).toBe('in');
  expect(judged({ kind: 'steady', spread: 0.05, seconds: 10, ...V }, samples).outcome).toBe(
    'unsteady',
  );
  const soon = judged({ kind: 'steady', spread: 0.1, seconds: 60, ...V }, samples);
  expect(soon.verdict).toBe('not-settled');
  expect(soon.sentence).toMatch('Watch it for 60 s');
});

describe('decays', () => {
  test('310 V to 114 V in 60 s is τ = 60 s, and reaches 24 V after 153.5 s', () => {
    const fit = fitDecay([
      { t: 0, value: 310 },
      { t: 60, value: 114 },
    ])!;
    expect(fit.tau).toBeCloseTo(59.98, 1);
    expect(decayTime(fit, 24)).toBeCloseTo(153.5, 0);
    expect(
      fitDecay([
        { t: 0, value: 5 },
        { t: 1, value: 6 },
      ]),
    ).toBeUndefined();
    expect(fitDecay([{ t: 0, value: 0 }])).toBeUndefined();
  });
  const rule: SeriesExpectation = { kind: 'decays', below: 24, seconds: 120, ...V };
  test('in time, too slow, not at all, and too soon to say', () => {
    expect(judged(rule, at(30, [310, 150, 60, 20])).verdict).toBe('in');
    expect(judged(rule, at(50, [310, 200, 130, 80])).outcome).toBe('slow');
    expect(judged(rule, at(50, [310, 310, 310, 310])).outcome).toBe('still');
    expect(judged(rule, at(30, [310, 250])).sentence).toMatch(/Take one then/);
    expect(judged(rule, []).verdict).toBe('not-settled');
  });
});

describe('trends', () => {
  const rises: SeriesExpectation = { kind: 'rises', by: 12, seconds: 300, unit: 'degC' };
  test('−6 to 8 °C rises by 14 K', () => {
    const samples = at(75, [-6, -4, -1, 3, 8]);
    expect(monotoneShare(samples, 1)).toBe(1);
    expect(judged(rises, samples).verdict).toBe('in');
  });
  test('too little, the wrong way, up and down', () => {
    expect(judged(rises, at(100, [-6, -5, -4, -4])).outcome).toBe('still');
    expect(judged(rises, at(100, [8, 2, -4, -8])).outcome).toBe('wrong-way');
    expect(judged(rises, at(100, [0, 40, 0, 13])).outcome).toBe('unsteady');
    expect(judged(rises, at(10, [0, 1, 2])).verdict).toBe('not-settled');
    expect(judged({ ...rises, kind: 'falls' }, at(100, [20, 10, 5, 2])).verdict).toBe('in');
  });
});

test('holds: 2.9 to 2.7 V over 30 s holds; a sag to 0.3 V is low, to nothing is none', () => {
  const rule: SeriesExpectation = { kind: 'holds', low: 2.4, high: 3.1, seconds: 20, ...V };
  expect(judged(rule, at(15, [2.9, 2.8, 2.7])).verdict).toBe('in');
  expect(judged(rule, at(15, [2.9, 1.1, 0.3])).outcome).toBe('low');
  expect(judged(rule, at(15, [2.9, 1.1, 0.1])).outcome).toBe('none');
  expect(judged(rule, at(15, [2.9, 3.4, 2.9])).outcome).toBe('high');
  expect(judged(rule, at(5, [2.9, 2.9])).verdict).toBe('not-settled');
});

test('pulses: rises through 6 V about every two seconds', () => {
  const rule: SeriesExpectation = {
    kind: 'pulses',
    threshold: 6,
    seconds: 7,
    count: [3, 5],
    period: [1.5, 2.5],
    ...V,
  };
  const wave = at(0.5, [0, 12, 12, 0, 0, 12, 12, 0, 0, 12, 12, 0, 0, 12, 0, 0]);
  expect(judged(rule, wave).verdict).toBe('in');
  expect(judged(rule, at(0.5, Array<number>(16).fill(0))).outcome).toBe('none');
  expect(judged({ ...rule, count: [6, 9] }, wave).outcome).toBe('few');
  expect(judged({ ...rule, count: [1, 2] }, wave).outcome).toBe('many');
  expect(judged({ ...rule, period: [3, 4] }, wave).outcome).toBe('fast');
  expect(judged({ ...rule, period: [0.1, 1] }, wave).outcome).toBe('slow');
});

describe('events', () => {
  const step: SeriesExpectation = {
    kind: 'step',
    event: 'flame',
    before: [110, 130],
    after: [0, 5],
    ...V,
  };
  test('120 V before the flame and nothing after it is success', () => {
    expect(judged(step, at(1, [121, 120, 0.3]), 1.5).verdict).toBe('in');
    expect(judged(step, at(1, [121, 120, 119]), 1.5).outcome).toBe('still');
    expect(judged(step, at(1, [3, 2, 0.3]), 1.5).outcome).toBe('before-wrong');
    expect(judged(step, at(1, [121, 120])).sentence).toMatch('Mark the moment: flame');
  });
  test('within: 24 V 6.5 s after the event, 4 to 10 s wanted', () => {
    const within: SeriesExpectation = {
      kind: 'within',
      event: 'hot',
      level: 20,
      side: 'above',
      after: [4, 10],
      ...V,
    };
    const samples = [
      { t: 0, value: 0 },
      { t: 6, value: 0 },
      { t: 7, value: 40 },
    ];
    expect(judged(within, samples, 0).verdict).toBe('in');
    expect(judged(within, samples, 5).outcome).toBe('early');
    expect(judged({ ...within, after: [1, 4] }, samples, 0).outcome).toBe('late');
    expect(judged(within, at(6, [0, 0, 0]), 0).outcome).toBe('never');
    expect(judged(within, samples).verdict).toBe('not-settled');
  });
  test('a level that stood before the event is no reaction to it', () => {
    const within: SeriesExpectation = {
      kind: 'within',
      event: 'called',
      level: 20,
      side: 'above',
      after: [0, 10],
      ...V,
    };
    const stood = judged(within, at(1, [24, 24, 24, 24]), 1.5);
    expect(stood).toMatchObject({ verdict: 'out', outcome: 'early' });
    expect(stood.sentence).toMatch('no reaction');
    expect(judged(within, at(1, [0, 0, 24, 24]), 1.5).verdict).toBe('in');
  });
  test('acts at: opened between 205 and 215 °C, 190 to 230 wanted', () => {
    const acts: SeriesExpectation = {
      kind: 'acts-at',
      event: 'opens',
      low: 190,
      high: 230,
      unit: 'degC',
    };
    const warm = at(1, [180, 195, 205, 215]);
    expect(judged(acts, warm, 2.5)).toMatchObject({
      verdict: 'in',
      sentence: expect.stringContaining('210') as string,
    });
    expect(judged(acts, warm, 0.5).outcome).toBe('early');
    expect(judged(acts, at(1, [180, 220, 260])).outcome).toBe('never');
    expect(judged(acts, at(1, [180, 200])).verdict).toBe('not-settled');
  });
});

test('starts: 230 V 182 s after the call, 170 to 200 s wanted; at once is no start delay', () => {
  const starts: SeriesExpectation = {
    kind: 'starts',
    level: 200,
    side: 'above',
    after: [170, 200],
    ...V,
  };
  const on = (second: number) => [
    { t: 0, value: 0 },
    { t: second - 1, value: 0 },
    { t: second, value: 230 },
    { t: 260, value: 230 },
  ];
  expect(judged(starts, on(182)).verdict).toBe('in');
  expect(judged(starts, on(20)).outcome).toBe('early');
  expect(judged(starts, on(240)).outcome).toBe('late');
  expect(judged(starts, at(130, [0, 0, 0])).outcome).toBe('never');
  expect(judged(starts, at(60, [0, 0])).sentence).toMatch('Watch it for 200 s');
});

test('peak: 31 A within a second, 24 to 40 wanted; 12 A is no start, and near a limit it is told', () => {
  const peak: SeriesExpectation = { kind: 'peak', low: 24, high: 40, seconds: 1, unit: 'A' };
  const inrush = (top: number) => at(0.25, [0, top, top / 2, 6, 6]);
  expect(judged(peak, inrush(31)).verdict).toBe('in');
  expect(judged(peak, inrush(12)).outcome).toBe('low');
  expect(judged(peak, inrush(55)).outcome).toBe('high');
  expect(judged(peak, inrush(39.5), undefined, 2).verdict).toBe('cannot-tell');
  expect(judged(peak, at(0.25, [0, 31])).verdict).toBe('not-settled');
});

test('pulses in a band of height, without a pause too long', () => {
  const rule: SeriesExpectation = {
    kind: 'pulses',
    threshold: 2,
    seconds: 5,
    height: [4, 6],
    gap: 2.5,
    ...V,
  };
  const even = at(0.5, [0, 5, 0, 0, 5.2, 0, 0, 4.8, 0, 0, 5, 0]);
  expect(judged(rule, even).verdict).toBe('in');
  expect(judged(rule, at(0.5, [0, 5, 0, 0, 3, 0, 0, 5, 0, 0, 5, 0]))).toMatchObject({
    outcome: 'small',
  });
  expect(judged(rule, at(0.5, [0, 5, 0, 0, 9, 0, 0, 5, 0, 0, 5, 0])).outcome).toBe('large');
  const paused = judged(rule, at(0.5, [0, 5, 0, 0, 0, 0, 0, 0, 0, 0, 5, 0]));
  expect(paused).toMatchObject({ outcome: 'gap' });
  // Without either the rule has no such outcome.
  expect(seriesOutcomes({ kind: 'pulses', threshold: 2, seconds: 5, ...V })).not.toContain('gap');
});

test('follows with bands at named settings: low at low fire, or nobody looked there', () => {
  const rule: SeriesExpectation = {
    kind: 'follows',
    driver: 'rate',
    at: [
      { name: 'low fire', driver: 20, low: 2.5e-6 },
      { name: 'high fire', driver: 100, low: 4e-6, high: 8e-6 },
    ],
    unit: 'A',
  };
  const drives = (rates: readonly number[], values: readonly number[]) =>
    rates.map((driver, t) => ({ t, driver, value: values[t]! * 1e-6 }));
  expect(judged(rule, drives([20, 60, 100], [2.8, 3.4, 4.9])).verdict).toBe('in');
  const low = judged(rule, drives([20, 60, 100], [2.1, 3.4, 4.9]));
  expect(low).toMatchObject({ verdict: 'out', outcome: 'low' });
  expect(low.sentence).toMatch('At low fire');
  expect(judged(rule, drives([50, 60, 100], [2.8, 3.4, 4.9]))).toMatchObject({
    verdict: 'not-settled',
    sentence: 'A figure at low fire is missing: rate there.',
  });
});

test('follows: 2.1, 3.4, 4.9 µA at 20, 60, 100 % correlate with 0.999', () => {
  const samples = [20, 60, 100].map((driver, i) => ({
    t: i,
    value: [2.1e-6, 3.4e-6, 4.9e-6][i]!,
    driver,
  }));
  expect(correlation(samples)).toBeCloseTo(0.999, 3);
  const rule: SeriesExpectation = {
    kind: 'follows',
    driver: 'rate',
    least: 0.8,
    low: 3e-6,
    high: 12e-6,
    unit: 'A',
  };
  expect(judged(rule, samples).verdict).toBe('in');
  expect(
    judged(
      rule,
      samples.map((s) => ({ ...s, value: s.value / 4 })),
    ).outcome,
  ).toBe('low');
  expect(
    judged(
      rule,
      samples.map((s) => ({ ...s, value: 2e-6 })),
    ).outcome,
  ).toBe('still');
  expect(
    judged(
      rule,
      samples.map((s) => ({ ...s, value: -s.value })),
    ).outcome,
  ).toBe('wrong-way');
  expect(judged(rule, samples.slice(0, 2)).verdict).toBe('not-settled');
});

test('flexed: 0.4 to 0.6 Ω is sound, 0.4 Ω to far more is broken inside', () => {
  const rule: SeriesExpectation = { kind: 'flexed', high: 1, spread: 0.5, unit: 'ohm' };
  expect(judged(rule, at(1, [0.4, 0.6, 0.5])).verdict).toBe('in');
  expect(judged(rule, at(1, [0.4, 900, 0.5])).outcome).toBe('flex');
  expect(judged(rule, at(1, [2.1, 2.2])).outcome).toBe('high');
});

test('lights: steady, regular, erratic, once then dark, dark', () => {
  const light = (...on: number[]) => on.map((value, i) => ({ t: i * 0.5, value }));
  expect(patternOf(light(1, 1, 1))).toBe('steady');
  expect(patternOf(light(0, 0, 0))).toBe('dark');
  expect(patternOf(light(1, 0, 0, 0))).toBe('once-then-dark');
  expect(patternOf(light(1, 0, 1, 0, 1, 0, 1, 0))).toBe('regular');
  expect(patternOf(light(1, 0, 1, 0, 0, 1, 0, 1, 1, 1, 0, 0, 1, 0))).toBe('erratic');
  const rule: SeriesExpectation = { kind: 'pattern', is: 'steady', seconds: 1, unit: 'count' };
  expect(judged(rule, light(1, 1, 1)).verdict).toBe('in');
  expect(judged(rule, light(1, 0, 1, 0, 1)).outcome).toBe('regular');
  expect(judged(rule, light(1)).verdict).toBe('not-settled');
});

test('small things: slope, crossing, what a rule asks for', () => {
  expect(slopeOf(at(1, [0, 2, 4]))).toBeCloseTo(2, 12);
  expect(slopeOf(at(1, [3]))).toBe(0);
  expect(crossing(at(1, [0, 10]), 5, 1)).toBe(0.5);
  expect(crossing(at(1, [0, 4]), 5, 1)).toBeUndefined();
  expect(eventOf({ kind: 'step', event: 'flame', before: [0, 1], after: [0, 1], ...V })).toBe(
    'flame',
  );
  expect(driverOf({ kind: 'follows', driver: 'rate', ...V })).toBe('rate');
  expect(secondsOf({ kind: 'flexed', spread: 1, ...V })).toBe(0);
  expect(isSeries({ kind: 'nominal' })).toBe(false);
});

const RULES: readonly SeriesExpectation[] = [
  { kind: 'steady', spread: 1, seconds: 3, ...V },
  { kind: 'decays', below: 24, seconds: 10, ...V },
  { kind: 'rises', by: 5, seconds: 3, ...V },
  { kind: 'falls', by: 5, seconds: 3, ...V },
  { kind: 'holds', low: 1, high: 9, seconds: 3, ...V },
  { kind: 'pulses', threshold: 5, seconds: 3, count: [1, 3], period: [1, 2], ...V },
  { kind: 'step', event: 'e', before: [1, 9], after: [0, 1], ...V },
  { kind: 'follows', driver: 'd', low: 0, high: 9, ...V },
  { kind: 'acts-at', event: 'e', low: 1, high: 9, ...V },
  { kind: 'within', event: 'e', level: 5, side: 'below', after: [0, 5], ...V },
  { kind: 'flexed', low: 0, high: 9, spread: 1, ...V },
  { kind: 'starts', level: 5, side: 'above', after: [1, 4], ...V },
  { kind: 'peak', low: 1, high: 9, seconds: 3, ...V },
  {
    kind: 'pulses',
    threshold: 5,
    seconds: 3,
    height: [6, 9],
    gap: 2,
    ...V,
  },
  {
    kind: 'follows',
    driver: 'd',
    at: [{ name: 'x', driver: 5, low: 0, high: 9 }],
    ...V,
  },
  { kind: 'pattern', is: 'regular', seconds: 3, unit: 'count' },
];

test('any series at all: probabilities sum to 1, name possible outcomes, and nothing is NaN', () => {
  const sample = fc.record({
    step: fc.double({ min: 0, max: 5, noNaN: true }),
    value: fc.double({ min: -1e3, max: 1e3, noNaN: true }),
    driver: fc.double({ min: 0, max: 100, noNaN: true }),
  });
  fc.assert(
    fc.property(
      fc.constantFrom(...RULES),
      fc.array(sample, { maxLength: 12 }),
      fc.option(fc.double({ min: 0, max: 30, noNaN: true }), { nil: undefined }),
      fc.double({ min: 0, max: 5, noNaN: true }),
      (rule, steps, event, u) => {
        let t = 0;
        const samples = steps.map(({ step, value, driver }) => ({ t: (t += step), value, driver }));
        const got = judged(rule, samples, event, u);
        expect(Object.values(got.p).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
        for (const outcome of Object.keys(got.p)) expect(seriesOutcomes(rule)).toContain(outcome);
        expect(JSON.stringify(got.p)).not.toMatch('null');
        expect(got.sentence).not.toMatch(/NaN|undefined|Infinity/);
      },
    ),
    { numRuns: 800 },
  );
});

test('scale-free: millivolts hold as volts do', () => {
  const value = fc.double({ min: 0, max: 10, noNaN: true });
  fc.assert(
    fc.property(fc.array(value, { minLength: 3, maxLength: 8 }), (values) => {
      const scaled = (k: number) =>
        judged(
          { kind: 'holds', low: 2 * k, high: 8 * k, seconds: 1, ...V },
          at(
            1,
            values.map((v) => v * k),
          ),
        ).verdict;
      expect(scaled(1024)).toBe(scaled(1));
    }),
  );
});
