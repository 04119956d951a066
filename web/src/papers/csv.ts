/** Tables as CSV that spreadsheets open rightly. */
import { unparse } from 'papaparse';

type Value = string | number;
type Row = readonly Value[] | Readonly<Record<string, Value>>;

/** The mark tells a spreadsheet that it is UTF-8; a cell that it would run as a formula is quoted. */
export const csvOf = (rows: readonly Row[]): string =>
  `\uFEFF${unparse(rows as Value[][], { escapeFormulae: true, newline: '\r\n' })}`;
