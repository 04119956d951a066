/** Histories as machines print them, each layout by an example; and what a hurried hand pastes. */
import fc from 'fast-check';
import { readHistory } from './read-history';

const sheet = {
  codes: {
    schemes: [
      { id: 'circuit', shown: 'digits' as const, pattern: '^(A\\d{2})-?(\\d)$', code: 1, unit: 2 },
    ],
    list: [
      { code: 'A12', title: 'Driver silent', suspects: {}, unit: '1' },
      { code: 'A12', title: 'Driver silent', suspects: {}, unit: '2' },
      { code: 'A30', title: 'Water flow', suspects: {} },
    ],
  },
};
const today = '2026-11-28';
const read = (text: string, more = {}) => readHistory(sheet, text, { today, ...more });
const short = (text: string) =>
  read(text).rows.map(({ at, shown, unit }) => [at, shown, unit].filter(Boolean).join(' '));

test('fixed columns, the newest on top, two circuits each under its name', () => {
  const text = `== CIRCUIT 1 ==
14.11.26 03:20  A30   flow
14.11.26 03:12  A12   driver

== CIRCUIT 2 ==
13.11.26 22:05  A12   driver`;
  const { table, columns, newestFirst, timed } = read(text);
  expect([table.layout, columns, newestFirst, timed]).toEqual([
    'columns',
    ['time', 'code', 'text'],
    true,
    true,
  ]);
  expect(short(text)).toEqual([
    '2026-11-13T22:05:00 A12 2',
    '2026-11-14T03:12:00 A12 1',
    '2026-11-14T03:20:00 A30 1',
  ]);
});

test('a title above, and the heading again under every circuit, are no entries', () => {
  const text = `HISTORY            28.11.2026 07:10
== CIRCUIT 1 ==
date      time      code  speed Hz
12.11.26  14:02:10  A30   31
== CIRCUIT 2 ==
date      time      code  speed Hz
28.11.26  05:44:31  A12   0`;
  const { rows, unread, columns } = read(text);
  expect(columns).toEqual(['time', 'time', 'code', 'value']);
  expect(unread).toEqual([]);
  expect(rows).toEqual([
    {
      line: 4,
      at: '2026-11-12T14:02:10',
      shown: 'A30',
      unit: '1',
      values: { 'speed Hz': '31' },
    },
    {
      line: 7,
      at: '2026-11-28T05:44:31',
      shown: 'A12',
      unit: '2',
      values: { 'speed Hz': '0' },
    },
  ]);
});

test('separated by semicolons, decimals with a comma, headings with units, oldest on top', () => {
  const { rows, columns, newestFirst } = read(
    'Datum;Zeit;Fehler;Kreis;speed Hz;amps\n14.11.2026;03:12:44;A12;2;48,5;0,2\n14.11.2026;03:13:01;A30;2;0;0,0',
  );
  expect(columns).toEqual(['time', 'time', 'code', 'unit', 'value', 'value']);
  expect(newestFirst).toBe(false);
  expect(rows[0]).toEqual({
    line: 2,
    at: '2026-11-14T03:12:44',
    shown: 'A12',
    unit: '2',
    values: { 'speed Hz': '48,5', amps: '0,2' },
  });
});

test('commas with quotes; blocks of key and value; one circuit over several blocks', () => {
  expect(short('time,code,text\n"2026-11-14 03:12","A12-2","driver, silent"')).toEqual([
    '2026-11-14T03:12:00 A12-2',
  ]);
  const blocks = `Circuit 2
Fault: A12
Time: 3:12 AM
Date: 11/14/2026
Speed: 48 Hz

Fault: A30
Time: 2:50 PM
Date: 11/13/2026
Speed: 0 Hz`;
  const { table, rows } = read(blocks);
  expect(table.layout).toBe('blocks');
  // Month first, for no month has a fourteenth day of its own.
  expect(rows.map(({ at }) => at)).toEqual(['2026-11-13T14:50:00', '2026-11-14T03:12:00']);
  expect(rows[1]).toMatchObject({ shown: 'A12', unit: '2', values: { Speed: '48 Hz' } });
});

test('a day without a year is the latest that has been; a day stands over the times below it', () => {
  expect(short('14.11. 03:12  A12-1\n29.11. 07:00  A30')).toEqual([
    '2025-11-29T07:00:00 A30',
    '2026-11-14T03:12:00 A12-1',
  ]);
  expect(short('14 nov 2026;03:20;A30\n;03:12;A12-1')).toEqual([
    '2026-11-14T03:12:00 A12-1',
    '2026-11-14T03:20:00 A30',
  ]);
});

test('circuits in lists of their own come together by the time, each in its own order', () => {
  const text = `Circuit 1
2026-11-14 03:12;A12
2026-11-13 10:00;A30
Circuit 2
2026-11-14 08:00;A30
2026-11-13 22:00;A12`;
  expect(short(text)).toEqual([
    '2026-11-13T10:00:00 A30 1',
    '2026-11-13T22:00:00 A12 2',
    '2026-11-14T03:12:00 A12 1',
    '2026-11-14T08:00:00 A30 2',
  ]);
});

test('without times the newest is taken to stand on top, until somebody says otherwise', () => {
  const text = 'A30\nA12-1\nA12-2';
  expect(read(text)).toMatchObject({ timed: false, newestFirst: true });
  expect(short(text)).toEqual(['A12-2', 'A12-1', 'A30']);
  expect(read(text, { newestFirst: false }).rows.map(({ shown }) => shown)).toEqual([
    'A30',
    'A12-1',
    'A12-2',
  ]);
});

test('an unknown layout is helped by saying what stands in a column', () => {
  const text = 'x1 77 zz\nx2 78 zz';
  expect(read(text).rows).toEqual([]);
  expect(read(text).unread).toHaveLength(2);
  const { rows } = read(text, { columns: ['nothing', 'code', 'text'] });
  expect(rows.map(({ shown, text: said }) => [shown, said])).toEqual([
    ['78', 'zz'],
    ['77', 'zz'],
  ]);
});

test('a clock that jumps and stamps that repeat keep the order of the list', () => {
  expect(
    short(
      '2026-11-14 03:10;A30\n2026-11-14 03:12;A12-1\n2000-01-01 00:00;A12-2\n2000-01-01 00:00;A30\n2026-11-14 09:00;A30',
    ),
  ).toEqual([
    '2026-11-14T03:10:00 A30',
    '2026-11-14T03:12:00 A12-1',
    '2000-01-01T00:00:00 A12-2',
    '2000-01-01T00:00:00 A30',
    '2026-11-14T09:00:00 A30',
  ]);
});

test('a hundred thousand lines are read', () => {
  const line = (_: unknown, i: number) =>
    `2026-11-${String(1 + (i % 28)).padStart(2, '0')};03:12;A30;${i}`;
  const { rows } = read(Array.from({ length: 100_000 }, line).join('\n'));
  expect(rows).toHaveLength(100_000);
});

test('whatever is pasted, each line is read or said to be unread, and none twice', () => {
  const piece = fc.constantFrom(
    'A12',
    'A30',
    '14.11.26',
    '03:12',
    ';',
    '  ',
    ': ',
    '\n',
    'Circuit 1',
    '48,5',
    '=',
    '"',
    ',',
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 60 }), (pieces) => {
      const { rows, unread, table } = read(pieces.join(''));
      expect(rows.length + unread.length).toBe(table.lines.length);
      expect(new Set(rows.map(({ line }) => line)).size).toBe(rows.length);
    }),
  );
});
