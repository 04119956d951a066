import { MOST_ROWS, readTable } from './table-text';

test('tabs as a spreadsheet copies them, a decimal comma untouched', () => {
  expect(readTable('CN1\t1-2\t4,7 kΩ\n\nCN1\t3-4\t5 V\n').rows).toEqual([
    ['CN1', '1-2', '4,7 kΩ'],
    ['CN1', '3-4', '5 V'],
  ]);
});

test('CSV by semicolon with decimal commas, by comma with quotes', () => {
  expect(readTable('Connector;Expected\nCN1;4,7 kΩ').rows[1]).toEqual(['CN1', '4,7 kΩ']);
  expect(readTable('Connector,Expected\nCN1,"4,7 kΩ ±5%"').rows[1]).toEqual(['CN1', '4,7 kΩ ±5%']);
});

test('more rows than are read are counted, not dropped in silence', () => {
  const text = Array.from({ length: MOST_ROWS + 3 }, (_, i) => `CN1\t${i}`).join('\n');
  expect(readTable(text)).toMatchObject({ cut: 3 });
  expect(readTable('').rows).toEqual([]);
});
