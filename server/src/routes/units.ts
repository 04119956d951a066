import { unitInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { v7 as uuidv7 } from 'uuid';
import { jsonBody, onCalendar } from '../json-body';
import { beyond, pageAsked, pageOf } from '../page';
import { notFound } from '../problem';
import { createOnce } from '../store/create-once';
import { findUnits } from '../store/find-units';
import type { Store } from '../store/models/index';
import { unitResource, visitResource } from '../store/resources';

export const unitRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const { site, q } = c.req.query();
      if (q !== undefined) return c.json(await findUnits(store, q));
      const asked = pageAsked(c, 2);
      const rows = await store.units.findAll({
        where: { ...(site && { siteId: site }), ...beyond(['label', 'id'], asked.after) },
        order: ['label', 'id'],
        limit: asked.limit + 1,
      });
      return c.json(pageOf(c, rows, asked, ({ label, id }) => [label, id]).map(unitResource));
    })
    .post('/', async (c) => {
      const body = onCalendar(await jsonBody(c, unitInput), ['installedOn', 'warrantyUntil']);
      const row = await createOnce(store.units, { id: uuidv7(), ...body });
      return c.json(unitResource(row), 201);
    })
    .get('/:id', async (c) => {
      const row = await store.units.findByPk(c.req.param('id'));
      if (!row) throw notFound('such unit');
      const asked = pageAsked(c, 2);
      const jobs = await store.jobs.findAll({
        where: { unitId: row.id, ...beyond(['openedAt', 'id'], asked.after, 'DESC') },
        order: [
          ['openedAt', 'DESC'],
          ['id', 'DESC'],
        ],
        limit: asked.limit + 1,
      });
      const visits = pageOf(c, jobs, asked, ({ openedAt, id }) => [openedAt.toISOString(), id]);
      return c.json({ ...unitResource(row), visits: visits.map(visitResource) });
    });
