import { unitInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { v7 as uuidv7 } from 'uuid';
import { jsonBody } from '../json-body';
import { notFound } from '../problem';
import { createOnce } from '../store/create-once';
import type { Store } from '../store/models/index';
import { unitResource, visitResource } from '../store/resources';

export const unitRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const siteId = c.req.query('site');
      const rows = await store.units.findAll({
        where: siteId ? { siteId } : {},
        order: [['label', 'ASC']],
      });
      return c.json(rows.map(unitResource));
    })
    .post('/', async (c) => {
      const body = await jsonBody(c, unitInput);
      const row = await createOnce(store.units, { id: uuidv7(), ...body });
      return c.json(unitResource(row), 201);
    })
    .get('/:id', async (c) => {
      const row = await store.units.findByPk(c.req.param('id'));
      if (!row) throw notFound('such unit');
      const jobs = await store.jobs.findAll({
        where: { unitId: row.id },
        order: [['openedAt', 'DESC']],
      });
      return c.json({ ...unitResource(row), visits: jobs.map(visitResource) });
    });
