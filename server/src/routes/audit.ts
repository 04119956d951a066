import type { AuditResource } from '@jeitinho/core';
import { Hono } from 'hono';
import { beyond, pageAsked, pageOf } from '../page';
import type { Store } from '../store/models/index';

export const auditRoutes = (store: Store) =>
  new Hono().get('/', async (c) => {
    const asked = pageAsked(c, 1);
    const rows = await store.audit.findAll({
      where: beyond(['id'], asked.after, 'DESC'),
      order: [['id', 'DESC']],
      limit: asked.limit + 1,
    });
    const page = pageOf(c, rows, asked, ({ id }) => [id]);
    return c.json(
      page.map(({ at, who, what, about }): AuditResource => ({
        at: at.toISOString(),
        who,
        what,
        about,
      })),
    );
  });
