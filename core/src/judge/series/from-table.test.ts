import fc from 'fast-check';
import { readTime, trackFromTable, type TrackTable } from './from-table';

const table = (text: string) =>
  text
    .trim()
    .split('\n')
    .map((line) => line.split(';'));
const good = (result: ReturnType<typeof trackFromTable>): TrackTable => {
  if ('error' in result) throw new Error(result.error);
  return result;
};

test.each([
  ['12.5', 12.5],
  ['12,5', 12.5],
  ['01:10', 70],
  ['10:42:07', 38_527],
  ['10:42:07,5', 38_527.5],
  ['12:00:01 AM', 1],
  ['1:30:00 pm', 48_600],
  ['2026-11-25 10:42:07', Date.UTC(2026, 10, 25, 10, 42, 7) / 1000],
  ['2026-11-25T10:42:07Z', Date.UTC(2026, 10, 25, 10, 42, 7) / 1000],
  ['tomorrow', undefined],
  ['', undefined],
])('the time “%s”', (cell, seconds) => {
  expect(readTime(cell)).toBe(seconds);
});

test('a logger’s file: header with a unit, clock times, a line that is none', () => {
  const result = good(
    trackFromTable(
      table('Time;Flame (µA)\n10:00:00;2,1\n10:00:02;2,4\n10:00:04;---\n10:00:06;2,9'),
      'A',
    ),
  );
  expect(result.samples.map(({ t }) => t)).toEqual([0, 2, 6]);
  expect(result.samples.map(({ value }) => value)).toEqual([
    expect.closeTo(2.1e-6, 12),
    expect.closeTo(2.4e-6, 12),
    expect.closeTo(2.9e-6, 12),
  ]);
  expect(result.left).toBe(1);
  expect(result.problems).toEqual(['Line 4: “---” is no figure; left out.']);
  expect(result.columns).toEqual({ time: 'Time', value: 'Flame (µA)' });
});

test('without a header the first column of times is the time; units in the cells count', () => {
  const result = good(trackFromTable(table('0;310V\n30;188V\n60;0.114kV'), 'V'));
  expect(result.samples).toEqual([
    { t: 0, value: 310 },
    { t: 30, value: 188 },
    { t: 60, value: expect.closeTo(114, 9) as number },
  ]);
});

test('what drives the figure comes in a third column, and is asked for', () => {
  const text = 'Time;Flame;Burner %\n0;2uA;30\n10;3uA;60\n20;4uA;none\n30;5uA;100';
  const driven = good(trackFromTable(table(text), 'A', { driven: true }));
  expect(driven.samples.map(({ t, driver }) => [t, driver])).toEqual([
    [0, 30],
    [10, 60],
    [30, 100],
  ]);
  expect(driven.columns.driver).toBe('Burner %');
  const short = trackFromTable(table('0;2uA\n10;3uA'), 'A', { driven: true });
  expect('error' in short && short.error).toMatch(/third column/);
});

test('midnight is passed, a step back is left out', () => {
  const result = good(
    trackFromTable(table('clock;V\n23:59:59;1\n00:00:01;2\n00:00:00;3\n00:00:02;4'), 'V'),
  );
  expect(result.samples.map(({ t }) => t)).toEqual([0, 2, 3]);
  expect(result.problems[0]).toMatch(/Line 4: earlier/);
});

test.each([
  ['', /empty/],
  ['5\n6', /One column/],
  ['Time;Volts', /no figures below/],
  ['a;b\nc;d', /No column of times/],
  ['0;x\n1;y', /No column of volts/],
])('%j is refused with a sentence', (text, message) => {
  const result = trackFromTable(text === '' ? [] : table(text), 'V');
  expect('error' in result && result.error).toMatch(message);
});

test('any table at all gives samples in the order of time, or a sentence', () => {
  const cell = fc.oneof(
    fc.string({ maxLength: 8 }),
    fc.double({ noNaN: true }).map(String),
    fc.constantFrom('10:00:01', '1.5', '2,5', 'OL', '-', 'Time', '12:61'),
  );
  fc.assert(
    fc.property(fc.array(fc.array(cell, { maxLength: 4 }), { maxLength: 12 }), (rows) => {
      const result = trackFromTable(rows, 'V');
      if ('error' in result) return result.error.length > 0;
      return result.samples.every(
        ({ t, value }, i) =>
          Number.isFinite(value) && t >= 0 && (i === 0 || t >= result.samples[i - 1]!.t),
      );
    }),
  );
});
