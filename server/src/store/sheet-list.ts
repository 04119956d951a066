/** The library: the newest revision of every sheet, with what it is searched by. */
import type { SheetListItem } from '@jeitinho/core';
import { facetsOf, FACETS_VERSION, plainSheet } from '@jeitinho/core/sheet';
import type { Context } from 'hono';
import { beyond, pageAsked, pageOf } from '../page';
import type { Store } from './models/index';

/** @throws {ProblemError} 400 for a limit or cursor that is none. */
export async function sheetList(store: Store, c: Context): Promise<readonly SheetListItem[]> {
  const columns = ['maker', 'title', 'id'];
  const asked = pageAsked(c, columns.length);
  const rows = await store.sheets.findAll({
    attributes: ['id', 'revision', 'title', 'maker', 'facets', 'facetsVersion', 'createdAt'],
    where: { newest: true, ...beyond(columns, asked.after) },
    order: columns,
    limit: asked.limit + 1,
  });
  const page = pageOf(c, rows, asked, ({ maker, title, id }) => [maker, title, id]);
  return Promise.all(
    page.map(async ({ id, revision, title, maker, facets, facetsVersion, createdAt }) => ({
      id,
      revision,
      title,
      maker,
      savedAt: createdAt.toISOString(),
      facets:
        facets && facetsVersion === FACETS_VERSION ? facets : await refreshed(store, id, revision),
    })),
  );
}

/** Facets made by an older program, or by none, are made from the document and kept. */
async function refreshed(store: Store, id: string, revision: number) {
  const row = await store.sheets.findOne({ where: { id, revision } });
  const facets = facetsOf(plainSheet(row!.document));
  await row!.update({ facets, facetsVersion: FACETS_VERSION });
  return facets;
}
