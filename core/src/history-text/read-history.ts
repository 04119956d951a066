/**
 * A stored history out of its text: which layout, which column is what, and the rows, the oldest first.
 * What is guessed is by example, and whoever pasted it can say otherwise.
 */
import type { HistoryRow } from '../job/history/history';
import { nth } from '../numeric/nth';
import { orderOf, type DayOrder } from '../places/dates';
import { decodeCode, normaliseCode } from '../sheet/codes/match';
import type { Sheet } from '../sheet/schema';
import { CODE_WORDS, NUMBER_WORDS, TEXT_WORDS, TIME_WORDS, UNIT_WORDS } from './heading';
import { layoutOf, type HistoryLine, type HistoryTable } from './layout';
import { momentIn, type Moment } from './moment';

export const HISTORY_COLUMNS = ['time', 'code', 'unit', 'text', 'value', 'nothing'] as const;
/** What stands in a column: `time` is a day, a time of day, or both. */
export type HistoryColumn = (typeof HISTORY_COLUMNS)[number];

export interface HistoryRead {
  readonly table: HistoryTable;
  readonly columns: readonly HistoryColumn[];
  /** The oldest first. */
  readonly rows: readonly HistoryRow[];
  /** Lines in which no code stands. */
  readonly unread: readonly HistoryLine[];
  /** As it was printed: the newest on top. Guessed where no time says it. */
  readonly newestFirst: boolean;
  /** Whether times tell the order. */
  readonly timed: boolean;
}

export interface HistoryChoices {
  /** `2026-11-28`: days without a year are not after it. */
  readonly today: string;
  /** Where the guess was wrong. */
  readonly columns?: readonly HistoryColumn[];
  readonly newestFirst?: boolean;
}

type Codes = Pick<Sheet, 'codes'>;

export function readHistory(
  sheet: Codes,
  text: string,
  { today, columns: chosen, newestFirst: said }: HistoryChoices,
): HistoryRead {
  const table = layoutOf(text);
  const width = table.lines.reduce(
    (most, { cells }) => Math.max(most, cells.length),
    table.heading.length,
  );
  const columns = Array.from(
    { length: width },
    (_, i) => chosen?.[i] ?? guess(sheet, table, i, today),
  );
  const order = orderOf(dayTexts(table, columns));
  const { lists, unread } = rowsOf(table, columns, { order, today });
  const down = directionOf(lists);
  const newestFirst = said ?? down !== 'older first';
  return {
    table,
    columns,
    rows: merged(newestFirst ? lists.map((list) => [...list].reverse()) : lists),
    unread,
    newestFirst,
    timed: down !== undefined,
  };
}

/** Share of the cells that must look like it. */
const MOST = 0.6;
/** Lines looked at for a guess. */
const LOOKED_AT = 200;

function guess(sheet: Codes, table: HistoryTable, i: number, today: string): HistoryColumn {
  const word = table.heading[i] ?? '';
  if (TIME_WORDS.test(word)) return 'time';
  if (CODE_WORDS.test(word)) return 'code';
  if (UNIT_WORDS.test(word)) return 'unit';
  if (TEXT_WORDS.test(word)) return 'text';
  if (NUMBER_WORDS.test(word)) return 'nothing';
  const cells = table.lines
    .slice(0, LOOKED_AT)
    .map((line) => line.cells[i] ?? '')
    .filter((cell) => cell !== '');
  const share = (of: (cell: string) => boolean) =>
    cells.filter(of).length / Math.max(1, cells.length);
  if (
    share((cell) => decodeCode(sheet, cell).listed !== undefined || isCopied(sheet, cell)) >= MOST
  )
    return 'code';
  if (
    share(
      (cell) => momentIn(cell, 'day-first', today) !== undefined && !/^\d+[.,]\d$/.test(cell),
    ) >= MOST
  )
    return 'time';
  const figures = share((cell) => /^[+-]?\d/.test(cell));
  if (word !== '') return figures >= MOST ? 'value' : 'text';
  // Without a heading: one that counts up is a number, one of few words is text.
  return figures >= MOST ? 'nothing' : 'text';
}

const isCopied = (sheet: Codes, cell: string) => decodeCode(sheet, cell).copies !== undefined;

/** Where the columns of each kind stand: asked of every line. */
type Placed = Readonly<Record<HistoryColumn, readonly number[]>>;

/** Every kind is there; a record made of entries cannot tell the compiler so. */
const placesOf = (columns: readonly HistoryColumn[]): Placed =>
  Object.fromEntries(
    HISTORY_COLUMNS.map((kind) => [kind, columns.flatMap((each, i) => (each === kind ? [i] : []))]),
  ) as unknown as Placed;

