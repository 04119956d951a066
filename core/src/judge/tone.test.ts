/** Tone and silence are intervals; peaks are bounds; limits may be blurred themselves. */
import fc from 'fast-check';
import type { Expectation } from './expectation';
import { judgeTogether, type TogetherRule } from './groups/index';
import { judge, possibleOutcomes } from './judge';
import type { Reading } from './reading';
import { toneWords } from './tone';

const heard = (expect: Expectation, kind: 'tone' | 'silence', soundsBelow?: number) =>
  judge({
    expect,
    reading: { kind },
    function: 'continuity',
    ...(soundsBelow !== undefined && { soundsBelow }),
  });
const atMost = (high: number): Expectation => ({ kind: 'atMost', high, unit: 'ohm' });
const open: Expectation = { kind: 'open', above: 1e6, unit: 'ohm' };

test.each([
  ['a fuse, at most 1 Ω, on a meter that sounds below 40', atMost(1), 'tone', 40, 'cannot-tell'],
  ['the same, silent: it is far above', atMost(1), 'silence', 40, 'out'],
  ['at most 100 Ω: whatever sounds is good', atMost(100), 'tone', 40, 'in'],
  ['at most 100 Ω, silent: 40 to 100 would be good', atMost(100), 'silence', 40, 'cannot-tell'],
  ['must be open, and sounds', open, 'tone', 40, 'out'],
  ['must be open above 1 MΩ: silence is not enough', open, 'silence', 40, 'cannot-tell'],
  [
    '4 Ω element on a meter that sounds below 3',
    { kind: 'nominal', value: 4, percent: 10, unit: 'ohm' },
    'silence',
    3,
    'cannot-tell',
  ],
  ['it must sound, and does', { kind: 'sounds', unit: 'ohm' }, 'tone', 40, 'in'],
  ['it must sound, and is silent', { kind: 'sounds', unit: 'ohm' }, 'silence', 40, 'out'],
  ['it must be silent, and sounds', { kind: 'silent', unit: 'ohm' }, 'tone', 40, 'out'],
] as const)('%s: %s', (_words, expect, kind, soundsBelow, verdict) => {
  expected(heard(expect, kind, soundsBelow).verdict).toBe(verdict);
});
const expected = expect;

test('silence that accuses owes its contact, and is named open; a tone is named shorted', () => {
  expect(heard(atMost(1), 'silence', 40)).toMatchObject({ outcome: 'open', contactOwed: true });
  expect(heard(open, 'tone', 40)).toMatchObject({ outcome: 'short', contactOwed: false });
});

test('a meter whose threshold nobody knows may sound at 10 or at 250 Ω', () => {
  expect(heard(atMost(100), 'tone').verdict).toBe('cannot-tell');
  expect(heard(atMost(300), 'tone').verdict).toBe('in');
  expect(heard(atMost(5), 'silence').verdict).toBe('out');
});

test('leads that were zeroed come off the threshold', () => {
  const with3 = { value: 3, half: 0.1 };
  const judged = (lead?: typeof with3) =>
    judge({
      expect: atMost(38),
      reading: { kind: 'tone' },
      function: 'continuity',
      soundsBelow: 40,
      ...(lead && { lead }),
    });
  expect(judged().verdict).toBe('cannot-tell');
  expect(judged(with3).verdict).toBe('in');
});

test('a figure on a test that wants a tone is held against what is meant by continuity', () => {
  const at = (value: number) =>
    judge({ expect: { kind: 'sounds', unit: 'ohm' }, reading: { kind: 'value', value } }).verdict;
  expect([at(0.4), at(35), at(900)]).toEqual(['in', 'in', 'out']);
});

test('it is said before it misleads', () => {
  const words = (expect: Expectation, low: number, high: number, below?: number) =>
    toneWords(expect, { low, high }, below).replaceAll('\u2009', ' ');
  expect(words(atMost(1), -Infinity, 1, 40)).toMatch('sounds below 40 Ω. A tone cannot tell');
  expect(words(open, 1e6, Infinity, 40)).toMatch('Silence cannot tell');
  expect(words(atMost(40), -Infinity, 40, 40)).toBe('This meter sounds below 40 Ω.');
  expect(words(atMost(1), -Infinity, 1)).toMatch('No threshold is known');
});

