import { Hono } from 'hono';
import { QueryTypes } from 'sequelize';
import type { Store } from '../store/models/index';
import { ProblemError } from '../problem';

/** Alive and able to reach its database. */
export const healthRoutes = (store: Store) =>
  new Hono()
    .get('/', (c) => c.json({ status: 'ok' as const }))
    .get('/ready', async (c) => {
      try {
        await store.sequelize.query('SELECT 1', { type: QueryTypes.SELECT });
      } catch {
        throw new ProblemError(503, 'no-database', 'The database does not answer.', {
          retryAfter: 3,
        });
      }
      return c.json({ status: 'ok' as const });
    });
