/** Jobs folded once and kept while they are worked on. */
import { JobFold, type JobState } from '@jeitinho/core/job';
import { notFound } from '../problem';
import { inSlices } from '../slices';
import { entryPage, type NumberedEntry } from './entry-rows';
import { frozenSheet } from './frozen-sheets';
import type { HotJob } from './memory';
import type { Store } from './models/index';
import { raw } from './raw';

interface JobRow {
  readonly sheetId: string | null;
  readonly sheetRevision: number | null;
}

/**
 * A job as it was known here last, read from the database where it is not known. To be used within the
 * job's turn only. @throws {ProblemError} 404 without the job.
 */
export async function hotJob(store: Store, jobId: string): Promise<HotJob> {
  const known = store.memory.jobs.get(jobId);
  // A sheet may have been given to it meanwhile, by another server.
  if (known?.written) return known;
  const [row] = await raw<JobRow[]>(
    store.sequelize,
    'SELECT sheetId, sheetRevision FROM jobs WHERE id = ?',
    [jobId],
  );
  if (!row) throw notFound('such job');
  const hot = await coldJob(store, jobId, row);
  store.memory.jobs.set(jobId, hot, hot.weight);
  return hot;
}

/** Read and fold a job without keeping it. */
export async function coldJob(store: Store, jobId: string, row: JobRow): Promise<HotJob> {
  const written = await frozenSheet(store, row);
  const { entries, bytes } = await wholeLog(store, jobId);
  const fold = new JobFold(written ?? NO_SHEET);
  await inSlices(fold.fold(entries));
  return { written, fold, weight: bytes + entries.length * 500 };
}

async function wholeLog(store: Store, jobId: string, after = 0) {
  const entries: NumberedEntry[] = [];
  let bytes = 0;
  for (;;) {
    const page = await entryPage(store, jobId, entries.at(-1)?.seq ?? after);
    if (page.entries.length === 0) return { entries, bytes };
    entries.push(...page.entries);
    bytes += page.bytes;
  }
}

/** Take in what others appended since. Within the job's turn only. */
export async function catchUp(store: Store, jobId: string, hot: HotJob): Promise<void> {
  const { entries, bytes } = await wholeLog(store, jobId, hot.fold.length);
  for (const entry of entries) await inSlices(hot.fold.add(entry));
  hot.weight += bytes + entries.length * 500;
  store.memory.jobs.set(jobId, hot, hot.weight);
}

/**
 * Something reckoned from a job's present state, at once: the state is good until the next entry.
 * @throws {ProblemError} 404 without the job.
 */
export async function withJobState<T>(
  store: Store,
  jobId: string,
  reckon: (state: JobState, hot: HotJob) => T,
): Promise<T> {
  return store.memory.turns.take(jobId, async () => {
    const hot = await hotJob(store, jobId);
    await catchUp(store, jobId, hot);
    return reckon(hot.fold.state(), hot);
  });
}

/** A job without a sheet holds nothing but its opening. */
const NO_SHEET = { states: [], tests: [], faults: [], parts: [], boards: [] } as never;
