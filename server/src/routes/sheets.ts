import { adoptInput, giveSheetInput, reachOf, type RevisionResource } from '@jeitinho/core';
import { plainSheet } from '@jeitinho/core/sheet';
import { Hono, type Context } from 'hono';
import type { HeavyWork } from '../heavy/heavy-work';
import type { ReadDocument } from '../heavy/read-documents';
import { jsonBody, jsonBytes } from '../json-body';
import { beyond, pageAsked, pageOf } from '../page';
import { notFound, ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import { newestSheet } from '../store/open-job';
import { frozenRevision } from '../store/frozen-sheets';
import { substitutes } from '../store/substitutes';
import { pinsFound } from '../store/pins-found';
import { raw, toColumn } from '../store/raw';
import { saveSheetText } from '../store/save-sheet';
import { giveSheet, unitsFitting } from '../store/sheet-units';
import { sheetList } from '../store/sheet-list';
import { adoptOdds, learntOf } from '../learn/learnt';
import { yearsOf } from '../learn/years';
import { audit } from '../store/audit';
import { me, notYours } from '../auth/guard';

export const sheetRoutes = (store: Store, heavy: HeavyWork) =>
  new Hono()
    .get('/', async (c) => c.json(await sheetList(store, c)))
    .post('/', async (c) => {
      const read = await heavy.read({ kind: 'sheet', bytes: await jsonBytes(c) });
      if (!('sheet' in read)) throw unreadable(read, 'the sheet has problems');
      const may = reachOf('saveSheet', me(c).roles) === 'all';
      if (!may && (await store.sheets.count({ where: { id: read.sheet.id } })) > 0)
        throw notYours('saveSheet', true);
      const stored = await saveSheetText(store, read.sheet, me(c).name);
      const { id, revision } = read.sheet;
      if (stored) await audit(store, me(c).name, 'sheet-saved', { sheet: id, revision });
      return c.json({ id, revision }, stored ? 201 : 200);
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
    .get('/:id/units', async (c) => {
      const sheet = await newestSheet(store, c.req.param('id'));
      if (!sheet) throw notFound('such sheet');
      return c.json({
        fits: await unitsFitting(store, sheet),
        has: await store.units.count({ where: { sheetId: sheet.id } }),
      });
    })
    .get('/:id/pins', async (c) => {
      const sheet = await newestSheet(store, c.req.param('id'));
      if (!sheet) throw notFound('such sheet');
      return c.json(await pinsFound(store, sheet.id, sheet.revision));
    })
    .get('/:id/substitutes', async (c) => {
      const sheet = await newestSheet(store, c.req.param('id'));
      if (!sheet) throw notFound('such sheet');
      const { part } = c.req.query();
      if (part === undefined) throw new ProblemError(400, 'bad-query', 'Say which part.');
      const written = (await frozenRevision(store, sheet.id, sheet.revision))!.document;
      return c.json(await substitutes(store, plainSheet(written), part));
    })
    .post('/:id/units', async (c) => {
      const { units } = await jsonBody(c, giveSheetInput);
      const sheet = await newestSheet(store, c.req.param('id'));
      if (!sheet) throw notFound('such sheet');
      return c.json(await giveSheet(store, sheet.id, units));
    })
    .get('/:id/learnt', async (c) => c.json(await learntOf(store, c.req.param('id'))))
    .post('/:id/odds', async (c) => {
      const adoption = await jsonBody(c, adoptInput);
      await adoptOdds(store, c.req.param('id'), adoption, me(c).name);
      return c.json(await learntOf(store, c.req.param('id')), 201);
    })
    .get('/:id/years', async (c) => {
      const id = c.req.param('id');
      if ((await store.sheets.count({ where: { id } })) === 0) throw notFound('such sheet');
      return c.json(await yearsOf(store, { sheet: id }));
    })
    .get('/:id/revisions', async (c) => {
      const asked = pageAsked(c, 1);
      const rows = await store.sheets.findAll({
        attributes: ['revision', 'author', 'createdAt'],
        where: { id: c.req.param('id'), ...beyond(['revision'], asked.after, 'DESC') },
        order: [['revision', 'DESC']],
        limit: asked.limit + 1,
      });
      if (rows.length === 0 && !asked.after) throw notFound('such sheet');
      const page = pageOf(c, rows, asked, ({ revision }) => [revision]);
      const list: RevisionResource[] = page.map(({ revision, author, createdAt }) => ({
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
      const sheet = await frozenRevision(store, id, revisionOf(revision));
      if (!sheet) throw notFound('such revision of that sheet');
      const read = await heavy.read({ kind: 'dictionary', bytes: await jsonBytes(c) });
      if (!('dictionary' in read)) throw unreadable(read, 'the body is not as it should be');
      const known = new Set(sheet.document.faults.map((fault) => fault.id));
      const stray = read.dictionary.faults.find((fault) => !known.has(fault));
      if (stray !== undefined)
        throw new ProblemError(
          422,
          'unknown-fault',
          `Nothing was stored: this revision has no fault “${stray}”.`,
        );
      await raw(
        store.sequelize,
        'REPLACE INTO dictionaries (sheetId, revision, document, madeAt) VALUES (?, ?, ?, ?)',
        [id, sheet.document.revision, read.dictionary.text, toColumn(new Date().toISOString())],
      );
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

export function unreadable(read: ReadDocument, what: string): ProblemError {
  if ('malformed' in read)
    return new ProblemError(
      400,
      'malformed-json',
      'Nothing was stored: the body is not valid JSON in UTF-8.',
    );
  return new ProblemError(422, 'invalid-sheet', `Nothing was stored: ${what}.`, {
    ...('problems' in read && { errors: read.problems }),
  });
}