test('what a tone says never contradicts a figure that would have sounded', () => {
  const limits = fc.oneof(
    fc.double({ min: 0.1, max: 500, noNaN: true }).map(atMost),
    fc
      .double({ min: 0.1, max: 500, noNaN: true })
      .map((low): Expectation => ({ kind: 'atLeast', low, unit: 'ohm' })),
  );
  const some = fc.double({ min: 0.001, max: 1000, noNaN: true });
  fc.assert(
    fc.property(limits, some, some, (expect, value, soundsBelow) => {
      const figure = judge({ expect, reading: { kind: 'value', value } });
      const by = heard(expect, value < soundsBelow ? 'tone' : 'silence', soundsBelow);
      expected(by.verdict === 'cannot-tell' || by.verdict === figure.verdict).toBe(true);
      // And every class it names is one that the test can yield.
      const known = possibleOutcomes(expect, 'continuity');
      expected(Object.keys(by.p).every((each) => known.includes(each))).toBe(true);
      expected(Object.values(by.p).reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 12);
    }),
  );
});

const amps = (peak?: true): Expectation => ({
  kind: 'between',
  low: 4,
  high: 8,
  unit: 'A',
  ...(peak && { peak }),
});
test.each([
  ['a peak in the band: the standing figure may be lower', amps(), 6, true, 'cannot-tell'],
  ['a peak below the band: what stands is lower still', amps(), 3, true, 'out'],
  ['a peak above the band: it may only have been the start', amps(), 20, true, 'cannot-tell'],
  ['a peak that keeps at most 8 A', { kind: 'atMost', high: 8, unit: 'A' }, 6, true, 'in'],
  ['the peak is wanted, and is a peak', amps(true), 6, true, 'in'],
  ['the peak is wanted, and the standing figure is over it', amps(true), 9, false, 'out'],
  ['the peak is wanted, and a figure stands in the band', amps(true), 6, false, 'cannot-tell'],
] as const)('%s', (_words, expect, value, peak, verdict) => {
  const reading = { kind: 'value' as const, value, ...(peak && { peak: true as const }) };
  const judged = judge({ expect, reading, function: 'A~' });
  expected(judged.verdict).toBe(verdict);
  expected(Object.values(judged.p).reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 12);
});

test('limits that may be off themselves blur the verdict: ±0.5 K of a thermometer', () => {
  const near = { kind: 'between', low: 18, high: 22, unit: 'degC' } as const;
  const at = (limitHalf?: number) =>
    judge({
      expect: { ...near, ...(limitHalf !== undefined && { limitHalf }) },
      reading: { kind: 'value', value: 21.9 },
    });
  expect(at().verdict).toBe('in');
  // u = 0.5/√3 = 0.2887; (22 − 21.9)/u = 0.346, P = 0.635
  expect(at(0.5).verdict).toBe('cannot-tell');
  expect(at(0.5).p.ok).toBeCloseTo(0.6355, 3);
});

test('a tone among figures leaves a rule over them open: it is no figure, and no OL either', () => {
  const band: Expectation = { kind: 'between', low: 1, high: 100, unit: 'ohm' };
  const of = (id: string, reading: Reading) => ({
    id,
    unit: 'ohm' as const,
    reading,
    judgement: judge({ expect: band, reading, function: 'continuity' }),
  });
  const figure = (id: string) => of(id, { kind: 'value', value: 7 });
  const rules = [
    { id: 'r', kind: 'balance', percent: 3 },
    { id: 'r', kind: 'sum', whole: 'a', parts: ['b', 'c'], percent: 5 },
  ] as unknown as TogetherRule[];
  for (const rule of rules) {
    const judged = judgeTogether(rule, [figure('a'), of('b', { kind: 'tone' }), figure('c')]);
    expected(judged).toMatchObject({ verdict: 'not-settled', outcome: 'ok' });
    expected(judged.sentence).toMatch('b was heard, not read');
  }
});
