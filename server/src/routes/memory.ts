/** What the shop remembers and learns. */
import { type FoundResource, sharedInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { stream } from 'hono/streaming';
import { me } from '../auth/guard';
import { jsonBody } from '../json-body';
import { patternsOf } from '../learn/patterns';
import { recordsCsv, recordsOf } from '../learn/records';
import { rightOf } from '../learn/right';
import { find } from '../search/find';
import { thingsMet } from '../search/things-met';
import type { Store } from '../store/models/index';
import { projectNow } from '../store/projections';
import { endReportLink, sharedReport } from '../store/report-links';

export const findRoutes = (store: Store) =>
  new Hono().get('/', async (c) => {
    await projectNow(store);
    const { met, ...rest } = await find(store, c.req.query('q') ?? '');
    const answer: FoundResource = {
      found: await thingsMet(store, met),
      ...rest,
      readAs: { ...rest.readAs },
      unknown: [...rest.unknown],
    };
    return c.json(answer);
  });

export const recordRoutes = (store: Store) =>
  new Hono()
    .get('/:table', async (c) =>
      c.json(await recordsOf(store, c.req.param('table'), c.req.query())),
    )
    .get('/:table/csv', async (c) => {
      const table = c.req.param('table');
      const pieces = recordsCsv(store, table, c.req.query());
      // A question that cannot be answered is told before a file begins.
      const first = await pieces.next();
      c.header('content-type', 'text/csv');
      c.header('content-disposition', `attachment; filename="${table}.csv"`);
      return stream(c, async (out) => {
        if (!first.done) await out.write(first.value);
        for await (const piece of pieces) await out.write(piece);
      });
    });

export const patternRoutes = (store: Store) =>
  new Hono().get('/', async (c) => c.json(await patternsOf(store)));

export const rightRoutes = (store: Store) =>
  new Hono().get('/', async (c) => {
    const { name, roles } = me(c);
    const all = roles.includes('lead') || roles.includes('owner');
    return c.json(await rightOf(store, all ? undefined : name));
  });

export const reportLinkRoutes = (store: Store) =>
  new Hono().delete('/:id', async (c) => {
    await endReportLink(store, c.req.param('id'), me(c).name);
    return c.body(null, 204);
  });

export const sharedRoutes = (store: Store) =>
  new Hono().post('/', async (c) => {
    const { token } = await jsonBody(c, sharedInput);
    return c.json(await sharedReport(store, token));
  });
