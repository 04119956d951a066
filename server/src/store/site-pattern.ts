/** What was replaced at the other units of a site lately: trips that repeat have a shared cause. */
import type { JobResource } from '@jeitinho/core';
import { Op } from 'sequelize';
import type { Job } from './models/job';
import type { Store } from './models/index';

/** Two years: what is older has another cause. */
const LATELY_MS = 2 * 365 * 86_400_000;
const MOST = 10;

export async function sitePattern(
  store: Store,
  job: Job,
): Promise<NonNullable<JobResource['pattern']>> {
  const { unit } = job;
  if (!unit) return [];
  const units = await store.units.findAll({
    where: { siteId: unit.siteId, id: { [Op.ne]: unit.id } },
  });
  if (units.length === 0) return [];
  const jobs = await store.jobs.findAll({
    where: {
      unitId: units.map(({ id }) => id),
      status: 'signed',
      signedAt: { [Op.gte]: new Date(job.openedAt.getTime() - LATELY_MS) },
    },
    order: [['signedAt', 'DESC']],
    limit: MOST,
  });
  return jobs.flatMap(({ id, unitId, sheetId, openedAt, summary }) =>
    sheetId === null || !summary?.part
      ? []
      : [
          {
            job: id,
            unit: units.find((each) => each.id === unitId)?.label ?? '',
            at: openedAt.toISOString(),
            sheetId,
            part: summary.part,
            partName: summary.partName ?? summary.part,
          },
        ],
  );
}
