import { priceListInput, shopPricesSchema } from '@jeitinho/core';
import { Hono } from 'hono';
import { me } from '../auth/guard';
import { jsonBody } from '../json-body';
import { rowsOf } from '../page';
import type { Store } from '../store/models/index';
import { audit } from '../store/audit';
import { keepPrices, pricesWith } from '../store/price-list';
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
      await audit(store, me(c).name, 'prices-changed');
      return c.json(prices);
    })
    .get('/price-list', async (c) => {
      const where = pricesWith(c.req.query('q') ?? '');
      const rows = await rowsOf(c, store.prices, { columns: ['id'], where });
      return c.json(rows.map(({ row }) => row));
    })
    .put('/price-list', async (c) => {
      const { rows, replace } = await jsonBody(c, priceListInput);
      const kept = await keepPrices(store, rows, replace);
      await audit(store, me(c).name, 'price-list-changed', { rows: rows.length, replace });
      return c.json(kept);
    });
