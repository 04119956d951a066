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

/** How a percentage stands in a file. */
export const SHARE = '0 to 1';

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

export interface Head {
  readonly name: string;
  /** Figures stand under each other. */
  readonly right?: boolean;
  /** What a bare figure is in, for a file: on the page each says it itself. */
  readonly unit?: string;
  /** A picture: nothing to sort by, and not in a file. */
  readonly drawn?: boolean;
}

/** As a file: what each cell is, not how it is drawn, under what it is in; what is missing is empty. */
export function fileRows(heads: readonly Head[], rows: Rows): (string | number)[][] {
  const said = heads.map(({ drawn }) => !drawn);
  const names = heads.map(({ name, unit }) => (unit ? `${name} (${unit})` : name));
  const cells = rows.map((row) =>
    row.map(valueOf).map((value) => (value === NOTHING ? '' : value)),
  );
  return [names, ...cells].map((row) => row.filter((_, k) => said[k]));
}
