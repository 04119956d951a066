import fc from 'fast-check';
import { readingWords } from '../judge/reading-words';
import { typedReading } from '../judge/typed-reading';
import { parseEntry } from './entry';
import { UNITS, UNIT_FACTS, type Unit } from './units';

const value = (typed: string, unit: Unit) => {
  const entry = parseEntry(typed, unit);
  return entry.kind === 'value' ? entry.value : entry;
};

describe('what technicians type', () => {
  test.each<[string, Unit, number]>([
    ['1.95k', 'ohm', 1950],
    ['0,46', 'V', 0.46],
    ['.46', 'V', 0.46],
    ['12uA', 'A', 12e-6],
    ['12 µA', 'A', 12e-6],
    ['4k7', 'ohm', 4700],
    ['4R7', 'ohm', 4.7],
    ['2M2', 'ohm', 2.2e6],
    ['-12.1', 'V', -12.1],
    ['−12.1 V', 'V', -12.1],
    ['127 VAC', 'V', 127],
    ['10 kΩ', 'ohm', 1e4],
    ['1e3', 'ohm', 1000],
    ['100', 'ohm', 100],
    ['47uF', 'F', 47e-6],
    ['23,5 °C', 'degC', 23.5],
    ['1 200', 'ohm', 1200],
    ['1,234.5', 'V', 1234.5],
    ['1.234,5', 'V', 1234.5],
    ['1.234.567', 'ohm', 1234567],
    ['5m', 'V', 0.005],
    ['5M', 'ohm', 5e6],
    ['0', 'V', 0],
  ])('%p in %p is %p', (typed, unit, expected) => {
    expect(value(typed, unit)).toBeCloseTo(expected, 12);
  });

  test.each(['OL', 'ol', 'o', 'O.L', '0L', 'inf', '∞', 'open', 'OL.'])(
    '%p is an overload',
    (typed) => {
      expect(parseEntry(typed, 'ohm')).toEqual({ kind: 'overload', echo: 'OL' });
    },
  );

  test('a lone dash leaves the point without a figure', () => {
    expect(parseEntry('-', 'V').kind).toBe('not-taken');
    expect(parseEntry('–', 'V').kind).toBe('not-taken');
  });

  test('nothing typed is nothing', () => {
    expect(parseEntry('   ', 'V')).toEqual({ kind: 'empty' });
  });

  test('what was understood is echoed with its prefix and unit', () => {
    expect(parseEntry('1.95k', 'ohm')).toMatchObject({ echo: '1.95\u2009kΩ' });
    expect(parseEntry('0,46', 'V')).toMatchObject({ echo: '0.46\u2009V' });
  });
});

describe('nonsense is named, never guessed', () => {
  test.each<[string, Unit, string]>([
    ['abc', 'V', 'not-a-figure'],
    ['1.2.3', 'V', 'not-a-figure'],
    ['12,34,5', 'V', 'not-a-figure'],
    ['1,2.3,4', 'V', 'not-a-figure'],
    ['5 apples', 'V', 'unknown-unit'],
    ['5 kk', 'ohm', 'unknown-unit'],
    ['5 k°C', 'degC', 'unknown-unit'],
    ['12 A', 'V', 'wrong-unit'],
    ['4R7', 'V', 'wrong-unit'],
    ['1e9', 'V', 'too-large'],
    ['9e999', 'ohm', 'not-a-figure'],
    ['99999999999999999', 'ohm', 'too-large'],
  ])('%p for %p: %p', (typed, unit, code) => {
    const entry = parseEntry(typed, unit);
    if (code === 'not-a-figure' && typed === '9e999') expect(entry.kind).toBe('error');
    else expect(entry).toMatchObject({ kind: 'error', code });
  });

  test('the message says what the test wants', () => {
    expect(parseEntry('12 A', 'V')).toMatchObject({
      message: 'That is in amps; this test wants volts.',
    });
  });

  test('any text at all gives an answer, and values are always finite', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), fc.constantFrom(...UNITS), (typed, unit) => {
        const entry = parseEntry(typed, unit);
        if (entry.kind === 'value') {
          expect(Number.isFinite(entry.value)).toBe(true);
          expect(Math.abs(entry.value)).toBeLessThanOrEqual(UNIT_FACTS[unit].largest);
        }
      }),
      { numRuns: 500 },
    );
  });
});

test('an echo read again is the same value, to the four digits it shows', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1e-6, max: 1e5, noNaN: true }),
      fc.constantFrom<Unit>('V', 'ohm', 'A'),
      (x, unit) => {
        const first = parseEntry(String(x), unit);
        if (first.kind !== 'value') return;
        const again = parseEntry(first.echo, unit);
        expect(again.kind).toBe('value');
        if (again.kind === 'value') expect(Math.abs(again.value / x - 1)).toBeLessThan(5.1e-4);
      },
    ),
  );
});

