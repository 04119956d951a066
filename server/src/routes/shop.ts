import { shopPricesSchema } from '@jeitinho/core';
import { Hono } from 'hono';
import { jsonBody } from '../json-body';
import type { Store } from '../store/models/index';
import { shopOf } from '../store/resources';

export const shopRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => c.json(await shopOf(store)))
    .put('/prices', async (c) => {
      const prices = await jsonBody(c, shopPricesSchema);
      await store.sequelize.transaction(async (transaction) => {
        const lock = transaction.LOCK.UPDATE;
        const row = await store.settings.findByPk('shop', { transaction, lock });
        const value = { ...(row?.value as object | undefined), prices };
        if (row) await row.update({ value }, { transaction });
        else await store.settings.create({ name: 'shop', value }, { transaction });
      });
      return c.json(prices);
    });
