import { siteInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { v7 as uuidv7 } from 'uuid';
import { jsonBody } from '../json-body';
import { rowsOf } from '../page';
import { notFound } from '../problem';
import { createOnce } from '../store/create-once';
import type { Store } from '../store/models/index';
import { siteResource } from '../store/resources';

export const siteRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const customerId = c.req.query('customer');
      const where = customerId ? { customerId } : {};
      const rows = await rowsOf(c, store.sites, { columns: ['name', 'id'], where });
      return c.json(rows.map(siteResource));
    })
    .post('/', async (c) => {
      const body = await jsonBody(c, siteInput);
      const row = await createOnce(store.sites, { id: uuidv7(), ...body });
      return c.json(siteResource(row), 201);
    })
    .get('/:id', async (c) => {
      const row = await store.sites.findByPk(c.req.param('id'));
      if (!row) throw notFound('such site');
      return c.json(siteResource(row));
    });