describe('a figure that wanders, and gauges', () => {
  test.each([
    ['3.1..4.8', 'V', 3.1, 4.8],
    ['4.8 to 3.1', 'V', 3.1, 4.8],
    ['3,1…4,8 k', 'ohm', 3100, 4800],
    ['900..1.2k', 'ohm', 900, 1200],
    ['-2..3', 'V', -2, 3],
  ] as const)('%s in %s is %s to %s', (typed, unit, low, high) => {
    const entry = parseEntry(typed, unit);
    expect(entry).toMatchObject({ kind: 'span', unit });
    if (entry.kind !== 'span') return;
    expect(entry.low).toBeCloseTo(low, 9);
    expect(entry.high).toBeCloseTo(high, 9);
  });
  test('with one end missing or wrong it says so', () => {
    expect(parseEntry('3..', 'V').kind).toBe('error');
    expect(parseEntry('3..OL', 'V').kind).toBe('error');
    expect(parseEntry('3..4 A', 'V')).toMatchObject({ code: 'wrong-unit' });
  });
  test.each([
    ['2.1 bar', 210_000],
    ['30 psi', 206_842.72],
    ['210 kPa', 210_000],
    ['950 mbar', 95_000],
  ])('%s', (typed, pascals) => {
    const entry = parseEntry(typed, 'Pa');
    expect(entry.kind === 'value' && entry.value).toBeCloseTo(pascals, 1);
  });
  test('a gauge’s unit is no unit of volts', () => {
    expect(parseEntry('2 bar', 'V')).toMatchObject({ code: 'wrong-unit' });
  });
});

describe('a figure that is more than one number', () => {
  test.each([
    ['0.2M > 1.6M 12s', 1.6e6, { from: 0.2e6, seconds: 12 }, 'climbs, 200 kΩ to 1.6 MΩ in 12 s'],
    ['5k->1k in 2 min', 1000, { from: 5000, seconds: 120 }, 'falls, 5 kΩ to 1 kΩ in 120 s'],
    ['1 > 4,5 0,5 s', 4.5, { from: 1, seconds: 0.5 }, 'climbs, 1 Ω to 4.5 Ω in 0.5 s'],
  ])('%s climbs', (typed, value, climb, echo) => {
    const parsed = parseEntry(typed, 'ohm');
    expect(parsed).toMatchObject({ kind: 'value', value, climb });
    expect('echo' in parsed && parsed.echo.replaceAll('\u2009', ' ')).toBe(echo);
  });
  test('it may climb out of the range', () => {
    expect(parseEntry('20k > OL 5s', 'ohm')).toMatchObject({
      kind: 'overload',
      climb: { from: 20e3, seconds: 5 },
    });
  });
  test.each([
    '1 > 2',
    '1 > 2 s',
    '> 2 3s',
    '1 > 2 3s > 4 5s',
    'OL > 2 3s',
    '1 > 2 0s',
    '1^ > 2 3s',
  ])('%s is no climb, and says what one is', (typed) => {
    expect(parseEntry(typed, 'ohm').kind).toBe('error');
  });
  test.each(['14.2^', '14.2 peak', '14,2A max'])('%s is a peak', (typed) => {
    expect(parseEntry(typed, 'A')).toMatchObject({ kind: 'value', value: 14.2, peak: true });
  });
  test('tone and silence are heard on ohms alone', () => {
    expect(parseEntry('beep', 'ohm').kind).toBe('tone');
    expect(parseEntry('silent', 'ohm').kind).toBe('silence');
    expect(parseEntry('tone', 'V').kind).toBe('error');
  });
  test('what was typed is kept as it was meant, and told in the same words', () => {
    const kept = (typed: string) => {
      const reading = typedReading(parseEntry(typed, 'ohm'))!;
      return [reading, readingWords(reading, 'ohm').replaceAll('\u2009', ' ')];
    };
    expect(kept('1k > 4k 3s')).toEqual([
      { kind: 'value', value: 4000, climb: { from: 1000, seconds: 3 } },
      '4 kΩ, from 1 kΩ in 3 s',
    ]);
    expect(kept('3..5')).toEqual([{ kind: 'value', value: 5, to: 3 }, '3 to 5 Ω']);
    expect(kept('tone')).toEqual([{ kind: 'tone' }, 'tone']);
    expect(kept('14^')[1]).toBe('14 Ω, peak');
    expect(typedReading(parseEntry('-', 'ohm'))).toBeUndefined();
  });
});
