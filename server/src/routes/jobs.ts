import {
  attachInput,
  buildReport,
  handOverInput,
  jobInput,
  planInput,
  reportLinkInput,
  type JobResource,
} from '@jeitinho/core';
import { assess } from '@jeitinho/core/diagnose';
import { Hono } from 'hono';
import { Op } from 'sequelize';
import { me } from '../auth/guard';
import { jsonBody, onCalendar } from '../json-body';
import { notFound, ProblemError } from '../problem';
import { withUnit } from '../store/joins';
import { sitePattern } from '../store/site-pattern';
import { pricesFor } from '../store/price-list';
import { giveBench } from '../store/benches';
import { frozenSheet } from '../store/frozen-sheets';
import { withJobState } from '../store/hot-jobs';
import { jobList } from '../store/job-list';
import type { Store } from '../store/models/index';
import { attachSheet } from '../store/attach-sheet';
import { livingId } from '../store/merge';
import { openJob } from '../store/open-job';
import { handOver, planJob } from '../store/plan';
import { makeReportLink, reportLinks } from '../store/report-links';
import { jobListItem, shopOf, visitResource } from '../store/resources';
import { entryRoutes } from './entries';

export const jobRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const { status, unit, from, to, ahead } = c.req.query();
      if (status !== undefined && status !== 'open' && status !== 'signed')
        throw new ProblemError(400, 'bad-query', 'status is open or signed.');
      if (ahead !== undefined && ahead !== 'open')
        throw new ProblemError(400, 'bad-query', 'ahead is open.');
      return c.json(
        await jobList(store, c, {
          status,
          ahead: ahead !== undefined,
          unit: unit && (await livingId(store, unit)),
          between: between(from, to),
        }),
      );
    })
    .post('/', async (c) => {
      const body = onCalendar(await jsonBody(c, jobInput), ['visitAt']);
      const { visitAt, bench, opened, ...rest } = body;
      const job = await openJob(store, {
        ...rest,
        author: me(c).name,
        visitAt: visitAt ? new Date(visitAt) : null,
        ...(opened && { openedId: opened.id, openedAt: openedOn(opened.at) }),
      });
      if (bench) await giveBench(store, job, bench.seed);
      return c.json(await jobResource(store, job.id), 201);
    })
    .get('/:id', async (c) => c.json(await jobResource(store, c.req.param('id'))))
    .patch('/:id', async (c) => {
      const { visitAt, ...rest } = onCalendar(await jsonBody(c, planInput), ['visitAt']);
      const job = await planJob(store, c.req.param('id'), {
        ...rest,
        ...(visitAt !== undefined && { visitAt: visitAt === null ? null : new Date(visitAt) }),
      });
      return c.json(jobListItem(job));
    })
    .post('/:id/hand-over', async (c) =>
      c.json(
        jobListItem(
          await handOver(store, c.req.param('id'), await jsonBody(c, handOverInput), me(c).name),
        ),
      ),
    )
    .post('/:id/sheet', async (c) => {
      const { sheetId } = await jsonBody(c, attachInput);
      await attachSheet(store, c.req.param('id'), sheetId);
      return c.json(await jobResource(store, c.req.param('id')));
    })
    .get('/:id/report', async (c) => {
      const report = await withJobState(
        store,
        c.req.param('id'),
        (state, { written, fold: { sheet } }) => {
          if (!written)
            throw new ProblemError(409, 'no-sheet', 'A job without a sheet has no report.');
          return buildReport(sheet, state, assess(sheet, state));
        },
      );
      return c.json(report);
    })
    .get('/:id/report-links', async (c) => c.json(await reportLinks(store, c.req.param('id'))))
    .post('/:id/report-links', async (c) => {
      const { days } = await jsonBody(c, reportLinkInput);
      return c.json(await makeReportLink(store, c.req.param('id'), days, me(c).name), 201);
    })
    .route('/:id/entries', entryRoutes(store));

/** @throws {ProblemError} 400 for a stretch of time that is none. */
function between(from: string | undefined, to: string | undefined) {
  if (from === undefined && to === undefined) return undefined;
  const [start, end] = [from, to].map((text) => new Date(text ?? ''));
  if (!start || !end || !(start < end))
    throw new ProblemError(
      400,
      'bad-query',
      'from and to are moments such as 2026-11-27T00:00:00Z, the first before the second.',
    );
  return { from: start, to: end };
}

/** A device whose clock runs ahead opened it at the latest now. */
const openedOn = (at: string): Date => new Date(Math.min(Date.parse(at), Date.now()));

/** Visits to the same unit that are told with a job; the list of its jobs has all of them. */
const MOST_HISTORY = 20;

async function jobResource(store: Store, id: string): Promise<JobResource> {
  const job = await store.jobs.findByPk(id, { include: [withUnit] });
  if (!job) throw notFound('such job');
  const others = { unitId: job.unitId, id: { [Op.ne]: job.id } };
  const sheet = await frozenSheet(store, job);
  const [prices, pattern, shop, bench, history, visits] = await Promise.all([
    sheet ? pricesFor(store, sheet) : [],
    sitePattern(store, job),
    shopOf(store),
    store.benches.count({ where: { jobId: id } }),
    store.jobs.findAll({
      where: others,
      order: [
        ['openedAt', 'DESC'],
        ['id', 'DESC'],
      ],
      limit: MOST_HISTORY,
    }),
    store.jobs.count({ where: others }),
  ]);
  return {
    ...jobListItem(job),
    sheet,
    shop,
    prices,
    pattern,
    bench: bench > 0,
    history: history.map(visitResource),
    visits,
  };
}
