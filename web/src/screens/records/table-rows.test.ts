import { array, assert, boolean, oneof, property, constant, integer, string } from 'fast-check';
import { fileRows, NOTHING, rowsWith, sortedRows, valueOf, type Cell } from './table-rows';

const day = (is: string, shown: string): Cell => ({ is, shown });
const ROWS: Cell[][] = [
  [day('2024-11-02', '2 Nov 2024'), 'Element 10', 4],
  [day('2023-01-20', '20 Jan 2023'), 'Element 2', NOTHING],
  [day('2024-02-11', '11 Feb 2024'), 'Relé', 12],
];

const column = (rows: ReturnType<typeof sortedRows>, k: number) =>
  rows.map((row) => valueOf(row[k]!));

test('days by time and not by their words, numbers by size, words as a reader counts', () => {
  expect(column(sortedRows(ROWS, { column: 0, down: false }), 0)).toEqual([
    '2023-01-20',
    '2024-02-11',
    '2024-11-02',
  ]);
  expect(column(sortedRows(ROWS, { column: 1, down: false }), 1)).toEqual([
    'Element 2',
    'Element 10',
    'Relé',
  ]);
  expect(column(sortedRows(ROWS, { column: 2, down: true }), 2)).toEqual([12, 4, NOTHING]);
});

test('what is missing stands last both ways, equal rows stay as they came, and none is lost', () => {
  const cell = oneof(integer(), string(), constant(NOTHING), constant(''));
  assert(
    property(array(cell, { maxLength: 20 }), boolean(), (cells, down) => {
      const rows = cells.map((each, i) => [each, i]);
      const sorted = sortedRows(rows, { column: 0, down });
      expect(new Set(column(sorted, 1))).toEqual(new Set(rows.map(([, i]) => i)));
      const said = column(sorted, 0).map((each) => each !== NOTHING && each !== '');
      expect(said).toEqual([...said].sort((a, b) => Number(b) - Number(a)));
    }),
  );
  const same = sortedRows(
    [
      ['x', 1],
      ['x', 2],
    ],
    { column: 0, down: true },
  );
  expect(column(same, 1)).toEqual([1, 2]);
});

test('kept by words as they are seen, with or without accents', () => {
  expect(column(rowsWith(ROWS, 'rele'), 2)).toEqual([12]);
  expect(column(rowsWith(ROWS, 'feb 11'), 2)).toEqual([12]);
  expect(rowsWith(ROWS, '  ')).toBe(ROWS);
  expect(rowsWith(ROWS, 'kettle')).toEqual([]);
});

test('a file has what a cell is, under what that is in, and no pictures', () => {
  const heads = [{ name: 'When' }, { name: 'Drawn', drawn: true }, { name: 'Read', unit: 'ohm' }];
  expect(fileRows(heads, ROWS)).toEqual([
    ['When', 'Read (ohm)'],
    ['2024-11-02', 4],
    ['2023-01-20', ''],
    ['2024-02-11', 12],
  ]);
});
