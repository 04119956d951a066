import { customerInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { v7 as uuidv7 } from 'uuid';
import { jsonBody } from '../json-body';
import { rowsOf } from '../page';
import { notFound } from '../problem';
import type { Store } from '../store/models/index';
import { customerResource } from '../store/resources';
import { createOnce } from '../store/create-once';

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
      const row = await store.customers.findByPk(c.req.param('id'));
      if (!row) throw notFound('such customer');
      return c.json(customerResource(row));
    });
