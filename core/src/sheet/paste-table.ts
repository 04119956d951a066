/**
 * Tables copied out of a manual or a spreadsheet into a sheet: its codes, its pins, its parts. Columns are
 * known by their headings; what is there already is completed, not doubled.
 */
import type { Board, Part, SheetCode, WrittenSheet } from './schema';

export interface PastedTable<T> {
  readonly items: T;
  /** How many rows added something, and how many completed something. */
  readonly added: number;
  readonly changed: number;
  /** Rows that could not be read, by their number in the table, from 1. */
  readonly problems: readonly { readonly row: number; readonly message: string }[];
}

type Rows = readonly (readonly string[])[];

const HEADINGS = {
  code: /^(code|fault|error|display|código|codigo)\b/i,
  title: /^(title|name|description|fault name|what|título|descrição)\b/i,
  means: /^(means|meaning|explanation|significado)\b/i,
  causes: /^(causes?|possible causes?|causas?)\b/i,
  firstLook: /^(first look|check|action|remedy|verificar)\b/i,
  connector: /^(connector|conn\.?|plug|conector)\b/i,
  pin: /^(pins?|no\.?|terminal|pino)\b/i,
  signal: /^(signal|function|net|sinal)\b/i,
  wire: /^(wire|colou?r|fio|cor)\b/i,
  number: /^(number|part no\.?|part number|número|referência)\b/i,
  price: /^(price|cost|preço)\b/i,
  minutes: /^(minutes|time|labour|minutos)\b/i,
  leadHours: /^(lead|lead hours|prazo)\b/i,
} as const;
type Heading = keyof typeof HEADINGS;

type Cells = (name: Heading) => string;

/** @throws nothing; a table without the columns it needs comes back as one problem. */
function* rowsOf(
  table: Rows,
  wanted: readonly Heading[],
  needed: readonly Heading[],
): Generator<{ readonly row: number; readonly cells: Cells } | { readonly problem: string }> {
  const [head = [], ...rows] = table;
  const columns = new Map(
    wanted.flatMap((name) => {
      const at = head.findIndex((cell) => HEADINGS[name].test(cell.trim()));
      return at < 0 ? [] : [[name, at] as const];
    }),
  );
  const missing = needed.filter((name) => !columns.has(name));
  if (missing.length > 0) {
    yield { problem: `The first row must name the columns; ${missing.join(' and ')} is missing.` };
    return;
  }
  for (const [i, row] of rows.entries())
    yield { row: i + 2, cells: (name) => row[columns.get(name) ?? -1]?.trim() ?? '' };
}

/** How a row was taken: `added`, `changed`, `same`, or the problem with it. */
type Change = string;

function taken<T>(
  table: Rows,
  wanted: readonly Heading[],
  needed: readonly Heading[],
  items: T,
  put: (cells: Cells) => Change,
): PastedTable<T> {
  const counts = { added: 0, changed: 0 };
  const problems: { row: number; message: string }[] = [];
  for (const each of rowsOf(table, wanted, needed)) {
    if ('problem' in each) problems.push({ row: 1, message: each.problem });
    else {
      const change = put(each.cells);
      if (change === 'added' || change === 'changed') counts[change] += 1;
      else if (change !== 'same') problems.push({ row: each.row, message: change });
    }
  }
  return { items, ...counts, problems };
}

/** Fields of a row that say something, laid over what is there. */
function over<T extends object>(list: T[], at: number, fields: Partial<T>): Change {
  const said = Object.fromEntries(Object.entries(fields).filter(([, each]) => each !== undefined));
  const before = list[at];
  if (!before) return 'same';
  const after = { ...before, ...said };
  list[at] = after;
  return JSON.stringify(after) === JSON.stringify(before) ? 'same' : 'changed';
}

const text = (cell: string): string | undefined => (cell === '' ? undefined : cell.slice(0, 200));
const lines = (cell: string): string[] | undefined =>
  cell === ''
    ? undefined
    : cell
        .split(/[;\n]/)
        .map((line) => line.trim())
        .filter(Boolean);

