import type { SheetListItem } from '@jeitinho/core';
import { readSheet } from '@jeitinho/core/validate';
import { Hono } from 'hono';
import { anyJson } from '../json-body';
import { notFound, ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import { saveSheet } from '../store/save-sheet';

export const sheetRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const rows = await store.sheets.findAll({
        attributes: ['id', 'revision', 'title', 'maker'],
        order: [
          ['maker', 'ASC'],
          ['title', 'ASC'],
          ['revision', 'DESC'],
        ],
      });
      // The newest revision of each stands first.
      const newest = new Map<string, SheetListItem>();
      for (const { id, revision, title, maker } of rows)
        if (!newest.has(id)) newest.set(id, { id, revision, title, maker });
      return c.json([...newest.values()]);
    })
    .post('/', async (c) => {
      const read = readSheet(await anyJson(c));
      if (!read.ok)
        throw new ProblemError(
          422,
          'invalid-sheet',
          'Nothing was stored: the sheet has problems.',
          {
            errors: read.problems,
          },
        );
      const stored = await saveSheet(store, read.value);
      return c.json({ id: read.value.id, revision: read.value.revision }, stored ? 201 : 200);
    })
    .get('/:id', async (c) => {
      const row = await store.sheets.findOne({
        where: { id: c.req.param('id') },
        order: [['revision', 'DESC']],
      });
      if (!row) throw notFound('such sheet');
      return c.json(row.document);
    })
    .get('/:id/revisions/:revision', async (c) => {
      const { id, revision } = c.req.param();
      const row = await store.sheets.findOne({ where: { id, revision: Number(revision) || 0 } });
      if (!row) throw notFound('such revision of that sheet');
      return c.json(row.document);
    });
