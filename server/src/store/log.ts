/**
 * Appending to a job's log. One transaction per batch with the job's row locked, so that two devices
 * writing at once are numbered one after the other, and a batch is stored whole or not at all.
 */
import {
  foldJob,
  inLogOrder,
  refusalOf,
  summarise,
  SUMMARY_VERSION,
  type AppendedResource,
  type LogEntry,
  type Refusal,
  type Sheet,
  type StoredEntry,
} from '@jeitinho/core';
import { Op, type Transaction } from 'sequelize';
import { notFound, ProblemError } from '../problem';
import type { Store } from './models/index';
import type { Job } from './models/job';
import type { Entry } from './models/entry';

export type NumberedEntry = StoredEntry & { readonly seq: number };

export function storedEntry(row: Entry): NumberedEntry {
  return {
    id: row.id,
    seq: row.seq,
    kind: row.kind,
    at: row.at.toISOString(),
    author: row.author,
    ...(row.device !== null && { device: row.device }),
    ...(row.seen !== null && { seen: row.seen }),
    ...(row.offsetMs !== null && { offset: row.offsetMs }),
    body: row.body,
  } as unknown as NumberedEntry;
}

/** Entries of a job after a sequence number, in order. */
export async function entriesAfter(
  store: Store,
  jobId: string,
  after: number,
  transaction?: Transaction,
): Promise<NumberedEntry[]> {
  const rows = await store.entries.findAll({
    where: { jobId, seq: { [Op.gt]: after } },
    order: [['seq', 'ASC']],
    ...(transaction && { transaction }),
  });
  return rows.map(storedEntry);
}

export async function frozenSheet(
  store: Store,
  job: Job,
  transaction?: Transaction,
): Promise<Sheet | null> {
  if (job.sheetId === null) return null;
  const row = await store.sheets.findOne({
    where: { id: job.sheetId, revision: job.sheetRevision! },
    ...(transaction && { transaction }),
  });
  return row?.document ?? null;
}

/**
 * Append a batch. Entries the job already has are answered with the number they got the first time.
 * @param options.offset - Milliseconds from the sender's clock to ours; 0 where they agree.
 * @throws {ProblemError} 404 without the job; 409 naming the entry when a rule refuses one, or when
 *   an id is already used for something else. Nothing of the batch is stored then.
 */
export async function appendEntries(
  store: Store,
  jobId: string,
  batch: readonly LogEntry[],
  { offset = 0 }: { readonly offset?: number } = {},
): Promise<AppendedResource> {
  return store.sequelize.transaction(async (transaction) => {
    const job = await store.jobs.findByPk(jobId, { transaction, lock: transaction.LOCK.UPDATE });
    if (!job) throw notFound('such job');
    const sheet = await frozenSheet(store, job, transaction);
    const log = await entriesAfter(store, jobId, 0, transaction);
    const fresh = await freshEntries(store, log, batch, transaction);
    if (fresh.length > 0 && !sheet)
      throw new ProblemError(
        409,
        'no-sheet',
        'This unit has no service sheet yet, so its job cannot be worked on. Add a sheet first.',
      );

    const whole: NumberedEntry[] = [...log];
    for (const { entry, index } of fresh) {
      const numbered = {
        ...entry,
        seq: whole.length + 1,
        ...(offset !== 0 && { offset }),
      } as NumberedEntry;
      const refusal = refusalAt(sheet!, whole, numbered);
      if (refusal)
        throw new ProblemError(409, refusal.code, refusal.message, {
          entry: { index, id: entry.id },
        });
      whole.push(numbered);
    }
    const added = whole.slice(log.length);
    await store.entries.bulkCreate(
      added.map((entry) => rowOf(jobId, entry)),
      { transaction },
    );
    if (added.length > 0) await saveSummary(job, sheet!, whole, transaction);

    const numbers = new Map(whole.map((entry) => [entry.id, entry.seq]));
    return {
      accepted: batch.map(({ id }) => ({ id, seq: numbers.get(id)! })),
      last: whole.length,
      offset,
    };
  });
}

