/** Saving a revision of a sheet. Revisions are immutable; the next one counts on from the newest. */
import type { Sheet } from '@jeitinho/core';
import { isDeepStrictEqual } from 'node:util';
import { ProblemError } from '../problem';
import type { Store } from './models/index';

/**
 * @returns true when stored, false when exactly this revision was there already.
 * @throws {ProblemError} 409 when the revision is not the one after the newest.
 */
export async function saveSheet(store: Store, sheet: Sheet): Promise<boolean> {
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
        `Nothing was stored: the newest revision of this sheet is ${newest!.revision}; save yours as ${wanted}.`,
      );
    await store.sheets.create(
      {
        id: sheet.id,
        revision: sheet.revision,
        title: sheet.title,
        maker: sheet.equipment.maker,
        document: sheet,
        createdAt: new Date(),
      },
      { transaction },
    );
    return true;
  });
}
