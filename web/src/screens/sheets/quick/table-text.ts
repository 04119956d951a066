/** A pasted or opened table as rows of cells: tabs as a spreadsheet copies them, or CSV of any mark. */
import Papa from 'papaparse';

/** No pin table has more; what lies beyond is named, not dropped in silence. */
export const MOST_ROWS = 2000;

export interface TableText {
  readonly rows: readonly (readonly string[])[];
  readonly cut: number;
}

/** @param most - Rows that are read. */
export function readTable(text: string, most = MOST_ROWS): TableText {
  const firstLine = text.split(/\r?\n/).find((line) => line.trim() !== '') ?? '';
  // A copied range has tabs; in a file the mark is guessed, but never a decimal comma's place in it.
  const delimiter = firstLine.includes('\t') ? '\t' : firstLine.includes(';') ? ';' : '';
  const { data } = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy' });
  const rows = data.map((row) => row.map((cell) => cell.trim()));
  return { rows: rows.slice(0, most), cut: Math.max(0, rows.length - most) };
}
