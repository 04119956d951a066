/** A table as CSV that spreadsheets open rightly. */
import { unparse } from 'papaparse';

/** The mark tells a spreadsheet that it is UTF-8; a cell that it would run as a formula is quoted. */
export const csvOf = (rows: readonly (readonly (string | number)[])[]): string =>
  `\uFEFF${unparse(rows as (string | number)[][], { escapeFormulae: true, newline: '\r\n' })}`;
