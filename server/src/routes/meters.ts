import { meterProfileSchema } from '@jeitinho/core';
import { Hono } from 'hono';
import { jsonBody } from '../json-body';
import { ProblemError } from '../problem';
import { dropMeter, keepMeter, listMeters, takeMeter } from '../store/meters';
import type { Store } from '../store/models/index';

export const meterRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => c.json(await listMeters(store)))
    .put('/:id', async (c) => {
      const meter = await jsonBody(c, meterProfileSchema);
      if (meter.id !== c.req.param('id'))
        throw new ProblemError(
          422,
          'invalid-body',
          'Nothing was stored: the meter’s id is not that of its address.',
          { errors: [{ path: '/id', message: 'must be the id in the address.' }] },
        );
      await keepMeter(store, meter);
      return c.json(meter);
    })
    .delete('/:id', async (c) => {
      await dropMeter(store, c.req.param('id'));
      return c.body(null, 204);
    })
    .post('/:id/in-hand', async (c) => {
      await takeMeter(store, c.req.param('id'));
      return c.body(null, 204);
    });
