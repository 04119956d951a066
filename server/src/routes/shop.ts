import { Hono } from 'hono';
import type { Store } from '../store/models/index';
import { shopOf } from '../store/resources';

export const shopRoutes = (store: Store) =>
  new Hono().get('/', async (c) => c.json(await shopOf(store)));