/**
 * The rule for an entry at its own place in the log: one that was written before others arrived is judged
 * by what came before it. Nothing goes into a signed job, whenever it was written.
 */
function refusalAt(
  sheet: Sheet,
  log: readonly NumberedEntry[],
  entry: NumberedEntry,
): Refusal | undefined {
  const now = foldJob(sheet, log);
  const ordered = inLogOrder([...log, entry]);
  const place = ordered.findIndex(({ id }) => id === entry.id);
  if (place === log.length || now.signed || entry.kind === 'withdrawn')
    return refusalOf(sheet, now, entry);
  return refusalOf(sheet, foldJob(sheet, ordered.slice(0, place)), entry);
}

/** The entries of a batch that the job does not have yet, each id once. */
async function freshEntries(
  store: Store,
  log: readonly NumberedEntry[],
  batch: readonly LogEntry[],
  transaction: Transaction,
): Promise<{ entry: LogEntry; index: number }[]> {
  const known = new Map<string, LogEntry>(log.map((entry) => [entry.id, entry]));
  const fresh: { entry: LogEntry; index: number }[] = [];
  batch.forEach((entry, index) => {
    const twin = known.get(entry.id);
    if (twin && !sameEntry(twin, entry)) throw usedTwice(index, entry.id);
    if (!twin) {
      known.set(entry.id, entry);
      fresh.push({ entry, index });
    }
  });
  const elsewhere = await store.entries.findOne({
    where: { id: fresh.map(({ entry }) => entry.id) },
    transaction,
  });
  if (elsewhere) {
    const index = batch.findIndex((entry) => entry.id === elsewhere.id);
    throw usedTwice(index, elsewhere.id);
  }
  return fresh;
}

const usedTwice = (index: number, id: string) =>
  new ProblemError(
    409,
    'id-used',
    'Nothing was stored: this entry’s id already belongs to a different entry.',
    { entry: { index, id } },
  );

function sameEntry(a: LogEntry, b: LogEntry): boolean {
  const plain = ({ kind, at, author, body }: LogEntry) => stable({ kind, at, author, body });
  return plain(a) === plain(b);
}

/** JSON with sorted keys: the database may give them back in another order. */
function stable(value: unknown): string {
  return JSON.stringify(value, (_, part: unknown) =>
    part !== null && typeof part === 'object' && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  );
}

function rowOf(jobId: string, entry: NumberedEntry) {
  const { id, seq, kind, author } = entry;
  const common = {
    jobId,
    seq,
    id,
    kind,
    author,
    at: new Date(entry.at),
    body: entry.body as Record<string, unknown>,
    receivedAt: new Date(),
    device: entry.device ?? null,
    seen: entry.seen ?? null,
    offsetMs: entry.offset ?? null,
  };
  if (entry.kind === 'answer' || entry.kind === 'skipped')
    return { ...common, test: entry.body.test };
  if (entry.kind === 'series') return { ...common, test: entry.body.test, point: entry.body.point };
  if (entry.kind !== 'reading') return common;
  const { test, point, reading } = entry.body;
  return { ...common, test, point, value: reading.kind === 'value' ? reading.value : null };
}

async function saveSummary(
  job: Job,
  sheet: Sheet,
  log: readonly NumberedEntry[],
  transaction?: Transaction,
): Promise<void> {
  const summary = summarise(sheet, foldJob(sheet, log));
  await job.update(
    { summary, status: summary.status, lastSeq: log.length, summaryVersion: SUMMARY_VERSION },
    transaction ? { transaction } : {},
  );
}

/**
 * Make the projections again from the log, where an older program made them.
 * @returns how many jobs were refreshed.
 */
export async function refreshSummaries(store: Store, { all = false } = {}): Promise<number> {
  const stale = await store.jobs.findAll({
    where: {
      sheetId: { [Op.not]: null },
      ...(!all && { summaryVersion: { [Op.ne]: SUMMARY_VERSION } }),
    },
  });
  for (const job of stale) {
    const sheet = await frozenSheet(store, job);
    if (sheet) await saveSummary(job, sheet, await entriesAfter(store, job.id, 0));
  }
  return stale.length;
}
