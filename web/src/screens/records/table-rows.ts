/** Rows of a small table, without the page: kept by words, sorted by a column, written out. */
import { hasWords, plainWords } from '@jeitinho/core';
import type { ReactNode } from 'react';

/** What a cell is, for sorting and for a file; and how it is shown where that is more. */
export type Cell =
  | string
  | number
  | { readonly is: string | number; readonly shown: ReactNode; readonly words?: string };

/** Stands for nothing said: last, whichever way a column is sorted. */
export const NOTHING = '–';

export const valueOf = (cell: Cell): string | number => (typeof cell === 'object' ? cell.is : cell);

/** As a reader sees it, so that it can be looked for. */
const wordsOf = (cell: Cell): string =>
  typeof cell === 'object'
    ? (cell.words ?? (typeof cell.shown === 'string' ? cell.shown : String(cell.is)))
    : String(cell);

export type Rows = readonly (readonly Cell[])[];

/** Those that have each word, in any cell, as it begins. */
export function rowsWith(rows: Rows, words: string): Rows {
  const wanted = plainWords(words);
  return wanted.length === 0 ? rows : rows.filter((row) => hasWords(row.map(wordsOf), wanted));
}

export interface Sorting {
  readonly column: number;
  readonly down: boolean;
}

/** Numbers by size, words as a reader expects them (2 before 10); equal ones stay as they came. */
export function sortedRows(rows: Rows, { column, down }: Sorting): Rows {
  const missing = (cell: Cell | undefined) =>
    cell === undefined || valueOf(cell) === NOTHING || valueOf(cell) === '';
  return [...rows].sort((a, b) => {
    const [one, other] = [a[column], b[column]];
    if (one === undefined || other === undefined || missing(one) || missing(other))
      return Number(missing(one)) - Number(missing(other));
    const order = compared(valueOf(one), valueOf(other));
    return down ? -order : order;
  });
}

function compared(a: string | number, b: string | number): number {
  return typeof a === 'number' && typeof b === 'number'
    ? a - b
    : String(a).localeCompare(String(b), 'en', { numeric: true });
}

/** As a file: what each cell is, not how it is drawn; what is missing is empty. */
export const plainCells = (rows: Rows): (string | number)[][] =>
  rows.map((row) => row.map(valueOf).map((value) => (value === NOTHING ? '' : value)));