/** Codes: code and title, and as it has them meaning, causes and first looks. */
export function pasteCodes(sheet: WrittenSheet, table: Rows): PastedTable<SheetCode[]> {
  const list = [...sheet.codes.list];
  return taken(
    table,
    ['code', 'title', 'means', 'causes', 'firstLook'],
    ['code'],
    list,
    (cells) => {
      const code = cells('code').slice(0, 40);
      if (code === '') return 'A row without its code.';
      const at = list.findIndex((each) => each.code === code);
      const fields = {
        ...(text(cells('title')) !== undefined && { title: text(cells('title')) }),
        means: text(cells('means')),
        causes: lines(cells('causes')),
        firstLook: lines(cells('firstLook')),
      };
      if (at >= 0) return over<SheetCode>(list, at, fields as Partial<SheetCode>);
      list.push({ code, title: code, suspects: {} });
      over<SheetCode>(list, list.length - 1, fields as Partial<SheetCode>);
      return 'added';
    },
  );
}

/** Parts: by their number where they have one, else by their name. */
export function pasteParts(sheet: WrittenSheet, table: Rows): PastedTable<Part[]> {
  const list = [...sheet.parts];
  const figure = (cell: string): number | undefined => {
    const value = Number(cell.replace(/[^\d,.-]/g, '').replace(',', '.'));
    return cell === '' || Number.isNaN(value) ? undefined : value;
  };
  return taken(
    table,
    ['number', 'title', 'price', 'minutes', 'leadHours'],
    ['title'],
    list,
    (cells) => {
      const name = text(cells('title'));
      const number = text(cells('number'));
      if (name === undefined) return 'A row without a name.';
      const at = list.findIndex((each) =>
        number !== undefined && each.number !== undefined
          ? each.number === number
          : each.name === name,
      );
      const fields = {
        name,
        number,
        price: figure(cells('price')),
        minutes: figure(cells('minutes')),
        leadHours: figure(cells('leadHours')),
      };
      if (at >= 0) return over<Part>(list, at, fields as Partial<Part>);
      list.push({ id: freeId(list, name), name });
      over<Part>(list, list.length - 1, fields as Partial<Part>);
      return 'added';
    },
  );
}

/** Pins of one board: connector, pin, signal, wire. A connector that is not there yet is put on the board. */
export function pastePins(board: Board, table: Rows): PastedTable<Board> {
  const connectors = structuredClone(board.connectors ?? []);
  const [width, height] = board.size;
  const result = taken(
    table,
    ['connector', 'pin', 'signal', 'wire'],
    ['connector', 'pin'],
    connectors,
    (cells) => {
      const id = cells('connector').replace(/[^A-Za-z0-9._+-]/g, '');
      const n = Number(cells('pin').replace(/^\D+/, ''));
      if (id === '') return 'A row without its connector.';
      if (!Number.isInteger(n) || n < 1 || n > 200) return `“${cells('pin')}” is no pin number.`;
      let connector = connectors.find((each) => each.id === id);
      if (!connector) {
        const k = connectors.length;
        const at: [number, number] = [
          Math.round(((k % 4) + 0.5) * (width / 4)),
          Math.round(Math.min(height - 10, 14 + 24 * Math.floor(k / 4))),
        ];
        connector = { id, at, pins: [] };
        connectors.push(connector);
      }
      const at = connector.pins.findIndex((each) => each.n === n);
      const fields = { signal: text(cells('signal')), wire: text(cells('wire')) };
      if (at >= 0) return over(connector.pins, at, fields as object);
      connector.pins.push({ n });
      over(connector.pins, connector.pins.length - 1, fields as object);
      connector.pins.sort((a, b) => a.n - b.n);
      return 'added';
    },
  );
  return { ...result, items: { ...board, connectors } };
}

function freeId(list: readonly { readonly id: string }[], name: string): string {
  const stem =
    name
      .normalize('NFD')
      .replace(/[\u0300-\u036f]/g, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'part';
  for (let n = 1; ; n += 1) {
    const id = n === 1 ? stem : `${stem}-${n}`;
    if (!list.some((each) => each.id === id)) return id;
  }
}
