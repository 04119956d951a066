/**
 * Appending to a job's log: one statement a batch, stored whole or not at all, and durable when it is
 * answered. No lock is taken. The log's primary key (job, number) lets one of two writers in; the other
 * reads what was written meanwhile and is judged by that.
 */
import { isDeepStrictEqual } from 'node:util';
import type { AppendedResource } from '@jeitinho/core';
import { admit, type LogEntry, type WrittenEntry } from '@jeitinho/core/job';
import { ProblemError } from '../problem';
import { inSlices } from '../slices';
import { isDuplicate, transient } from './database-errors';
import { entryRow, type NumberedEntry, insertEntries } from './entry-rows';
import { hotJob } from './hot-jobs';
import type { HotJob } from './memory';
import type { Store } from './models/index';
import { projectLater } from './projections';
import { raw } from './raw';

/** How often a batch is tried again after another writer was quicker. */
const MOST_TRIES = 8;

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
  return store.memory.turns.take(jobId, async () => {
    for (let tries = 1; ; tries += 1) {
      const hot = await hotJob(store, jobId);
      try {
        return await appendTo(store, jobId, hot, batch, offset);
      } catch (error) {
        if (error instanceof ProblemError) throw error;
        // Whatever the database minded, what is known here may not be how it stands there.
        store.memory.jobs.drop(jobId);
        if (isDuplicate(error)) await refuseStrangers(store, jobId, batch);
        else if (!transient(error)) throw error;
        if (tries >= MOST_TRIES) throw error;
      }
    }
  });
}

async function appendTo(
  store: Store,
  jobId: string,
  hot: HotJob,
  batch: readonly LogEntry[],
  offset: number,
): Promise<AppendedResource> {
  const { fold, written } = hot;
  const fresh = freshEntries(hot, batch);
  if (fresh.length > 0) {
    if (!written)
      throw new ProblemError(
        409,
        'no-sheet',
        'This unit has no service sheet yet, so its job cannot be worked on. Add a sheet first.',
      );
    const numbered = fresh.map(
      ({ entry }, i) =>
        ({
          ...entry,
          seq: fold.length + i + 1,
          ...(offset !== 0 && { offset }),
        }) as NumberedEntry,
    );
    const mark = fold.mark();
    try {
      const found = await inSlices(admit(fold, numbered));
      if (found) {
        const { entry, index } = fresh[found.index]!;
        throw new ProblemError(409, found.refusal.code, found.refusal.message, {
          entry: { index, id: entry.id },
        });
      }
      const rows = numbered.map((entry) => entryRow(jobId, entry));
      await store.memory.inserts.insert((some) => insertEntries(store, some), rows);
      hot.weight += rows.reduce((sum, { bytes }) => sum + bytes + 500, 0);
    } catch (error) {
      fold.backTo(mark);
      throw error;
    }
    store.memory.jobs.set(jobId, hot, hot.weight);
    projectLater(store, jobId);
  }
  return {
    accepted: batch.map(({ id }) => ({ id, seq: fold.find(id)!.seq! })),
    last: fold.length,
    offset,
  };
}

/** The entries of a batch that the job does not have yet, each id once. */
function freshEntries(
  { fold }: HotJob,
  batch: readonly LogEntry[],
): { entry: LogEntry; index: number }[] {
  const fresh = new Map<string, { entry: LogEntry; index: number }>();
  batch.forEach((entry, index) => {
    const twin = fold.find(entry.id) ?? fresh.get(entry.id)?.entry;
    if (twin && !sameEntry(twin, entry)) throw usedTwice(index, entry.id);
    if (!twin) fresh.set(entry.id, { entry, index });
  });
  return [...fresh.values()];
}

/** @throws {ProblemError} 409 where an id of the batch belongs to another job. */
async function refuseStrangers(
  store: Store,
  jobId: string,
  batch: readonly LogEntry[],
): Promise<void> {
  const ids = batch.map(({ id }) => id);
  const [stranger] = await raw<{ id: string }[]>(
    store.sequelize,
    `SELECT id FROM entries WHERE id IN (${ids.map(() => '?').join(', ')}) AND jobId <> ? LIMIT 1`,
    [...ids, jobId],
  );
  if (stranger)
    throw usedTwice(
      batch.findIndex(({ id }) => id === stranger.id),
      stranger.id,
    );
}

const usedTwice = (index: number, id: string) =>
  new ProblemError(
    409,
    'id-used',
    'Nothing was stored: this entry’s id already belongs to a different entry.',
    { entry: { index, id } },
  );

/** The database may give fields back in another order. */
const sameEntry = (a: WrittenEntry, b: WrittenEntry): boolean =>
  a.kind === b.kind && a.at === b.at && a.author === b.author && isDeepStrictEqual(a.body, b.body);
