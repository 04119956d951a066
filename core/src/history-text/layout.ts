/**
 * How a copied history is laid out: separated by a sign, in blocks of `key: value`, or in columns of fixed
 * width. Everything becomes a table; a line that only names a circuit stands over the rows below it.
 */
import Papa from 'papaparse';
import { nth } from '../numeric/nth';
import { isHeading } from './heading';

export interface HistoryLine {
  /** Of the copy, from 1. */
  readonly line: number;
  /** The unit or circuit that it stands under. */
  readonly section?: string;
  readonly cells: readonly string[];
}

export interface HistoryTable {
  readonly layout: 'separated' | 'blocks' | 'columns';
  /** Words over the columns; empty where there are none. */
  readonly heading: readonly string[];
  readonly lines: readonly HistoryLine[];
}

interface Line {
  readonly line: number;
  readonly text: string;
  readonly section?: string;
}

const SECTION =
  /^[\W_]*(?:circuit|circuito|unit|unidade|system|sistema|kreis|compressor)\s*[:#.]?\s*([\w-]{1,12})[\W_]*$/i;
const PAIR = /^\s*([^\d:=][^:=]{0,39}?)\s*[:=]\s*(.*)$/;
const SIGNS = [';', '\t', '|', ','] as const;
/** Share of the lines that must look alike for a layout to be believed. */
const MOST = 0.6;

export function layoutOf(text: string): HistoryTable {
  const all = text.split(/\r\n|\r|\n/).map((each, i) => ({ line: i + 1, text: each.trimEnd() }));
  const pairs = all.filter((each) => PAIR.test(each.text));
  const filled = all.filter((each) => each.text.trim() !== '');
  if (pairs.length >= MOST * filled.length && repeats(pairs)) return blocks(all);
  const lines = belowHeading(underSections(filled));
  for (const sign of SIGNS) {
    const split = separated(lines, sign);
    if (split) return { layout: 'separated', ...headed(split) };
  }
  return { layout: 'columns', ...headed(columns(lines)) };
}

const keyOf = (text: string) => PAIR.exec(text)?.[1]?.trim().toLowerCase() ?? '';

/** The same key again: one block after another. */
function repeats(pairs: readonly Line[]): boolean {
  const keys = pairs.map(({ text }) => keyOf(text));
  return new Set(keys).size >= 2 && (new Set(keys).size < keys.length || keys.length <= 8);
}

/** Lines that name a circuit, taken out; the rest with the one that they stand under. */
function underSections(lines: readonly Line[]): Line[] {
  let section: string | undefined;
  return lines.flatMap((each): Line[] => {
    const named = SECTION.exec(each.text)?.[1];
    if (named !== undefined) {
      section = named;
      return [];
    }
    return [{ ...each, ...(section !== undefined && { section }) }];
  });
}

/** A title above the heading is left out, and so is the heading where it comes again. */
function belowHeading(lines: readonly Line[]): Line[] {
  const at = lines.findIndex(({ text }) => isHeading(text));
  const heading = lines[at]?.text.trim();
  return lines.filter(({ text }, i) => i === at || (i > at && text.trim() !== heading));
}

/** @returns undefined where the sign does not stand about as often in most of the lines. */
function separated(lines: readonly Line[], sign: string): HistoryLine[] | undefined {
  const { data } = Papa.parse<string[]>(lines.map(({ text }) => text).join('\n'), {
    delimiter: sign,
  });
  if (data.length !== lines.length) return undefined;
  const widths = new Map<number, number>();
  for (const { length } of data) widths.set(length, (widths.get(length) ?? 0) + 1);
  const [width, count] = [...widths].reduce((a, b) => (b[1] > a[1] ? b : a), [1, 0]);
  if (width < 2 || count < MOST * lines.length) return undefined;
  return lines.map(({ line, section }, i) => ({
    line,
    ...(section !== undefined && { section }),
    cells: nth(data, i).map((cell) => cell.trim()),
  }));
}

/** A block ends at an empty line, at a circuit's name, or where a key of it comes again. */
function blocks(all: readonly Line[]): HistoryTable {
  const heading: string[] = [];
  const lines: HistoryLine[] = [];
  let open: { line: number; section?: string; by: Map<string, string> } | undefined;
  let section: string | undefined;
  const close = () => {
    if (open && open.by.size > 0)
      lines.push({
        line: open.line,
        ...(open.section !== undefined && { section: open.section }),
        cells: heading.map((key) => open!.by.get(key.toLowerCase()) ?? ''),
      });
    open = undefined;
  };
  for (const { line, text } of all) {
    const pair = PAIR.exec(text);
    const named = pair?.[2] === '' || !pair ? SECTION.exec(text)?.[1] : undefined;
    if (named !== undefined) {
      close();
      section = named;
    } else if (text.trim() === '') close();
    else if (pair) {
      const [, key = '', value = ''] = pair;
      const name = key.trim();
      if (open?.by.has(name.toLowerCase())) close();
      open ??= { line, ...(section !== undefined && { section }), by: new Map() };
      open.by.set(name.toLowerCase(), value.trim());
      if (!heading.some((each) => each.toLowerCase() === name.toLowerCase())) heading.push(name);
    }
  }
  close();
  const width = heading.length;
  return {
    layout: 'blocks',
    heading,
    lines: lines.map((each) => ({
      ...each,
      cells: [...each.cells, ...Array<string>(width - each.cells.length).fill('')],
    })),
  };
}

/** Columns begin where no line has anything: two blanks or more, or one where that is all there is. */
function columns(lines: readonly Line[]): HistoryLine[] {
  const width = Math.max(0, ...lines.map(({ text }) => text.length));
  const used = new Uint8Array(width);
  for (const { text } of lines)
    for (let i = 0; i < text.length; i += 1) if (text[i] !== ' ' && text[i] !== '\t') used[i] = 1;
  for (const gap of [2, 1]) {
    const starts = startsOf(used, gap);
    if (starts.length > 1 || gap === 1)
      return lines.map(({ line, section, text }) => ({
        line,
        ...(section !== undefined && { section }),
        cells: starts.map((from, i) => text.slice(from, starts[i + 1]).trim()),
      }));
  }
  return [];
}

function startsOf(used: Uint8Array, gap: number): number[] {
  const starts: number[] = [];
  let blank = gap;
  used.forEach((each, i) => {
    if (each && blank >= gap) starts.push(i);
    blank = each ? 0 : blank + 1;
  });
  return starts;
}

/** A first line that is a heading, or of which no cell has a figure, is one. */
function headed(lines: readonly HistoryLine[]): Pick<HistoryTable, 'heading' | 'lines'> {
  const [first, ...rest] = lines;
  const words = first?.cells.filter((cell) => cell !== '') ?? [];
  const above = rest.length > 0 && words.length > 0 && words.every((cell) => !/\d/.test(cell));
  return above ? { heading: first!.cells, lines: rest } : { heading: [], lines };
}
