import { importInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { jsonBody, onCalendar } from '../json-body';
import { rowsOf } from '../page';
import { findPlaces, placesOf } from '../store/find-places';
import { importPlaces } from '../store/import-places';
import { livingId } from '../store/merge';
import type { Store } from '../store/models/index';

const DAYS = ['installed', 'warranty'] as const;

export const placeRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const { q, customer } = c.req.query();
      if (q !== undefined && q.trim() !== '') return c.json(await findPlaces(store, q));
      const where = customer === undefined ? {} : { id: await livingId(store, customer) };
      const rows = await rowsOf(c, store.customers, { columns: ['name', 'id'], where });
      return c.json(await placesOf(store, rows));
    })
    .post('/', async (c) => {
      const { rows } = await jsonBody(c, importInput);
      for (const row of rows)
        onCalendar(
          row,
          DAYS.filter((day) => row[day] !== ''),
        );
      return c.json(await importPlaces(store, rows), 201);
    });
