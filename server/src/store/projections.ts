/**
 * What lists and statistics need of a job, in columns beside the log. Made again soon after the log grew,
 * and for jobs that an older program, a crash or another server left behind.
 */
import { reportNumber } from '@jeitinho/core';
import { lessonOf, readingsKept } from '@jeitinho/core/diagnose';
import {
  findableWords,
  summarise,
  SUMMARY_VERSION,
  textsToFind,
  type JobState,
  type JobSummary,
} from '@jeitinho/core/job';
import type { Sheet } from '@jeitinho/core/sheet';
import { keepLesson, type Taught } from '../learn/keep-lesson';
import { keepWords } from '../search/keep-words';
import { textsOfJob } from '../search/unit-texts';
import { coldJob, hotJob } from './hot-jobs';
import type { HotJob } from './memory';
import type { Queue } from './models/job';
import type { Store } from './models/index';
import { raw, toColumn } from './raw';

/** Appends of this long are taken together, ms; whoever asks for a list does not wait for it. */
const SOON_MS = 1_000;
const RETRY_MS = 2_000;
/** Jobs looked at between two breaths of the background. */
const PAGE = 50;
const REST_MS = 5;

export function projectLater(store: Store, jobId: string): void {
  const { memory } = store;
  memory.dirty.add(jobId);
  memory.timer ??= startTimer(store, SOON_MS);
}

function startTimer(store: Store, ms: number): NodeJS.Timeout {
  const timer = setTimeout(() => {
    store.memory.timer = undefined;
    projectNow(store).catch(() => {
      if (store.memory.dirty.size > 0) store.memory.timer ??= startTimer(store, RETRY_MS);
    });
  }, ms);
  return timer.unref();
}

/** Bring every job that this process appended to up to date; lists ask for it before they answer. */
export function projectNow(store: Store): Promise<void> {
  // In its turn: whoever asks while another is at it waits for what that one writes as well.
  return store.memory.turns.take('projections', () => projectDirty(store));
}

async function projectDirty(store: Store): Promise<void> {
  const { memory } = store;
  const { dirty } = memory;
  for (const jobId of [...dirty]) {
    dirty.delete(jobId);
    try {
      const row = await memory.turns.take(jobId, async () => rowOf(await hotJob(store, jobId)));
      if (row) await save(store, jobId, row);
      else await findable(store, jobId, []);
    } catch (error) {
      dirty.add(jobId);
      throw error;
    }
  }
}

interface Projection {
  readonly summary: JobSummary;
  readonly last: number;
  /** What it is found by, its unit aside. */
  readonly texts: readonly string[];
  readonly taught: Taught | undefined;
}

function rowOf({ written, fold }: HotJob): Projection | undefined {
  if (!written) return undefined;
  const { sheet } = fold;
  const state = fold.state();
  const summary = summarise(sheet, state);
  return {
    summary,
    last: fold.length,
    texts: textsToFind(sheet, state),
    taught: taughtBy(sheet, state, summary),
  };
}

function taughtBy(sheet: Sheet, state: JobState, { ending }: JobSummary): Taught | undefined {
  const lesson = lessonOf(sheet, state);
  if (!lesson || !state.signed) return undefined;
  return {
    lesson,
    readings: readingsKept(state),
    codes: state.codes.map(({ shown }) => shown),
    complaint: state.complaint,
    ending: ending ?? '',
    technician: state.signed.author,
    signedAt: state.signed.at,
  };
}

/** Who waits stands first, then what is begun. */
export const queueOf = (begun: boolean, urgent: boolean): Queue => (urgent ? 0 : begun ? 1 : 2);

/** Columns of a job that are made from its summary. */
export const projected = (summary: JobSummary, urgent = false) => ({
  summary,
  summaryVersion: SUMMARY_VERSION,
  status: summary.status,
  queue: queueOf(summary.taken > 0, urgent),
  signedAt: summary.signedAt === null ? null : new Date(summary.signedAt),
  aheadOn: summary.ahead?.[0]?.on ?? null,
});

async function save(store: Store, jobId: string, projection: Projection): Promise<void> {
  const { summary, last } = projection;
  const { status, queue } = projected(summary);
  const urgent = queueOf(true, true);
  await raw(
    store.sequelize,
    // A server that knows less of the log than another must not undo what that one wrote.
    `UPDATE jobs SET summary = ?, summaryVersion = ?, status = ?, queue = IF(urgent, ?, ?), signedAt = ?, aheadOn = ?, lastSeq = ?
      WHERE id = ? AND lastSeq <= ?`,
    [
      JSON.stringify(summary),
      SUMMARY_VERSION,
      status,
      urgent,
      queue,
      summary.signedAt === null ? null : toColumn(summary.signedAt),
      summary.ahead?.[0]?.on ?? null,
      last,
      jobId,
      last,
    ],
  );
  await keepLesson(store, jobId, projection.taught);
  await findable(store, jobId, projection.texts);
}

/** A job is found by its unit's words too, and by its number. */
async function findable(store: Store, jobId: string, own: readonly string[]): Promise<void> {
  const job = await textsOfJob(store, jobId);
  if (!job) return;
  const number = reportNumber(jobId, job.openedAt.toISOString());
  const texts = [job.texts, job.complaint, number, ...own];
  await keepWords(store, 'job', jobId, findableWords(texts));
}

interface StaleRow {
  readonly id: string;
  readonly sheetId: string;
  readonly sheetRevision: number;
}

/** The projection of one job made again from its log. */
export async function refreshJob(store: Store, row: StaleRow): Promise<void> {
  const projection = rowOf(await coldJob(store, row.id, row));
  if (projection) await save(store, row.id, projection);
}

/**
 * Make the projections again where they are behind: made by an older program, or their log grew and the
 * server ended before it got to them. Slowly, in the background of everything else.
 * @param options.all - Every one of them.
 * @returns how many were made again.
 */
export async function refreshSummaries(
  store: Store,
  { all = false, stopped = () => false }: { all?: boolean; stopped?: () => boolean } = {},
): Promise<number> {
  let refreshed = 0;
  let after = '';
  for (;;) {
    const page = await raw<(StaleRow & { stale: number })[]>(
      store.sequelize,
      `SELECT id, sheetId, sheetRevision,
              summaryVersion <> ? OR lastSeq <> (SELECT MAX(seq) FROM entries WHERE jobId = jobs.id)
                OR NOT EXISTS (SELECT 1 FROM found_docs d WHERE d.kind = 'job' AND d.ref = jobs.id) AS stale
         FROM jobs WHERE id > ? ORDER BY id LIMIT ${PAGE}`,
      [SUMMARY_VERSION, after],
    );
    for (const row of page) {
      if (stopped()) return refreshed;
      if (row.sheetId === null || !(all || row.stale)) continue;
      await refreshJob(store, row);
      refreshed += 1;
    }
    if (page.length < PAGE) return refreshed;
    after = page.at(-1)!.id;
    await new Promise((resolve) => setTimeout(resolve, REST_MS));
  }
}
