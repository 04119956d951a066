/** Tables of everything that was done: filtered by words, sorted by any column, a page of it or all as CSV. */
import {
  LONGEST_SEARCH,
  plainWords,
  type RecordTable,
  RECORD_TABLES,
  type RecordsResource,
} from '@jeitinho/core';
import Papa from 'papaparse';
import { notFound, ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import { projectNow } from '../store/projections';
import { raw } from '../store/raw';

type Is = RecordsResource['columns'][number]['is'];

interface Column {
  readonly name: string;
  readonly is: Is;
  readonly sql: string;
}

interface Table {
  readonly columns: Readonly<Record<string, Column>>;
  /** Its own rows, each once, and what stands beside each. */
  readonly base: string;
  readonly joins: string;
  /** What tells its rows apart: an id, and a number where there are several under one. */
  readonly id: string;
  readonly nth: string;
  /** Ids that a row leads to. */
  readonly job: string;
  readonly unit: string;
  /** Sorted by where nothing is said, and which way. */
  readonly by: string;
  readonly order: 'up' | 'down';
}

const column = (name: string, sql: string, is: Is = 'text'): Column => ({ name, sql, is });

const PLACE = {
  label: column('Unit', 'u.label'),
  maker: column('Maker', 'u.maker'),
  model: column('Model', 'u.model'),
  serial: column('Serial', 'u.serial'),
  site: column('Site', 's.name'),
};
const JOINS = 'JOIN units u ON u.id = l.unitId JOIN sites s ON s.id = u.siteId';

const TABLES: Readonly<Record<RecordTable, Table>> = {
  visits: {
    columns: {
      signed: column('Signed', 'l.signedAt', 'moment'),
      ...PLACE,
      complaint: column('Complaint', 'l.complaint'),
      codes: column('Codes', 'l.codes'),
      ending: column('How it ended', 'l.ending'),
      proven: column('Proven', 'l.proven', 'yes'),
      minutes: column('Minutes', 'ROUND(l.minutes)', 'count'),
      technician: column('Technician', 'l.technician'),
    },
    base: 'lessons l',
    joins: JOINS,
    id: 'l.jobId',
    nth: '0',
    job: 'l.jobId',
    unit: 'l.unitId',
    by: 'signed',
    order: 'down',
  },
  parts: {
    columns: {
      signed: column('Signed', 'l.signedAt', 'moment'),
      name: column('Part or work', 'l.name'),
      number: column('Number', `COALESCE(l.number, '')`),
      batch: column('Batch', `COALESCE(l.batch, '')`),
      supplier: column('Supplier', `COALESCE(l.supplier, '')`),
      proven: column('Proven', 'l.proven', 'yes'),
      ...PLACE,
    },
    base: 'work_done l',
    joins: JOINS,
    id: 'l.jobId',
    nth: 'l.nth',
    job: 'l.jobId',
    unit: 'l.unitId',
    by: 'signed',
    order: 'down',
  },
  'came-back': {
    columns: {
      signed: column('Signed', 'l.signedAt', 'moment'),
      ...PLACE,
      done: column('Done', 'l.done'),
      back: column('Came back', 'b.openedAt', 'moment'),
      days: column('After days', 'TIMESTAMPDIFF(DAY, l.signedAt, b.openedAt)', 'count'),
      why: column('Because', 'b.complaint'),
      then: column('Done then', `COALESCE(JSON_VALUE(b.summary, '$.ending'), '')`),
      technician: column('Technician', 'l.technician'),
    },
    base: 'lessons l JOIN jobs b ON b.id = l.backWith',
    joins: JOINS,
    id: 'l.jobId',
    nth: '0',
    job: 'l.jobId',
    unit: 'l.unitId',
    by: 'back',
    order: 'down',
  },
  units: {
    columns: {
      ...PLACE,
      customer: column('Customer', 'c.name'),
      kind: column('Kind', 'u.kind'),
      installed: column('Installed', 'CAST(u.installedOn AS CHAR)', 'day'),
      warranty: column('Warranty until', 'CAST(u.warrantyUntil AS CHAR)', 'day'),
      visits: column('Visits', '(SELECT COUNT(*) FROM jobs j WHERE j.unitId = u.id)', 'count'),
      last: column(
        'Last visit',
        '(SELECT MAX(j.openedAt) FROM jobs j WHERE j.unitId = u.id)',
        'moment',
      ),
    },
    base: 'units u',
    joins: 'JOIN sites s ON s.id = u.siteId JOIN customers c ON c.id = s.customerId',
    id: 'u.id',
    nth: '0',
    job: 'NULL',
    unit: 'u.id',
    by: 'label',
    order: 'up',
  },
};

export interface RecordsAsked {
  readonly q?: string | undefined;
  readonly sort?: string | undefined;
  readonly order?: string | undefined;
  readonly from?: string | undefined;
}

const PAGE = 100;
/** Beyond it a filter is the way. */
const FURTHEST = 1_000_000;
const MOST_WORDS = 8;

interface Asked {
  readonly table: Table;
  /** Rows that are wanted, in no order. */
  readonly wanted: string;
  readonly values: readonly unknown[];
  readonly sorted: string;
}

/** @throws {ProblemError} 404 for no such table; 400 for no such column or order. */
function asked(name: string, { q = '', sort, order }: RecordsAsked): Asked {
  if (!(RECORD_TABLES as readonly string[]).includes(name)) throw notFound('such table');
  const table = TABLES[name as RecordTable];
  const by = sort ?? table.by;
  if (!Object.hasOwn(table.columns, by))
    throw new ProblemError(
      400,
      'bad-query',
      `sort is one of ${Object.keys(table.columns).join(', ')}.`,
    );
  if (order !== undefined && order !== 'up' && order !== 'down')
    throw new ProblemError(400, 'bad-query', 'order is up or down.');
  const words = plainWords(q.slice(0, LONGEST_SEARCH)).slice(0, MOST_WORDS);
  const texts = Object.values(table.columns).filter(({ is }) => is === 'text');
  const all = `CONCAT_WS(' ', ${texts.map(({ sql }) => sql).join(', ')}) COLLATE utf8mb4_unicode_ci`;
  // The table's own order of letters takes accents and case for nothing.
  const where = words.map(() => `${all} LIKE ?`).join(' AND ');
  const up = (order ?? (sort === undefined ? table.order : 'up')) === 'up' ? 'ASC' : 'DESC';
  const column = table.columns[by]!.sql;
  // Whole tables are gone through by their own rows alone, as long as nobody asks for what stands beside them.
  const joined = words.length > 0 || !BASE_ALONE.test(column);
  return {
    table,
    wanted: `FROM ${table.base} ${joined ? table.joins : ''} ${where && `WHERE ${where}`}`,
    values: words.map((word) => `%${word}%`),
    sorted: `ORDER BY ${column} ${up}, ${table.id} ${up}, nth ${up}`,
  };
}

/** Of the base of a table, or of what came back. */
const BASE_ALONE = /^(ROUND\()?[lb]\./;

interface Key {
  readonly id: string;
  readonly nth: number;
}

const keysOf = (
  store: Store,
  { table, wanted, values, sorted }: Asked,
  page = '',
): Promise<Key[]> =>
  raw<Key[]>(
    store.sequelize,
    `SELECT ${table.id} AS id, ${table.nth} AS nth ${wanted} ${sorted} ${page}`,
    values,
  );

/** In the order of their keys. */
async function rowsAt(store: Store, table: Table, keys: readonly Key[]): Promise<Row[]> {
  if (keys.length === 0) return [];
  const columns = Object.values(table.columns).map(({ sql }, i) => `${sql} AS c${i}`);
  const rows = await raw<(Key & Row)[]>(
    store.sequelize,
    `SELECT ${table.id} AS id, ${table.nth} AS nth, ${table.job} AS job, ${table.unit} AS unit, ${columns.join(', ')}
       FROM ${table.base} ${table.joins} WHERE ${table.id} IN (${keys.map(() => '?').join(', ')})`,
    keys.map(({ id }) => id),
  );
  const byKey = new Map(rows.map((row) => [`${row.id} ${row.nth}`, row]));
  return keys.flatMap(({ id, nth }) => byKey.get(`${id} ${nth}`) ?? []);
}

type Cell = string | number | boolean | null;
type Row = Readonly<Record<string, unknown>>;

function cellsOf({ columns }: Table, row: Row): Cell[] {
  return Object.values(columns).map(({ is }, i) => {
    const value = row[`c${i}`];
    if (value === null || value === undefined) return null;
    if (value instanceof Date) return value.toISOString();
    if (is === 'yes') return Number(value) === 1;
    return is === 'count' ? Number(value) : String(value as string | number);
  });
}

export async function recordsOf(
  store: Store,
  name: string,
  question: RecordsAsked,
): Promise<RecordsResource> {
  const own = asked(name, question);
  const { table, wanted, values } = own;
  const from = Number(question.from ?? 0);
  if (!Number.isInteger(from) || from < 0 || from > FURTHEST)
    throw new ProblemError(400, 'bad-query', 'from is a whole number of rows to leave out.');
  await projectNow(store);
  const [keys, [all]] = await Promise.all([
    keysOf(store, own, `LIMIT ${PAGE} OFFSET ${from}`),
    raw<{ count: number | bigint }[]>(
      store.sequelize,
      `SELECT COUNT(*) AS count ${wanted}`,
      values,
    ),
  ]);
  const rows = await rowsAt(store, table, keys);
  return {
    columns: Object.entries(table.columns).map(([id, { name: called, is }]) => ({
      ...{ id, name: called, is },
    })),
    rows: rows.map((row) => ({
      ...{ job: row.job as string | null, unit: row.unit as string | null },
      cells: cellsOf(table, row),
    })),
    of: Number(all!.count),
  };
}

/** Rows that are made into text at once. */
const CSV_ROWS = 2_000;

/** The whole table, piece by piece: it never stands in memory. */
export async function* recordsCsv(
  store: Store,
  name: string,
  question: RecordsAsked,
): AsyncGenerator<string> {
  const own = asked(name, question);
  const { table } = own;
  await projectNow(store);
  const fields = Object.values(table.columns).map((each) => each.name);
  const options = { escapeFormulae: true, newline: '\r\n' };
  yield `\uFEFF${Papa.unparse([fields], options)}\r\n`;
  // All of one moment, and in one order.
  const keys = await keysOf(store, own);
  for (let at = 0; at < keys.length; at += CSV_ROWS) {
    const rows = await rowsAt(store, table, keys.slice(at, at + CSV_ROWS));
    const data = rows.map((row) =>
      cellsOf(table, row).map((cell) => (typeof cell === 'boolean' ? (cell ? 'yes' : 'no') : cell)),
    );
    if (data.length > 0) yield `${Papa.unparse(data, options)}\r\n`;
  }
}
