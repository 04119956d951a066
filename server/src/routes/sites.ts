import { siteEdit, siteInput, mergeInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { v7 as uuidv7 } from 'uuid';
import { jsonBody } from '../json-body';
import { rowsOf } from '../page';
import { notFound } from '../problem';
import { siteYears } from '../learn/site-years';
import { indexPlaces } from '../search/index-units';
import { change } from '../store/change';
import { createOnce } from '../store/create-once';
import { living, livingId, merge } from '../store/merge';
import type { Store } from '../store/models/index';
import { siteResource } from '../store/resources';

export const siteRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const customerId = c.req.query('customer');
      const where = customerId ? { customerId: await livingId(store, customerId) } : {};
      const rows = await rowsOf(c, store.sites, { columns: ['name', 'id'], where });
      return c.json(rows.map(siteResource));
    })
    .post('/', async (c) => {
      const body = await jsonBody(c, siteInput);
      const row = await createOnce(store.sites, {
        id: uuidv7(),
        ...body,
        customerId: await livingId(store, body.customerId),
      });
      return c.json(siteResource(row), 201);
    })
    .get('/:id', async (c) => {
      const row = await living(store, store.sites, c.req.param('id'));
      if (!row) throw notFound('such site');
      return c.json(siteResource(row));
    })
    .get('/:id/years', async (c) => {
      const row = await living(store, store.sites, c.req.param('id'));
      if (!row) throw notFound('such site');
      return c.json(await siteYears(store, row));
    })
    .patch('/:id', async (c) => {
      const body = await jsonBody(c, siteEdit);
      const row = await change(store, store.sites, c.req.param('id'), 'site', body);
      await indexPlaces(store, { site: row.id });
      return c.json(siteResource(row));
    })
    .post('/:id/merge', async (c) => {
      const { double } = await jsonBody(c, mergeInput);
      const id = await livingId(store, c.req.param('id'));
      await merge(store, 'site', id, double);
      await indexPlaces(store, { site: id });
      return c.json(siteResource((await store.sites.findByPk(id))!));
    });
