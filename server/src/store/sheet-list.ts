/** The library: the newest revision of every sheet, with what it is searched by. */
import { facetsOf, FACETS_VERSION, type SheetListItem } from '@jeitinho/core';
import type { Store } from './models/index';

export async function sheetList(store: Store): Promise<SheetListItem[]> {
  const rows = await store.sheets.findAll({
    attributes: ['id', 'revision', 'title', 'maker', 'facets', 'facetsVersion', 'createdAt'],
    order: [
      ['maker', 'ASC'],
      ['title', 'ASC'],
      ['revision', 'DESC'],
    ],
  });
  const newest = [...new Map([...rows].reverse().map((row) => [row.id, row])).values()].reverse();
  return Promise.all(
    newest.map(async ({ id, revision, title, maker, facets, facetsVersion, createdAt }) => ({
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
  const facets = facetsOf(row!.document);
  await row!.update({ facets, facetsVersion: FACETS_VERSION });
  return facets;
}
