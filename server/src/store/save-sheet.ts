/** Saving a revision of a sheet. Revisions are immutable; the next one counts on from the newest. */
import { facetsOf, FACETS_VERSION, type Sheet } from '@jeitinho/core';
import { isDeepStrictEqual } from 'node:util';
import { ProblemError } from '../problem';
import type { Store } from './models/index';

/**
 * @returns true when stored, false when exactly this revision was there already.
 * @throws {ProblemError} 409 when the revision is not the one after the newest.
 */
export async function saveSheet(store: Store, sheet: Sheet, author = ''): Promise<boolean> {
  return store.sequelize.transaction(async (transaction) => {
    const newest = await store.sheets.findOne({
      where: { id: sheet.id },
      order: [['revision', 'DESC']],
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    const same = await store.sheets.findOne({
      where: { id: sheet.id, revision: sheet.revision },
      transaction,
    });
    if (same && isDeepStrictEqual(same.document, sheet)) return false;
    const wanted = newest ? newest.revision + 1 : sheet.revision;
    if (sheet.revision !== wanted)
      throw new ProblemError(
        409,
        'revision-taken',
        `Nothing was stored: ${newest!.author || 'somebody'} saved revision ${newest!.revision} of this sheet meanwhile. Yours is kept on this device; compare the two and save it as ${wanted}.`,
      );
    await store.sheets.create(
      {
        id: sheet.id,
        revision: sheet.revision,
        title: sheet.title,
        maker: sheet.equipment.maker,
        document: sheet,
        createdAt: new Date(),
        facets: facetsOf(sheet),
        facetsVersion: FACETS_VERSION,
        author,
      },
      { transaction },
    );
    return true;
  });
}
