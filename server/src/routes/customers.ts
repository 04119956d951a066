import { customerEdit, customerInput, mergeInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { v7 as uuidv7 } from 'uuid';
import { me } from '../auth/guard';
import { jsonBody } from '../json-body';
import { rowsOf } from '../page';
import { notFound } from '../problem';
import { indexPlaces } from '../search/index-units';
import type { Store } from '../store/models/index';
import { customerResource } from '../store/resources';
import { change } from '../store/change';
import { eraseCustomer } from '../store/erase-customer';
import { createOnce } from '../store/create-once';
import { living, livingId, merge } from '../store/merge';

export const customerRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const rows = await rowsOf(c, store.customers, { columns: ['name', 'id'] });
      return c.json(rows.map(customerResource));
    })
    .post('/', async (c) => {
      const body = await jsonBody(c, customerInput);
      const row = await createOnce(store.customers, { id: uuidv7(), ...body });
      return c.json(customerResource(row), 201);
    })
    .get('/:id', async (c) => {
      const row = await living(store, store.customers, c.req.param('id'));
      if (!row) throw notFound('such customer');
      return c.json(customerResource(row));
    })
    .patch('/:id', async (c) => {
      const body = await jsonBody(c, customerEdit);
      const row = await change(store, store.customers, c.req.param('id'), 'customer', body);
      await indexPlaces(store, { customer: row.id });
      return c.json(customerResource(row));
    })
    .post('/:id/erase', async (c) =>
      c.json(await eraseCustomer(store, c.req.param('id'), me(c).name)),
    )
    .post('/:id/merge', async (c) => {
      const { double } = await jsonBody(c, mergeInput);
      const id = await livingId(store, c.req.param('id'));
      await merge(store, 'customer', id, double);
      await indexPlaces(store, { customer: id });
      return c.json(customerResource((await store.customers.findByPk(id))!));
    });
