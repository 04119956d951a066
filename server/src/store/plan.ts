/** When a visit is, and whose. */
import { owedWords } from '@jeitinho/core/job';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../problem';
import { appendEntries } from './append';
import { withJobState } from './hot-jobs';
import { withUnit } from './joins';
import type { Job } from './models/job';
import type { Store } from './models/index';
import { queueOf } from './projections';

interface Plan {
  readonly visitAt?: Date | null;
  readonly urgent?: boolean;
}

/** @throws {ProblemError} 404 without the job; 409 when it is signed. */
async function openVisit(store: Store, id: string): Promise<Job> {
  const job = await store.jobs.findByPk(id, { include: [withUnit] });
  if (!job) throw notFound('such job');
  if (job.status === 'signed')
    throw new ProblemError(
      409,
      'signed',
      'Nothing was changed: this visit is signed. Open a new one for the unit.',
    );
  return job;
}

export async function planJob(store: Store, id: string, plan: Plan): Promise<Job> {
  const job = await openVisit(store, id);
  const begun = (job.summary?.taken ?? 0) > 0;
  return job.update({
    ...plan,
    ...(plan.urgent !== undefined && { queue: queueOf(begun, plan.urgent) }),
  });
}

export async function handOver(
  store: Store,
  id: string,
  { to, note }: { readonly to: string; readonly note: string },
  author: string,
): Promise<Job> {
  const job = await openVisit(store, id);
  const from = job.technician ?? author;
  if (from === to)
    throw new ProblemError(422, 'same', `Nothing was changed: it is ${to}’s visit already.`, {
      errors: [{ path: '/to', message: 'has this visit already.' }],
    });
  const owed = job.sheetId
    ? await withJobState(store, id, (state, { written, fold }) =>
        written ? owedWords(fold.sheet, state) : [],
      )
    : ['Service sheet: none for this model yet'];
  const at = new Date().toISOString();
  // Before the column: what the log would not have is not handed over.
  if (job.sheetId)
    await appendEntries(store, id, [
      { id: uuidv7(), kind: 'handed', at, author, body: { to, note, owed } },
    ]);
  return job.update({ technician: to, handed: { from, to, at, note, owed } });
}
