import { unitInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { v7 as uuidv7 } from 'uuid';
import { jsonBody, onCalendar } from '../json-body';
import { rowsOf } from '../page';
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
      const where = site ? { siteId: site } : {};
      const rows = await rowsOf(c, store.units, { columns: ['label', 'id'], where });
      return c.json(rows.map(unitResource));
    })
    .post('/', async (c) => {
      const body = onCalendar(await jsonBody(c, unitInput), ['installedOn', 'warrantyUntil']);
      const row = await createOnce(store.units, { id: uuidv7(), ...body });
      return c.json(unitResource(row), 201);
    })
    .get('/:id', async (c) => {
      const row = await store.units.findByPk(c.req.param('id'));
      if (!row) throw notFound('such unit');
      const visits = await rowsOf(c, store.jobs, {
        columns: ['openedAt', 'id'],
        direction: 'DESC',
        where: { unitId: row.id },
      });
      return c.json({ ...unitResource(row), visits: visits.map(visitResource) });
    });
