/** What a hard look found, each with the figures by which it was found. */
import { METER_FUNCTIONS } from '../meter/functions';
import type { Expectation } from './expectation';
import { judgeTogether, type TogetherRule } from './groups/index';
import type { GroupReading } from './groups/readings';
import { judge, possibleOutcomes } from './judge';
import { judgeSeries, type SeriesExpectation } from './series/index';
import { DC_FUNCTIONS } from './signs';
import { errorsOf } from './uncertainty/errors';

const value = (x: number) => ({ kind: 'value' as const, value: x });
const OL = { kind: 'overload' as const };

test('−300 A by a clamp do not pass for “at most 10 A”: the clamp lies the other way round', () => {
  const expect10: Expectation = { kind: 'atMost', high: 10, unit: 'A' };
  const got = judge({ expect: expect10, reading: value(-300), function: 'clamp=' });
  expect(got).toMatchObject({ verdict: 'out', outcome: 'high', signFlagged: true });
  for (const fn of DC_FUNCTIONS) expect(METER_FUNCTIONS).toHaveProperty([fn, 'signed'], true);
});

test.each<[string, Expectation, string | undefined, string]>([
  ['volts', { kind: 'between', low: 10, high: 14, unit: 'V' }, 'V=', 'high'],
  ['amps', { kind: 'atMost', high: 3, unit: 'A' }, 'clamp~', 'high'],
  ['ohms', { kind: 'between', low: 10, high: 14, unit: 'ohm' }, 'ohm', 'open'],
  ['a diode', { kind: 'between', low: 0.3, high: 0.7, unit: 'V' }, 'diode', 'open'],
])('OL on %s', (_, expected, fn, outcome) => {
  const got = judge({ expect: expected, reading: OL, ...(fn && { function: fn }) });
  expect(got).toMatchObject({ verdict: 'out', outcome });
  // Over the range is a figure; that nothing conducts is an absence, which a probe on paint shows as well.
  expect(got.contactOwed).toBe(outcome === 'open');
  expect(possibleOutcomes(expected, fn)).toContain(outcome);
  expect(possibleOutcomes(expected, fn).includes('open')).toBe(outcome === 'open');
});

test('5,000 figures of a steady rail are judged by their ends, in one pass', () => {
  const samples = Array.from({ length: 5000 }, (_, i) => ({
    t: i / 100,
    value: 5 + (i % 7) / 1000,
  }));
  const steady: SeriesExpectation = { kind: 'steady', spread: 0.1, seconds: 10, unit: 'V' };
  const errors = (x: number) => errorsOf({ percent: 0.5, absolute: 0.002 }, x);
  expect(judgeSeries(steady, { samples }, errors)).toMatchObject({ verdict: 'in', edge: false });
});

test('a store counts as below 24 V by the meter’s error at 24 V, not at the 310 V it began with', () => {
  const falls: SeriesExpectation = { kind: 'decays', below: 24, seconds: 120, unit: 'V' };
  const samples = [310, 150, 70, 34, 22.5].map((x, i) => ({ t: i * 30, value: x }));
  // ±(2 % + 0.2 V): 0.7 V at 24 V, 6.4 V at 310 V.
  const got = judgeSeries(falls, { samples }, (x) => errorsOf({ percent: 2, absolute: 0.2 }, x));
  expect(got).toMatchObject({ verdict: 'in', outcome: 'ok' });
});

test.each([
  ['ten in 400 s is no rise by ten in 60 s', 400, 'still'],
  ['ten in 50 s is', 50, 'ok'],
])('%s', (_, length, outcome) => {
  const rises: SeriesExpectation = { kind: 'rises', by: 10, seconds: 60, unit: 'degC' };
  const samples = Array.from({ length: 41 }, (__, i) => ({
    t: (i * length) / 40,
    value: 20 + (i * 10.5) / 40,
  }));
  expect(judgeSeries(rises, { samples }).outcome).toBe(outcome);
  // A pause before it began changes nothing.
  const later = [{ t: 0, value: 20 }, ...samples.map((each) => ({ ...each, t: each.t + 300 }))];
  expect(judgeSeries(rises, { samples: later }).outcome).toBe(outcome);
});

describe('a bridge whose twelve readings are each in', () => {
  const drop: Expectation = { kind: 'between', low: 0.35, high: 0.6, unit: 'V' };
  const blocked: Expectation = { kind: 'atLeast', low: 1.2, unit: 'V' };
  const rule: TogetherRule = {
    id: 'm',
    kind: 'matrix',
    spread: 0.04,
    forward: ['a', 'b', 'c', 'd', 'e', 'f'],
    blocked: ['g', 'h', 'i', 'j', 'k', 'l'],
  };
  const meter = { percent: 1, absolute: 0.002 };
  const take = (id: string, expected: Expectation, reading: GroupReading['reading']) => ({
    id,
    unit: 'V' as const,
    reading,
    judgement: judge({ expect: expected, reading, meter, function: 'diode' }),
  });
  test('is in, at the edge where six of them lie near their limit', () => {
    const readings = [
      ...rule.forward.map((id) => take(id, drop, value(0.356))),
      ...rule.blocked.map((id) => take(id, blocked, OL)),
    ];
    for (const { judgement } of readings) expect(judgement.verdict).toBe('in');
    expect(judgeTogether(rule, readings)).toMatchObject({ verdict: 'in', edge: true });
  });
  test('one of them shorted decides, as before', () => {
    const readings = [
      ...rule.forward.map((id, i) => take(id, drop, value(i === 2 ? 0.001 : 0.45))),
      ...rule.blocked.map((id) => take(id, blocked, OL)),
    ];
    expect(judgeTogether(rule, readings)).toMatchObject({ verdict: 'out', outcome: 'short' });
  });
});
