/**
 * A shop's list of customers and units, as a spreadsheet gives it: which column is which, and each row with
 * what is wrong in it. Nothing is dropped in silence.
 */
import { dayIn, orderOf } from './dates';
import { PLACE_COLUMNS, type PlaceColumn, type PlaceRow } from './row';

const WORDS: Record<PlaceColumn, RegExp> = {
  customer: /^(customer|client|owner|account|company|cliente|name|nome)\b/i,
  phone: /^(phone|telephone|tel|mobile|telefone|fone)\b/i,
  site: /^(site|place|location|premises|building|local|obra)\b/i,
  address: /^(address|street|endereço|rua)\b/i,
  town: /^(town|city|cidade|municipality)\b/i,
  label: /^(label|unit|equipment|machine|appliance|asset|tag|equipamento|unidade)\b/i,
  maker: /^(maker|make|manufacturer|brand|fabricante|marca)\b/i,
  model: /^(model|modelo|type no)\b/i,
  serial: /^(serial|s\/?n|série|serie|nº de série|no de serie)/i,
  kind: /^(kind|type|category|tipo)\b/i,
  installed: /^(installed|installation|install|commissioned|instalad)/i,
  warranty: /^(warranty|guarantee|garantia)/i,
};

/** Index of each column that its heading names. */
export type PlaceColumns = Partial<Record<PlaceColumn, number>>;

export function placeColumns(head: readonly string[]): PlaceColumns {
  const map: PlaceColumns = {};
  for (const column of PLACE_COLUMNS) {
    const taken = new Set(Object.values(map));
    const at = head.findIndex((cell, i) => !taken.has(i) && WORDS[column].test(cell.trim()));
    if (at >= 0) map[column] = at;
  }
  return map;
}

export interface PlaceProblem {
  /** Row of the list, its heading being the first. */
  readonly row: number;
  readonly column: PlaceColumn;
  readonly message: string;
}

export interface PlaceList {
  readonly columns: PlaceColumns;
  /** Rows that can go in. */
  readonly rows: readonly PlaceRow[];
  readonly problems: readonly PlaceProblem[];
  /** Rows that say the same as one above, and were left out. */
  readonly repeated: number;
}

const LONGEST = 200;

/**
 * @param table - Rows of cells, the heading first.
 */
export function readPlaces(table: readonly (readonly string[])[]): PlaceList {
  const [head = [], ...body] = table;
  const columns = placeColumns(head);
  const cellOf = (cells: readonly string[], column: PlaceColumn) => {
    const at = columns[column];
    return at === undefined ? '' : (cells[at] ?? '').trim().replace(/\s+/g, ' ');
  };
  const order = orderOf(
    body.flatMap((cells) => [cellOf(cells, 'installed'), cellOf(cells, 'warranty')]),
  );
  const rows: PlaceRow[] = [];
  const problems: PlaceProblem[] = [];
  const seen = new Set<string>();
  let repeated = 0;
  body.forEach((cells, i) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const at = { row: i + 2 };
    const wrong: PlaceProblem[] = [];
    const day = (column: 'installed' | 'warranty'): string => {
      const text = cellOf(cells, column);
      const read = text === '' ? '' : dayIn(text, order);
      if (read === undefined)
        wrong.push({ ...at, column, message: `“${text.slice(0, 40)}” is no day of the calendar.` });
      return read ?? '';
    };
    const line = (column: PlaceColumn): string => {
      const text = cellOf(cells, column);
      if (text.length > LONGEST)
        wrong.push({ ...at, column, message: `is longer than ${LONGEST} characters.` });
      return text;
    };
    const row = rowOf(line, day);
    wrong.push(...missingIn(row).map((problem) => ({ ...at, ...problem })));
    if (wrong.length > 0) return void problems.push(...wrong);
    const key = JSON.stringify(row).toLowerCase();
    if (seen.has(key)) repeated += 1;
    else rows.push(row);
    seen.add(key);
  });
  return { columns, rows, problems, repeated };
}

/** What is left blank follows from the rest: a site is called as its customer, a unit as its model. */
function rowOf(
  line: (column: PlaceColumn) => string,
  day: (column: 'installed' | 'warranty') => string,
): PlaceRow {
  const customer = line('customer');
  const [maker, model, kind] = [line('maker'), line('model'), line('kind')];
  const label = line('label');
  const isUnit = [label, maker, model].some((text) => text !== '');
  return {
    customer,
    phone: line('phone'),
    site: line('site') || customer,
    address: line('address'),
    town: line('town'),
    label: label || (isUnit ? kind || model : ''),
    maker,
    model,
    serial: line('serial'),
    kind: kind || (isUnit ? 'not noted' : ''),
    installed: day('installed'),
    warranty: day('warranty'),
  };
}

function missingIn({ customer, label, maker, model }: PlaceRow) {
  const missing: { column: PlaceColumn; message: string }[] = [];
  if (customer === '') missing.push({ column: 'customer', message: 'A row needs its customer.' });
  if (label !== '' && maker === '')
    missing.push({ column: 'maker', message: 'A unit needs its maker.' });
  if (label !== '' && model === '')
    missing.push({ column: 'model', message: 'A unit needs its model.' });
  return missing;
}
