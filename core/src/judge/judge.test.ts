import fc from 'fast-check';
import { InvalidInputError } from '../errors';
import type { Expectation } from './expectation';
import { judge, possibleOutcomes, type JudgeInput } from './judge';
import { limitWords, verdictWords } from './words';

const volts = (low: number, high: number): Expectation => ({
  kind: 'between',
  low,
  high,
  unit: 'V',
});
const reading = (value: number) => ({ kind: 'value' as const, value });

describe('worked examples', () => {
  test('0.46 V against 0.33 to 0.62 V on a 1 % + 2 mV meter is in', () => {
    const got = judge({
      expect: volts(0.33, 0.62),
      reading: reading(0.46),
      meter: { percent: 1, absolute: 0.002 },
    });
    // a = 0.0046 + 0.002 = 0.0066; u = 0.0066/√3
    expect(got.u).toBeCloseTo(0.0038105, 6);
    expect(got).toMatchObject({ verdict: 'in', outcome: 'ok', edge: false });
  });

  test('a reading inside the meter’s doubt cannot be told', () => {
    const got = judge({
      expect: volts(4.75, 5.25),
      reading: reading(5.24),
      meter: { percent: 0.5, absolute: 0.02 },
    });
    // d = 0.01, u = 0.0462/√3 = 0.02667, Φ(0.375) = 0.646
    expect(got.p.ok).toBeCloseTo(0.646, 3);
    expect(got.verdict).toBe('cannot-tell');
  });

  test('leads are subtracted from ohms only, and widen the doubt', () => {
    const lead = { value: 0.3, half: 0.2 };
    const meter = { percent: 0.9, absolute: 0.2 };
    const ohms = judge({
      expect: { kind: 'atMost', high: 1, unit: 'ohm' },
      reading: reading(0.5),
      meter,
      lead,
    });
    expect(ohms.corrected).toBeCloseTo(0.2, 12);
    expect(ohms.u).toBeCloseTo(Math.sqrt((0.2045 ** 2 + 0.2 ** 2) / 3), 12);
    expect(judge({ expect: volts(0, 1), reading: reading(0.5), lead }).corrected).toBe(0.5);
  });

  test('outside the limit but inside the watch band: watch, and the outcome still says low', () => {
    const got = judge({
      expect: { ...volts(10, 12), watch: { low: 8, high: 14 } },
      reading: reading(9),
      meter: { percent: 0.5, absolute: 0.01 },
    });
    expect(got).toMatchObject({ verdict: 'watch', outcome: 'low' });
  });

  test('in, but within two standard uncertainties of the limit: at the edge', () => {
    const meter = { percent: 0, absolute: 0.1 * Math.sqrt(3) };
    const got = judge({ expect: volts(0, 10), reading: reading(9.82), meter });
    expect(got).toMatchObject({ verdict: 'in', edge: true });
    expect(verdictWords(got)).toBe('In, at the edge');
  });
});

describe('what vanished readings are called', () => {
  test('nothing arriving at volts, a short at ohms and on diode', () => {
    expect(judge({ expect: volts(10, 12), reading: reading(0.1) }).outcome).toBe('none');
    expect(
      judge({ expect: { kind: 'atLeast', low: 400, unit: 'ohm' }, reading: reading(2) }).outcome,
    ).toBe('short');
    expect(
      judge({ expect: volts(0.35, 0.6), reading: reading(0.001), function: 'diode' }).outcome,
    ).toBe('short');
  });

  test('a floor of the sheet’s own takes precedence over a tenth of the limit', () => {
    const expect10 = { ...volts(10, 12), floor: 5 };
    expect(judge({ expect: expect10, reading: reading(4) }).outcome).toBe('none');
    expect(judge({ expect: expect10, reading: reading(6) }).outcome).toBe('low');
  });
});

describe('overload', () => {
  const overload = { kind: 'overload' as const };
  test('satisfies what has no upper limit, and is open elsewhere', () => {
    expect(
      judge({ expect: { kind: 'open', above: 1e6, unit: 'ohm' }, reading: overload }).verdict,
    ).toBe('in');
    expect(
      judge({ expect: { kind: 'atLeast', low: 5, unit: 'ohm' }, reading: overload }).verdict,
    ).toBe('in');
    expect(
      judge({ expect: { kind: 'atMost', high: 1, unit: 'ohm' }, reading: overload }),
    ).toMatchObject({
      verdict: 'out',
      outcome: 'open',
      p: { open: 1 },
    });
  });
});

describe('the sign on DC is a fact, not a fault', () => {
  test('judged by its size, and flagged', () => {
    const got = judge({ expect: volts(11, 13), reading: reading(-12), function: 'V=' });
    expect(got).toMatchObject({ verdict: 'in', corrected: 12, signFlagged: true });
  });

  test('minus 300 V does not pass for “at most 24 V”', () => {
    const got = judge({
      expect: { kind: 'atMost', high: 24, unit: 'V' },
      reading: reading(-300),
      function: 'V=',
    });
    expect(got).toMatchObject({ verdict: 'out', outcome: 'high', signFlagged: true });
  });

  test('where the sheet expects a minus, it is judged as it stands', () => {
    const got = judge({ expect: volts(-13, -11), reading: reading(-12), function: 'V=' });
    expect(got).toMatchObject({ verdict: 'in', signFlagged: false });
  });
});

