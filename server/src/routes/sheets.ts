import { dictionarySchema, type RevisionResource } from '@jeitinho/core';
import { readSheet } from '@jeitinho/core/validate';
import { Hono, type Context } from 'hono';
import { anyJson, jsonBody } from '../json-body';
import { notFound, ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import { frozenRevision } from '../store/frozen-sheets';
import { saveSheet } from '../store/save-sheet';
import { sheetList } from '../store/sheet-list';
import { shopOf } from '../store/resources';

export const sheetRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => c.json(await sheetList(store, c)))
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
      const { technician } = await shopOf(store);
      const stored = await saveSheet(store, read.value, technician);
      return c.json({ id: read.value.id, revision: read.value.revision }, stored ? 201 : 200);
    })
    .get('/:id', async (c) => {
      const row = await store.sheets.findOne({
        attributes: ['revision'],
        where: { id: c.req.param('id') },
        order: [['revision', 'DESC']],
      });
      if (!row) throw notFound('such sheet');
      return sheetText(c, await frozenRevision(store, c.req.param('id'), row.revision));
    })
    .get('/:id/revisions', async (c) => {
      const rows = await store.sheets.findAll({
        attributes: ['revision', 'author', 'createdAt'],
        where: { id: c.req.param('id') },
        order: [['revision', 'DESC']],
      });
      if (rows.length === 0) throw notFound('such sheet');
      const list: RevisionResource[] = rows.map(({ revision, author, createdAt }) => ({
        revision,
        author,
        savedAt: createdAt.toISOString(),
      }));
      return c.json(list);
    })
    .get('/:id/revisions/:revision', async (c) => {
      const { id, revision } = c.req.param();
      const frozen = await frozenRevision(store, id, revisionOf(revision));
      if (!frozen) throw notFound('such revision of that sheet');
      return sheetText(c, frozen);
    })
    .get('/:id/revisions/:revision/dictionary', async (c) => {
      const { id, revision } = c.req.param();
      const row = await store.dictionaries.findOne({
        where: { sheetId: id, revision: revisionOf(revision) },
      });
      // Nothing computed yet is an answer, not a failure.
      return c.json({
        dictionary: row?.document ?? null,
        madeAt: row?.madeAt.toISOString() ?? null,
      });
    })
    .put('/:id/revisions/:revision/dictionary', async (c) => {
      const { id, revision } = c.req.param();
      const sheet = await store.sheets.findOne({ where: { id, revision: Number(revision) || 0 } });
      if (!sheet) throw notFound('such revision of that sheet');
      const document = await jsonBody(c, dictionarySchema);
      const known = new Set(sheet.document.faults.map((fault) => fault.id));
      const stray = Object.keys(document.faults).find((fault) => !known.has(fault));
      if (stray !== undefined)
        throw new ProblemError(
          422,
          'unknown-fault',
          `Nothing was stored: this revision has no fault “${stray}”.`,
        );
      await store.dictionaries.upsert({
        sheetId: id,
        revision: sheet.revision,
        document,
        madeAt: new Date(),
      });
      return c.body(null, 204);
    });

const LARGEST_REVISION = 2_147_483_647;

/** 0, which no sheet has, for what is no revision at all. */
function revisionOf(text: string): number {
  const revision = Number(text);
  return Number.isInteger(revision) && revision > 0 && revision <= LARGEST_REVISION ? revision : 0;
}

/** As it is stored, which spares writing it anew. */
function sheetText(c: Context, frozen: { readonly text: string } | undefined): Response {
  return c.body(frozen!.text, 200, { 'content-type': 'application/json' });
}