/** The first cell of these columns that has anything. */
function cellAt({ cells }: HistoryLine, places: readonly number[]): string | undefined {
  for (const i of places) if (cells[i]) return cells[i];
  return undefined;
}

const DATE = /\d{1,2}[-/.]\d{1,2}[-/.]\d{2,4}/;

const dayTexts = (table: HistoryTable, columns: readonly HistoryColumn[]): string[] => {
  const { time } = placesOf(columns);
  return table.lines.flatMap(({ cells }) =>
    time.flatMap((i) => DATE.exec(cells[i] ?? '')?.[0] ?? []),
  );
};

interface Reading {
  readonly order: DayOrder;
  readonly today: string;
}

function rowsOf(table: HistoryTable, columns: readonly HistoryColumn[], reading: Reading) {
  /** A circuit under its own name has a list of its own. */
  const lists = new Map<string, HistoryRow[]>();
  const unread: HistoryLine[] = [];
  const places = placesOf(columns);
  let day: string | undefined;
  for (const line of table.lines) {
    const shown = cellAt(line, places.code);
    if (shown === undefined || normaliseCode(shown) === '') {
      unread.push(line);
      continue;
    }
    const moment = momentAt(line, places.time, reading);
    // A day may stand once over the times below it.
    day = moment.day ?? day;
    const unit = cellAt(line, places.unit) ?? line.section;
    const text = places.text
      .map((i) => line.cells[i] ?? '')
      .filter((cell) => cell !== '')
      .join(' ');
    const values = valuesOf(table, line, places.value);
    const list = lists.get(line.section ?? '') ?? [];
    lists.set(line.section ?? '', list);
    list.push({
      line: line.line,
      shown: shown.slice(0, 40),
      ...(day !== undefined && { at: `${day}T${moment.clock ?? '00:00:00'}` }),
      ...(unit !== undefined && { unit: unitName(unit) }),
      ...(text !== '' && { text: text.slice(0, 200) }),
      ...(Object.keys(values).length > 0 && { values }),
    });
  }
  return { lists: [...lists.values()], unread };
}

/** `Circuit 2` is circuit 2. */
const unitName = (text: string): string => (/([\w-]+)\W*$/.exec(text)?.[1] ?? text).slice(0, 40);

function momentAt(
  { cells }: HistoryLine,
  places: readonly number[],
  { order, today }: Reading,
): Moment {
  let [day, clock]: [string | undefined, string | undefined] = [undefined, undefined];
  for (const i of places) {
    const moment = cells[i] ? momentIn(cells[i], order, today) : undefined;
    day ??= moment?.day;
    clock ??= moment?.clock;
  }
  return { ...(day !== undefined && { day }), ...(clock !== undefined && { clock }) };
}

function valuesOf(
  { heading }: HistoryTable,
  { cells }: HistoryLine,
  places: readonly number[],
): Record<string, string> {
  const values: Record<string, string> = {};
  for (const i of places)
    if (heading[i] && cells[i]) values[heading[i].slice(0, 40)] = cells[i].slice(0, 40);
  return values;
}

/** By most of the steps from one time to the next; a clock that was set in between changes nothing. */
function directionOf(
  lists: readonly (readonly HistoryRow[])[],
): 'older first' | 'newer first' | undefined {
  let [later, earlier] = [0, 0];
  for (const list of lists)
    list.forEach(({ at }, i) => {
      const before = list[i - 1]?.at;
      if (at === undefined || before === undefined) return;
      if (at > before) later += 1;
      else if (at < before) earlier += 1;
    });
  if (later === earlier) return undefined;
  return later > earlier ? 'older first' : 'newer first';
}

/** One list out of several, by the time; each keeps its own order. @param lists - The oldest first. */
function merged(lists: readonly (readonly HistoryRow[])[]): HistoryRow[] {
  const [only = []] = lists;
  if (lists.length < 2) return [...only];
  const next = lists.map(() => 0);
  const rows: HistoryRow[] = [];
  const count = lists.reduce((sum, { length }) => sum + length, 0);
  while (rows.length < count) {
    let best: number | undefined;
    lists.forEach((list, l) => {
      const row = list[nth(next, l)];
      const leader = best === undefined ? undefined : nth(lists, best)[nth(next, best)];
      if (row && (!leader || (row.at ?? '') < (leader.at ?? ''))) best = l;
    });
    rows.push(nth(nth(lists, best!), next[best!]!));
    next[best!]! += 1;
  }
  return rows;
}
