import { unitEdit, unitInput, mergeInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { v7 as uuidv7 } from 'uuid';
import { jsonBody, onCalendar } from '../json-body';
import { yearsOf } from '../learn/years';
import { rowsOf } from '../page';
import { notFound } from '../problem';
import { indexPlaces } from '../search/index-units';
import { keepWords } from '../search/keep-words';
import { change } from '../store/change';
import { createOnce } from '../store/create-once';
import { living, livingId, merge } from '../store/merge';
import { findUnits } from '../store/find-units';
import type { Store } from '../store/models/index';
import { sheetChooser } from '../store/sheet-units';
import { unitResource, visitResource } from '../store/resources';

export const unitRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const { site, q } = c.req.query();
      if (q !== undefined) return c.json(await findUnits(store, q));
      const where = site ? { siteId: await livingId(store, site) } : {};
      const rows = await rowsOf(c, store.units, { columns: ['label', 'id'], where });
      return c.json(rows.map(unitResource));
    })
    .post('/', async (c) => {
      const body = onCalendar(await jsonBody(c, unitInput), ['installedOn', 'warrantyUntil']);
      // Nothing said of a sheet: the one that covers it. None is said with null.
      const sheetFor = await sheetChooser(store);
      const row = await createOnce(store.units, {
        id: uuidv7(),
        sheetId: sheetFor(body.maker, body.model),
        ...body,
        siteId: await livingId(store, body.siteId),
      });
      await indexPlaces(store, { unit: row.id });
      return c.json(unitResource(row), 201);
    })
    .get('/:id', async (c) => {
      const row = await living(store, store.units, c.req.param('id'));
      if (!row) throw notFound('such unit');
      const visits = await rowsOf(c, store.jobs, {
        columns: ['openedAt', 'id'],
        direction: 'DESC',
        where: { unitId: row.id },
      });
      return c.json({ ...unitResource(row), visits: visits.map(visitResource) });
    })
    .get('/:id/years', async (c) => {
      const row = await living(store, store.units, c.req.param('id'));
      if (!row) throw notFound('such unit');
      return c.json(await yearsOf(store, { unit: row.id }));
    })
    .patch('/:id', async (c) => {
      const body = onCalendar(await jsonBody(c, unitEdit), ['installedOn', 'warrantyUntil']);
      const row = await change(store, store.units, c.req.param('id'), 'unit', body);
      await indexPlaces(store, { unit: row.id });
      return c.json(unitResource(row));
    })
    .post('/:id/merge', async (c) => {
      const { double } = await jsonBody(c, mergeInput);
      const id = await livingId(store, c.req.param('id'));
      await merge(store, 'unit', id, double);
      await keepWords(store, 'unit', double, []);
      await indexPlaces(store, { unit: id });
      return c.json(unitResource((await store.units.findByPk(id))!));
    });