describe('what would decide a doubtful reading', () => {
  test('the leads first, where they are part of the figure', () => {
    const got = judge({
      expect: { kind: 'atMost', high: 1, unit: 'ohm' },
      reading: reading(1.1),
      meter: { percent: 0.9, absolute: 0.2 },
    });
    expect(got.remedy).toMatchObject({
      limit: 1,
      ways: ['zero-leads', 'finer-range', 'better-meter'],
    });
    // Φ(d/u) = 0.95 with d = 0.1: a = √3·0.1/1.645
    expect(got.remedy!.neededHalfWidth).toBeCloseTo(0.1053, 4);
    expect(got.remedy!.sentence).toMatch(/^Zero the leads first\./);
  });

  test('a meter of just that error does decide it', () => {
    const doubtful: JudgeInput = {
      expect: volts(4.75, 5.25),
      reading: reading(5.22),
      meter: { percent: 0.5, absolute: 0.02 },
    };
    const { remedy } = judge(doubtful);
    const better = { percent: 0, absolute: remedy!.neededHalfWidth * 0.999 };
    expect(judge({ ...doubtful, meter: better }).verdict).toBe('in');
  });

  test('on the limit itself only another reading helps', () => {
    const got = judge({
      expect: volts(0, 5),
      reading: reading(5),
      meter: { percent: 1, absolute: 0.01 },
    });
    expect(got.remedy).toMatchObject({ ways: ['repeat'], neededHalfWidth: 0 });
  });
});

describe('bad input', () => {
  test.each([NaN, Infinity, -Infinity])('a reading of %p is refused', (value) => {
    expect(() => judge({ expect: volts(0, 1), reading: reading(value) })).toThrow(
      InvalidInputError,
    );
  });
  test('limits crossed, and a nominal value without tolerance', () => {
    expect(() => judge({ expect: volts(2, 1), reading: reading(1) })).toThrow('not below');
    expect(() =>
      judge({ expect: { kind: 'nominal', value: 5, unit: 'V' }, reading: reading(5) }),
    ).toThrow('plusMinus');
  });
  test('a negative accuracy', () => {
    const meter = { percent: -1, absolute: 0 };
    expect(() => judge({ expect: volts(0, 1), reading: reading(1), meter })).toThrow(
      InvalidInputError,
    );
  });
});

describe('properties', () => {
  const span = fc.double({ min: 1e-3, max: 1e3, noNaN: true });
  const x = fc.double({ min: -2e3, max: 2e3, noNaN: true });
  const meterOf = (a: number) => ({ percent: 0, absolute: a });

  test('probabilities sum to 1 and name only possible outcomes', () => {
    fc.assert(
      fc.property(span, span, x, span, (low, width, value, a) => {
        const expectation = volts(low, low + width);
        const { p } = judge({ expect: expectation, reading: reading(value), meter: meterOf(a) });
        expect(Object.values(p).reduce((s, q) => s + q, 0)).toBeCloseTo(1, 9);
        const possible = possibleOutcomes(expectation);
        for (const outcome of Object.keys(p)) expect(possible).toContain(outcome);
      }),
    );
  });

  test('a higher reading is never likelier low, nor less likely high', () => {
    fc.assert(
      fc.property(span, span, x, span, span, (low, width, value, step, a) => {
        const at = (v: number) => {
          const { p } = judge({
            expect: volts(low, low + width),
            reading: reading(v),
            meter: meterOf(a),
          });
          return { low: (p.low ?? 0) + (p.none ?? 0), high: p.high! };
        };
        const [here, above] = [at(value), at(value + step)];
        expect(above.low).toBeLessThanOrEqual(here.low + 1e-12);
        expect(above.high).toBeGreaterThanOrEqual(here.high - 1e-12);
      }),
    );
  });

  test('the unit’s scale does not matter: millivolts judge as volts do', () => {
    fc.assert(
      fc.property(span, span, x, span, (low, width, value, a) => {
        const plain = judge({
          expect: volts(low, low + width),
          reading: reading(value),
          meter: meterOf(a),
        });
        const scaled = judge({
          expect: volts(low * 1024, (low + width) * 1024),
          reading: reading(value * 1024),
          meter: meterOf(a * 1024),
        });
        expect(scaled.verdict).toBe(plain.verdict);
        expect(scaled.p.ok).toBeCloseTo(plain.p.ok!, 9);
      }),
    );
  });
});

test('limits in words, the unit once where it is shared', () => {
  expect(limitWords(volts(0.33, 0.62))).toBe('0.33 to 0.62\u2009V');
  expect(limitWords({ kind: 'between', low: 400, high: 2000, unit: 'ohm' })).toBe(
    '400\u2009Ω to 2\u2009kΩ',
  );
  expect(limitWords({ kind: 'atMost', high: 1, unit: 'ohm' })).toBe('at most 1\u2009Ω');
  expect(limitWords({ kind: 'atLeast', low: 24, unit: 'A', peak: true })).toBe(
    'at least 24\u2009A at its highest',
  );
  expect(limitWords({ kind: 'atLeast', low: 400, unit: 'ohm' })).toBe('at least 400\u2009Ω');
  expect(limitWords({ kind: 'open', above: 1e7, unit: 'ohm' })).toBe('OL or above 10\u2009MΩ');
});
