/** Saving a revision of a sheet. Revisions are immutable; the next one counts on from the newest. */
import { FACETS_VERSION, type WrittenSheet } from '@jeitinho/core/sheet';
import { isDeepStrictEqual } from 'node:util';
import { toSave, type SheetToSave } from '../heavy/read-documents';
import { ProblemError } from '../problem';
import { isDuplicate } from './database-errors';
import { frozenRevision } from './frozen-sheets';
import type { Store } from './models/index';
import { raw, toColumn } from './raw';

/** @returns true when stored, false when exactly this revision was there already. */
export const saveSheet = (store: Store, sheet: WrittenSheet, author = ''): Promise<boolean> =>
  saveSheetText(store, toSave(sheet), author);

/**
 * No lock is taken: the primary key lets one of two revisions of a number in, and the other is told.
 * @returns true when stored, false when exactly this revision was there already.
 * @throws {ProblemError} 409 when the revision is not the one after the newest.
 */
export async function saveSheetText(
  store: Store,
  sheet: SheetToSave,
  author = '',
): Promise<boolean> {
  if (await alreadyThere(store, sheet)) return false;
  try {
    await store.sequelize.transaction(async (transaction) => {
      await raw(
        store.sequelize,
        `INSERT INTO sheets (id, revision, title, maker, document, createdAt, facets, facetsVersion, author, newest)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, 1)`,
        [
          sheet.id,
          sheet.revision,
          sheet.title,
          sheet.maker,
          sheet.text,
          toColumn(new Date().toISOString()),
          JSON.stringify(sheet.facets),
          FACETS_VERSION,
          author,
        ],
        transaction,
      );
      await raw(
        store.sequelize,
        'UPDATE sheets SET newest = 0 WHERE id = ? AND revision < ? AND newest = 1',
        [sheet.id, sheet.revision],
        transaction,
      );
    });
    return true;
  } catch (error) {
    // Somebody was quicker by an instant: what they saved decides what is said.
    if (isDuplicate(error) && (await alreadyThere(store, sheet))) return false;
    throw error;
  }
}

async function alreadyThere(store: Store, { id, revision, text }: SheetToSave): Promise<boolean> {
  const newest = await store.sheets.findOne({
    attributes: ['revision', 'author'],
    where: { id },
    order: [['revision', 'DESC']],
  });
  if (!newest) return false;
  const same = revision <= newest.revision ? await frozenRevision(store, id, revision) : undefined;
  // The database may have kept its fields in another order.
  if (same && (same.text === text || isDeepStrictEqual(same.document, JSON.parse(text))))
    return true;
  const wanted = newest.revision + 1;
  if (revision === wanted) return false;
  throw new ProblemError(
    409,
    'revision-taken',
    `Nothing was stored: ${newest.author || 'somebody'} saved revision ${newest.revision} of this sheet meanwhile. Yours is kept on this device; compare the two and save it as ${wanted}.`,
  );
}
