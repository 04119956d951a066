/** Readings as a table that any spreadsheet opens. */
import Papa from 'papaparse';

const COLUMNS = [
  'jobId',
  'at',
  'author',
  'maker',
  'model',
  'serial',
  'label',
  'test',
  'point',
  'value',
];

export async function readingsCsv(rows: AsyncIterable<Record<string, unknown>>): Promise<string> {
  const data: unknown[][] = [];
  for await (const row of rows) data.push(COLUMNS.map((column) => row[column] ?? ''));
  return Papa.unparse({ fields: COLUMNS, data }, { escapeFormulae: true, newline: '\n' });
}
