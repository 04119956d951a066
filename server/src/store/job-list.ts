/** Lists of jobs, each in the order in which it is used. */
import type { JobListItem } from '@jeitinho/core';
import { SUMMARY_VERSION } from '@jeitinho/core/job';
import type { Context } from 'hono';
import { Op } from 'sequelize';
import { rowsOf, type Direction } from '../page';
import { withUnit } from './joins';
import type { Job } from './models/job';
import type { Store } from './models/index';
import { projectNow, refreshJob } from './projections';
import { jobListItem } from './resources';

interface Wanted {
  readonly status: 'open' | 'signed' | undefined;
  readonly unit: string | undefined;
  /** After which something is to come. */
  readonly ahead: boolean;
  readonly between: { readonly from: Date; readonly to: Date } | undefined;
}

interface Order {
  readonly columns: readonly (
    | 'queue'
    | 'dueAt'
    | 'visitAt'
    | 'signedAt'
    | 'openedAt'
    | 'aheadOn'
    | 'id'
  )[];
  readonly direction: Direction;
}

/** Work begun first, then as it is due; signed and all others the latest first. */
function orderOf({ status, unit, between, ahead }: Wanted): Order {
  if (ahead) return { columns: ['aheadOn', 'id'], direction: 'ASC' };
  if (between) return { columns: ['visitAt', 'id'], direction: 'ASC' };
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
  await projectNow(store);
  const { status, unit, between, ahead } = wanted;
  const jobs = await rowsOf(c, store.jobs, {
    ...orderOf(wanted),
    where: {
      ...(status && { status }),
      ...(unit && { unitId: unit }),
      ...(ahead && { aheadOn: { [Op.ne]: null } }),
      ...(between && { visitAt: { [Op.gte]: between.from, [Op.lt]: between.to } }),
    },
    include: [withUnit],
  });
  for (const job of jobs) await freshened(store, job);
  return jobs.map(jobListItem);
}

/** Made by an older program, and the background has not come to it yet. */
async function freshened(store: Store, job: Job): Promise<void> {
  if (job.summaryVersion === SUMMARY_VERSION) return;
  const { id, sheetId, sheetRevision } = job;
  if (sheetId === null || sheetRevision === null) return;
  await refreshJob(store, { id, sheetId, sheetRevision });
  await job.reload({ include: [withUnit] });
}
