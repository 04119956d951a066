import {
  assess,
  attachInput,
  buildReport,
  foldJob,
  jobInput,
  type JobResource,
} from '@jeitinho/core';
import { Hono } from 'hono';
import { Op } from 'sequelize';
import { jsonBody } from '../json-body';
import { notFound, ProblemError } from '../problem';
import { withUnit } from '../store/joins';
import { giveBench } from '../store/benches';
import { entriesAfter, frozenSheet } from '../store/log';
import type { Store } from '../store/models/index';
import { attachSheet } from '../store/attach-sheet';
import { openJob } from '../store/open-job';
import { jobListItem, shopOf, visitResource } from '../store/resources';
import { entryRoutes } from './entries';

/** Lists are cut here; the newest come first, so what falls off is old. */
const MOST_LISTED = 200;

export const jobRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const { status, unit, limit } = c.req.query();
      const most = Math.min(MOST_LISTED, Number(limit ?? MOST_LISTED));
      if (!Number.isInteger(most) || most < 1)
        throw new ProblemError(400, 'bad-query', 'limit is a whole number, 1 or more.');
      if (status !== undefined && status !== 'open' && status !== 'signed')
        throw new ProblemError(400, 'bad-query', 'status is open or signed.');
      const rows = await store.jobs.findAll({
        where: { ...(status && { status }), ...(unit && { unitId: unit }) },
        include: [withUnit],
        order: [['openedAt', 'DESC']],
        limit: most,
      });
      return c.json(rows.map(jobListItem));
    })
    .post('/', async (c) => {
      const body = await jsonBody(c, jobInput);
      const { visitAt, bench, ...rest } = body;
      const job = await openJob(store, { ...rest, visitAt: visitAt ? new Date(visitAt) : null });
      if (bench) await giveBench(store, job, bench.seed);
      return c.json(await jobResource(store, job.id), 201);
    })
    .get('/:id', async (c) => c.json(await jobResource(store, c.req.param('id'))))
    .post('/:id/sheet', async (c) => {
      const { sheetId } = await jsonBody(c, attachInput);
      await attachSheet(store, c.req.param('id'), sheetId);
      return c.json(await jobResource(store, c.req.param('id')));
    })
    .get('/:id/report', async (c) => {
      const job = await store.jobs.findByPk(c.req.param('id'));
      if (!job) throw notFound('such job');
      const sheet = await frozenSheet(store, job);
      if (!sheet) throw new ProblemError(409, 'no-sheet', 'A job without a sheet has no report.');
      const state = foldJob(sheet, await entriesAfter(store, job.id, 0));
      return c.json(buildReport(sheet, state, assess(sheet, state)));
    })
    .route('/:id/entries', entryRoutes(store));

async function jobResource(store: Store, id: string): Promise<JobResource> {
  const job = await store.jobs.findByPk(id, { include: [withUnit] });
  if (!job) throw notFound('such job');
  const [sheet, shop, bench, others] = await Promise.all([
    frozenSheet(store, job),
    shopOf(store),
    store.benches.count({ where: { jobId: id } }),
    store.jobs.findAll({
      where: { unitId: job.unitId, id: { [Op.ne]: job.id } },
      order: [['openedAt', 'DESC']],
      limit: 20,
    }),
  ]);
  return { ...jobListItem(job), sheet, shop, bench: bench > 0, history: others.map(visitResource) };
}
