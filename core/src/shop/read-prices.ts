/**
 * A price list as a spreadsheet gives it: which column is which, and each row with what is wrong in it.
 * Nothing is dropped in silence; of a number that stands twice the last holds, and it is said.
 */
import { numberKey, type PriceColumn, type PriceRow } from './price-row';

/** Headings of the file that is written, in its order. */
export const PRICE_HEADINGS: Readonly<Record<PriceColumn, string>> = {
  number: 'number',
  name: 'name',
  price: 'price',
  stock: 'stock',
  leadHours: 'lead hours',
  returnable: 'returnable',
  restock: 'kept on return %',
  sendBackDays: 'send back days',
  partsMonths: 'parts warranty months',
  labourMonths: 'labour warranty months',
  supersededBy: 'superseded by',
};

const WORDS: Readonly<Record<PriceColumn, RegExp>> = {
  number: /^(number|part no\.?|part number|code|article|item|sku|código|codigo|número|numero)$/i,
  name: /^(name|description|text|part|nome|descrição|descricao)\b/i,
  price: /^(price|cost|net|amount|preço|preco|valor)\b/i,
  stock: /^(stock|on hand|quantity|qty|estoque|quantidade)\b/i,
  leadHours: /^(lead|delivery|prazo)/i,
  returnable: /^(returnable|can go back|devolu)/i,
  restock: /^(kept on return|restock|return fee)/i,
  sendBackDays: /^(send back|return within|core return)/i,
  partsMonths: /^(parts warranty|warranty|garantia)/i,
  labourMonths: /^labou?r warranty/i,
  supersededBy: /^(superseded|replaced by|substitu)/i,
};
const COLUMNS = Object.keys(WORDS) as PriceColumn[];

export interface PriceProblem {
  /** Row of the list, its heading being the first. */
  readonly row: number;
  readonly column: PriceColumn;
  readonly message: string;
}

export interface PriceTable {
  /** Columns that were recognised. */
  readonly columns: readonly PriceColumn[];
  readonly rows: readonly PriceRow[];
  readonly problems: readonly PriceProblem[];
  /** Numbers that stand more than once. */
  readonly repeated: readonly string[];
}

/** @param table - Rows of cells, the heading first. */
export function readPrices(table: readonly (readonly string[])[]): PriceTable {
  const [head = [], ...body] = table;
  const at = new Map<PriceColumn, number>();
  for (const column of COLUMNS) {
    const taken = new Set(at.values());
    const i = head.findIndex((cell, k) => !taken.has(k) && WORDS[column].test(cell.trim()));
    if (i >= 0) at.set(column, i);
  }
  const rows = new Map<string, PriceRow>();
  const problems: PriceProblem[] = [];
  const repeated = new Set<string>();
  const days = /day|dias/i.test(head[at.get('leadHours') ?? -1] ?? '');
  body.forEach((cells, i) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const wrong: PriceProblem[] = [];
    const row = rowOf(
      (column) => (cells[at.get(column) ?? -1] ?? '').trim(),
      (column, message) => wrong.push({ row: i + 2, column, message }),
      days ? 24 : 1,
    );
    problems.push(...wrong);
    if (!row || wrong.length > 0) return;
    const key = numberKey(row.number);
    if (rows.has(key)) repeated.add(row.number);
    rows.set(key, row);
  });
  return { columns: [...at.keys()], rows: [...rows.values()], problems, repeated: [...repeated] };
}

type Wrong = (column: PriceColumn, message: string) => void;

function rowOf(
  cell: (column: PriceColumn) => string,
  wrong: Wrong,
  leadTimes: number,
): PriceRow | undefined {
  const number = cell('number');
  if (number === '') {
    wrong('number', 'A row needs the number of its part.');
    return undefined;
  }
  if (number.length > 120) wrong('number', 'is longer than 120 characters.');
  const figure = (column: PriceColumn, whole: boolean, times = 1): number | undefined => {
    const text = cell(column).replace('%', '');
    if (text === '') return undefined;
    const value = column === 'price' ? moneyIn(text) : decimalIn(text);
    if (value === undefined || value < 0 || (whole && !Number.isInteger(value))) {
      wrong(column, `“${text.slice(0, 40)}” is no ${whole ? 'whole ' : ''}figure of 0 or more.`);
      return undefined;
    }
    return value * times;
  };
  const returnable = yesIn(cell('returnable'));
  if (returnable === null) wrong('returnable', 'Yes or no is wanted.');
  const restock = figure('restock', false, 0.01);
  if (restock !== undefined && restock > 1)
    wrong('restock', 'More than the whole price cannot be kept.');
  const made: Record<string, string | number | boolean | undefined> = {
    number,
    name: cell('name').slice(0, 200) || undefined,
    price: figure('price', false),
    stock: figure('stock', true),
    leadHours: figure('leadHours', false, leadTimes),
    returnable: returnable ?? undefined,
    restock,
    sendBackDays: figure('sendBackDays', true),
    partsMonths: figure('partsMonths', true),
    labourMonths: figure('labourMonths', true),
    supersededBy: cell('supersededBy') || undefined,
  };
  return Object.fromEntries(
    Object.entries(made).filter(([, value]) => value !== undefined),
  ) as unknown as PriceRow;
}

/** `1.240,50`, `1,240.50`, `1240.5`, `R$ 85`; the last mark before one or two digits is the decimal one. */
export function moneyIn(text: string): number | undefined {
  const bare = text.replace(/[^\d.,+-]/g, '');
  const found = /^([+-]?[\d.,]*?)(?:[.,](\d{1,2}))?$/.exec(bare);
  if (!found || !/\d/.test(bare)) return undefined;
  const whole = (found[1] ?? '').replace(/[.,]/g, '');
  const value = Number(`${whole === '' || whole === '-' ? `${whole}0` : whole}.${found[2] ?? '0'}`);
  return Number.isFinite(value) ? value : undefined;
}

/** A plain figure with either decimal mark. */
function decimalIn(text: string): number | undefined {
  const value = Number(text.trim().replace(',', '.'));
  return Number.isFinite(value) ? value : undefined;
}

/** @returns null for what is neither. */
function yesIn(text: string): boolean | undefined | null {
  if (text === '') return undefined;
  if (/^(yes|y|true|1|sim|s)$/i.test(text)) return true;
  return /^(no|n|false|0|não|nao)$/i.test(text) ? false : null;
}

/** Shares as percent, sums to the cent: a third decimal would be read as thousands. */
function writtenIn(column: PriceColumn, value: string | number): string {
  if (typeof value === 'string') return value;
  if (column === 'restock') return String(Number((value * 100).toFixed(4)));
  return String(column === 'price' ? Math.round(value * 100) / 100 : value);
}

/** The list as rows of cells, its headings first: what `readPrices` reads. */
export const priceTable = (rows: readonly PriceRow[]): string[][] => [
  COLUMNS.map((column) => PRICE_HEADINGS[column]),
  ...rows.map((row) =>
    COLUMNS.map((column) => {
      const value = row[column];
      if (value === undefined) return '';
      if (typeof value === 'boolean') return value ? 'yes' : 'no';
      return writtenIn(column, value);
    }),
  ),
];
