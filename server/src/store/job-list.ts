/** Lists of jobs, each in the order in which it is used. */
import { SUMMARY_VERSION, type JobListItem } from '@jeitinho/core';
import type { Context } from 'hono';
import { beyond, pageAsked, pageOf, type Direction } from '../page';
import { withUnit } from './joins';
import type { Job } from './models/job';
import type { Store } from './models/index';
import { projectNow, refreshJob } from './projections';
import { jobListItem } from './resources';

interface Wanted {
  readonly status: 'open' | 'signed' | undefined;
  readonly unit: string | undefined;
}

interface Order {
  readonly columns: readonly ('queue' | 'dueAt' | 'signedAt' | 'openedAt' | 'id')[];
  readonly direction: Direction;
}

/** Work begun first, then as it is due; signed and all others the latest first. */
function orderOf({ status, unit }: Wanted): Order {
  if (unit || status === undefined) return { columns: ['openedAt', 'id'], direction: 'DESC' };
  return status === 'open'
    ? { columns: ['queue', 'dueAt', 'id'], direction: 'ASC' }
    : { columns: ['signedAt', 'id'], direction: 'DESC' };
}

/** @throws {ProblemError} 400 for a limit or cursor that is none. */
export async function jobList(
  store: Store,
  c: Context,
  wanted: Wanted,
): Promise<readonly JobListItem[]> {
  const { columns, direction } = orderOf(wanted);
  const asked = pageAsked(c, columns.length);
  await projectNow(store);
  const rows = await store.jobs.findAll({
    where: {
      ...(wanted.status && { status: wanted.status }),
      ...(wanted.unit && { unitId: wanted.unit }),
      ...beyond(columns, asked.after, direction),
    },
    include: [withUnit],
    order: columns.map((column) => [column, direction]),
    limit: asked.limit + 1,
  });
  const page = pageOf(c, rows, asked, (job) => columns.map((column) => valueOf(job[column])));
  for (const job of page) await freshened(store, job);
  return page.map(jobListItem);
}

const valueOf = (value: Date | string | number | null): string | number =>
  value instanceof Date ? value.toISOString() : (value ?? '');

/** Made by an older program, and the background has not come to it yet. */
async function freshened(store: Store, job: Job): Promise<void> {
  if (job.summaryVersion === SUMMARY_VERSION) return;
  const { id, sheetId, sheetRevision } = job;
  if (sheetId === null || sheetRevision === null) return;
  await refreshJob(store, { id, sheetId, sheetRevision });
  await job.reload({ include: [withUnit] });
}
