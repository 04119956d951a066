/** Tables of everything that was done: filtered by words, sorted by any column, a page of it or all as CSV. */
import { type RecordTable, RECORD_TABLES, type RecordsResource } from '@jeitinho/core';
import { plainWords } from '@jeitinho/core';
import Papa from 'papaparse';
import { notFound, ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import { projectNow } from '../store/projections';
import { raw } from '../store/raw';
import { backWith } from './came-back';

type Is = RecordsResource['columns'][number]['is'];

interface Column {
  readonly name: string;
  readonly is: Is;
  readonly sql: string;
}

interface Table {
  readonly columns: Readonly<Record<string, Column>>;
  readonly from: string;
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
      complaint: column('Complaint', 'j.complaint'),
      codes: column(
        'Codes',
        `COALESCE((SELECT GROUP_CONCAT(k.code SEPARATOR ', ') FROM JSON_TABLE(l.codes, '$[*]' COLUMNS (code VARCHAR(80) PATH '$')) k), '')`,
      ),
      ending: column('How it ended', `COALESCE(JSON_VALUE(j.summary, '$.ending'), '')`),
      proven: column('Proven', 'l.proven', 'yes'),
      minutes: column('Minutes', 'ROUND(l.minutes)', 'count'),
      technician: column('Technician', 'l.technician'),
    },
    from: `lessons l JOIN jobs j ON j.id = l.jobId ${JOINS}`,
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
    from: `work_done l ${JOINS}`,
    job: 'l.jobId',
    unit: 'l.unitId',
    by: 'signed',
    order: 'down',
  },
  'came-back': {
    columns: {
      signed: column('Signed', 'l.signedAt', 'moment'),
      ...PLACE,
      done: column(
        'Done',
        `COALESCE((SELECT GROUP_CONCAT(w.name SEPARATOR ', ') FROM work_done w WHERE w.jobId = l.jobId), '')`,
      ),
      back: column('Came back', 'b.openedAt', 'moment'),
      days: column('After days', 'TIMESTAMPDIFF(DAY, l.signedAt, b.openedAt)', 'count'),
      why: column('Because', 'b.complaint'),
      then: column('Done then', `COALESCE(JSON_VALUE(b.summary, '$.ending'), '')`),
      technician: column('Technician', 'l.technician'),
    },
    from: `lessons l ${JOINS} JOIN jobs b ON b.id = ${backWith('l')}`,
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
    from: 'units u JOIN sites s ON s.id = u.siteId JOIN customers c ON c.id = s.customerId',
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
  readonly sql: string;
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
  const words = plainWords(q.slice(0, 200)).slice(0, MOST_WORDS);
  const texts = Object.values(table.columns).filter(({ is }) => is === 'text');
  const all = `CONCAT_WS(' ', ${texts.map(({ sql }) => sql).join(', ')}) COLLATE utf8mb4_unicode_ci`;
  // The table's own order of letters takes accents and case for nothing.
  const where = words.map(() => `${all} LIKE ?`).join(' AND ');
  const up = (order ?? (sort === undefined ? table.order : 'up')) === 'up' ? 'ASC' : 'DESC';
  return {
    table,
    sql: `FROM ${table.from} ${where && `WHERE ${where}`}`,
    values: words.map((word) => `%${word}%`),
    sorted: `ORDER BY ${table.columns[by]!.sql} ${up}, ${table.job === 'NULL' ? table.unit : table.job} ${up}`,
  };
}

const selected = ({ columns, job, unit }: Table): string =>
  `SELECT ${job} AS job, ${unit} AS unit, ${Object.values(columns)
    .map(({ sql }, i) => `${sql} AS c${i}`)
    .join(', ')}`;

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
  const { table, sql, values, sorted } = asked(name, question);
  const from = Number(question.from ?? 0);
  if (!Number.isInteger(from) || from < 0 || from > FURTHEST)
    throw new ProblemError(400, 'bad-query', 'from is a whole number of rows to leave out.');
  await projectNow(store);
  const [rows, [all]] = await Promise.all([
    raw<Row[]>(
      store.sequelize,
      `${selected(table)} ${sql} ${sorted} LIMIT ${PAGE} OFFSET ${from}`,
      values,
    ),
    raw<{ count: number | bigint }[]>(store.sequelize, `SELECT COUNT(*) AS count ${sql}`, values),
  ]);
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
  const { table, sql, values, sorted } = asked(name, question);
  await projectNow(store);
  const fields = Object.values(table.columns).map((each) => each.name);
  const options = { escapeFormulae: true, newline: '\r\n' };
  yield `\uFEFF${Papa.unparse([fields], options)}\r\n`;
  for (let from = 0; ; from += CSV_ROWS) {
    const rows = await raw<Row[]>(
      store.sequelize,
      `${selected(table)} ${sql} ${sorted} LIMIT ${CSV_ROWS} OFFSET ${from}`,
      values,
    );
    const data = rows.map((row) =>
      cellsOf(table, row).map((cell) => (typeof cell === 'boolean' ? (cell ? 'yes' : 'no') : cell)),
    );
    if (data.length > 0) yield `${Papa.unparse(data, options)}\r\n`;
    if (rows.length < CSV_ROWS) return;
  }
}
