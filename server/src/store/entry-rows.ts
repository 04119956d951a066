/** Entries of logs as rows: written in one statement, read in pages. */
import { columnsOf, type StoredEntry } from '@jeitinho/core/job';
import type { Transaction } from 'sequelize';
import type { EntryRow } from './insert-queue';
import type { Store } from './models/index';
import { fromColumn, raw, toColumn } from './raw';

export type NumberedEntry = StoredEntry & { readonly seq: number };

interface Row {
  readonly id: string;
  readonly seq: number;
  readonly kind: string;
  readonly at: string;
  readonly author: string;
  readonly device: string | null;
  readonly seen: number | null;
  readonly offsetMs: number | null;
  readonly presses: number | null;
  readonly body: string;
}

function entryOf(row: Row): NumberedEntry {
  return {
    id: row.id,
    seq: row.seq,
    kind: row.kind,
    at: fromColumn(row.at),
    author: row.author,
    ...(row.device !== null && { device: row.device }),
    ...(row.seen !== null && { seen: row.seen }),
    ...(row.presses !== null && { presses: row.presses }),
    ...(row.offsetMs !== null && { offset: row.offsetMs }),
    body: JSON.parse(row.body) as unknown,
    // It was checked when it was let in; of what kind it is stands in the row.
  } as unknown as NumberedEntry;
}

/** Entries in one page, and their bytes, at most; a single entry may have more. */
const PAGE_ENTRIES = 500;
const PAGE_BYTES = 1_000_000;

export interface EntryPage {
  readonly entries: readonly NumberedEntry[];
  /** Bytes of their bodies. */
  readonly bytes: number;
}

/** The next entries of a job after a sequence number, in order; none after the last. */
export async function entryPage(
  store: Store,
  jobId: string,
  after: number,
  transaction?: Transaction,
): Promise<EntryPage> {
  const sizes = await raw<{ seq: number; bytes: number }[]>(
    store.sequelize,
    `SELECT seq, LENGTH(body) AS bytes FROM entries WHERE jobId = ? AND seq > ? ORDER BY seq LIMIT ${PAGE_ENTRIES}`,
    [jobId, after],
    transaction,
  );
  let bytes = 0;
  let last = after;
  for (const row of sizes) {
    if (bytes > 0 && bytes + row.bytes > PAGE_BYTES) break;
    bytes += row.bytes;
    last = row.seq;
  }
  if (last === after) return { entries: [], bytes: 0 };
  const rows = await raw<Row[]>(
    store.sequelize,
    // The body not as a JSON column: the connector would parse it as one, number by number.
    `SELECT id, seq, kind, CAST(at AS CHAR) AS at, author, device, seen, presses, offsetMs, CONCAT(body, '') AS body
       FROM entries WHERE jobId = ? AND seq > ? AND seq <= ? ORDER BY seq`,
    [jobId, after, last],
    transaction,
  );
  return { entries: rows.map(entryOf), bytes };
}

/** The highest number in a job's log; null where there is no such job. */
export async function lastNumber(store: Store, jobId: string): Promise<number | null> {
  const [row] = await raw<{ last: number | null }[]>(
    store.sequelize,
    'SELECT MAX(seq) AS last FROM entries WHERE jobId = ?',
    [jobId],
  );
  return row?.last ?? null;
}

const COLUMNS = 15;
const PLACES = `(${Array.from({ length: COLUMNS }, () => '?').join(', ')})`;

export function entryRow(jobId: string, entry: NumberedEntry): EntryRow {
  const body = JSON.stringify(entry.body);
  const { test, point, value } = columnsOf(entry);
  return {
    values: [
      jobId,
      entry.seq,
      entry.id,
      entry.kind,
      toColumn(entry.at),
      entry.author,
      body,
      test ?? null,
      point ?? null,
      value ?? null,
      toColumn(new Date().toISOString()),
      entry.device ?? null,
      entry.seen ?? null,
      entry.offset ?? null,
      entry.presses ?? null,
    ],
    bytes: body.length,
  };
}

/** All of them or none, in one statement: durable when it returns. */
export async function insertEntries(store: Store, rows: readonly EntryRow[]): Promise<void> {
  await raw(
    store.sequelize,
    `INSERT INTO entries (jobId, seq, id, kind, at, author, body, test, point, value, receivedAt, device, seen, offsetMs, presses)
     VALUES ${rows.map(() => PLACES).join(', ')}`,
    rows.flatMap(({ values }) => values),
  );
}
