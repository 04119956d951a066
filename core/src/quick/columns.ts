/**
 * Matching the columns of a pasted pin table to what a quick sheet needs: by the words of its heading,
 * which may stand in two rows when cells were merged, or be missing altogether.
 */
import { nth } from '../numeric/nth';

export const COLUMNS = [
  'connector',
  'pins',
  'state',
  'expected',
  'unit',
  'low',
  'high',
  'signal',
  'wire',
  'function',
  'name',
  'temperature',
] as const;
export type Column = (typeof COLUMNS)[number];

/** Column index by meaning; what is not there is absent. */
export type ColumnMap = Partial<Record<Column, number>>;

const WORDS: Record<Column, RegExp> = {
  connector: /^(connector|conn\.?|plug|conector|plugue|cn)\b/i,
  pins: /^(pins?|pin pair|terminals?|pinos?|between|from.?to|points?)\b/i,
  state: /^(state|condition|mode|when|estado|condição)\b/i,
  expected: /^(expected|expect|value|nominal|reading|spec|should be|valor|esperado)\b/i,
  unit: /^(unit|units|unidade)\b/i,
  low: /^(low|min|minimum|from|mín)\b/i,
  high: /^(high|max|maximum|máx)\b/i,
  signal: /^(signal|function of pin|description|sinal|what|net)\b/i,
  wire: /^(wire|colou?r|fio|cor)\b/i,
  function: /^(function|meter|range|measure|função)\b/i,
  name: /^(name|test|title|item|nome)\b/i,
  temperature: /^(temp|temperature|at °?c|°c|temperatura)/i,
};

export interface Table {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** Row of the source in which the first row of data stands, from 1. */
  readonly firstRow: number;
}

const blank = (row: readonly string[]) => row.every((cell) => cell.trim() === '');

/** How many of a row's cells are words of a heading. */
const score = (row: readonly string[]): number =>
  row.filter((cell) => COLUMNS.some((column) => WORDS[column].test(cell.trim()))).length;

/** Cells merged sideways leave blanks behind the first: the word belongs to all of them. */
function spread(row: readonly string[]): string[] {
  let last = '';
  return row.map((cell) => {
    if (cell.trim() !== '') last = cell.trim();
    return last;
  });
}

/**
 * Find the heading among the first rows: one row, or two of which the upper one has merged cells.
 * Without any heading the columns are taken in the order connector, pins, state, expected, unit.
 */
export function splitTable(source: readonly (readonly string[])[]): Table {
  const width = Math.max(0, ...source.map((row) => row.length));
  const padded = source.map((row) => [...row, ...Array<string>(width - row.length).fill('')]);
  const head = padded.slice(0, 6);
  const best = head.reduce((a, row, i) => (score(row) > score(head[a] ?? []) ? i : a), 0);
  if (score(head[best] ?? []) < 2) {
    const rows = padded.filter((row) => !blank(row));
    return { head: [], rows, firstRow: 1 + padded.findIndex((row) => !blank(row)) };
  }
  const upper = spread(padded[best - 1] ?? []);
  const lower = nth(padded, best);
  const single = padded[best - 1] === undefined || blank(nth(padded, best - 1));
  const combined = lower.map((cell, i) => {
    const own = cell.trim();
    if (single) return own;
    // “Expected” over “min” and “max”: the lower word says more, the upper one fills a gap.
    return own === '' ? (upper[i] ?? '') : own;
  });
  // A second heading row below, as under cells merged sideways.
  const next = padded[best + 1];
  const below =
    next !== undefined &&
    score(next) >= 1 &&
    score(next) >= next.filter((c) => c.trim() !== '').length - 1 &&
    !next.some((cell) => /\d/.test(cell));
  const words = below ? spread(combined).map((cell, i) => nth(next, i).trim() || cell) : combined;
  const from = best + (below ? 2 : 1);
  const rows = padded.slice(from);
  return { head: words, rows, firstRow: from + 1 };
}

const WITHOUT_HEAD: readonly Column[] = ['connector', 'pins', 'state', 'expected', 'unit'];

/** What each column means, as far as its heading tells; the person corrects it. */
export function matchColumns({ head, rows }: Table): ColumnMap {
  const map: ColumnMap = {};
  if (head.length === 0) {
    const width = Math.max(0, ...rows.map((row) => row.length));
    WITHOUT_HEAD.slice(0, width).forEach((column, i) => (map[column] = i));
    return map;
  }
  for (const column of COLUMNS) {
    const taken = new Set(Object.values(map));
    const i = head.findIndex((cell, at) => !taken.has(at) && WORDS[column].test(cell.trim()));
    if (i >= 0) map[column] = i;
  }
  return map;
}
