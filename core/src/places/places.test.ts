/** A shop's list of customers and units, as spreadsheets have it. */
import * as fc from 'fast-check';
import { dayIn, orderOf } from './dates';
import { placeColumns, readPlaces } from './read-list';

const table = (text: string) => text.split('\n').map((line) => line.split(';'));

test('columns by their heading, in any order, in English or Portuguese', () => {
  expect(
    placeColumns(['Modelo', 'Cliente', 'Nº de série', 'Fabricante', 'Cidade', 'Remarks']),
  ).toEqual({ model: 0, customer: 1, serial: 2, maker: 3, town: 4 });
});

test('a row becomes a unit; what is blank follows from the rest', () => {
  const { rows, problems } = readPlaces(
    table(
      'Customer;Phone;Make;Model;S/N;Type;Installed;Warranty until\nInn;555 0123;Ondar;PB-14;PB-1;pool heat pump;02/03/2020;31/03/2022\nAna Reis',
    ),
  );
  expect(problems).toEqual([]);
  expect(rows[0]).toEqual({
    customer: 'Inn',
    phone: '555 0123',
    site: 'Inn',
    address: '',
    town: '',
    label: 'pool heat pump',
    maker: 'Ondar',
    model: 'PB-14',
    serial: 'PB-1',
    kind: 'pool heat pump',
    installed: '2020-03-02',
    warranty: '2022-03-31',
  });
  expect(rows[1]).toMatchObject({ customer: 'Ana Reis', site: 'Ana Reis', label: '', kind: '' });
});

test('what is wrong is told with its row and column; the same row twice goes in once', () => {
  const { rows, problems, repeated } = readPlaces(
    table(
      'customer;label;maker;model;installed\n;Oven;Panvale;DO-3;\nA;Oven;;DO-3;\nA;Oven;Panvale;DO-3;31/02/2020\nB;Oven;Panvale;DO-3;\nb;oven;panvale;do-3;\n;;;;',
    ),
  );
  expect(problems.map(({ row, column }) => [row, column])).toEqual([
    [2, 'customer'],
    [3, 'maker'],
    [4, 'installed'],
  ]);
  expect([rows.length, repeated]).toEqual([1, 1]);
});

test.each([
  ['2021-03-05', '2021-03-05'],
  ['05/03/2021', '2021-03-05'],
  ['5.3.21', '2021-03-05'],
  ['31/12/99', '1999-12-31'],
  ['29-02-2024', '2024-02-29'],
  ['29-02-2023', undefined],
  ['13/13/2020', undefined],
  ['soon', undefined],
])('%s is %s', (text, day) => {
  expect(dayIn(text, 'day-first')).toBe(day);
});

test('month first only where a day of the list says so, and none the contrary', () => {
  expect(orderOf(['03/25/2021', '04/05/2021'])).toBe('month-first');
  expect(orderOf(['03/25/2021', '25/03/2021'])).toBe('day-first');
  expect(orderOf(['03/04/2021'])).toBe('day-first');
  expect(dayIn('03/25/2021', 'month-first')).toBe('2021-03-25');
});

test('any table is read: each row goes in, is told of, repeats, or is blank', () => {
  const cell = fc.oneof(fc.constantFrom('', 'A', 'Ondar', '01/02/2020'), fc.string());
  fc.assert(
    fc.property(fc.array(fc.array(cell, { maxLength: 6 }), { maxLength: 12 }), (body) => {
      const { rows, problems, repeated } = readPlaces([
        ['customer', 'maker', 'model', 'label', 'installed'],
        ...body,
      ]);
      const filled = body.filter((cells) => cells.some((each) => each.trim() !== '')).length;
      const told = new Set(problems.map(({ row }) => row)).size;
      expect(rows.length + told + repeated).toBe(filled);
      for (const each of rows) expect(each.customer).not.toBe('');
    }),
  );
});
