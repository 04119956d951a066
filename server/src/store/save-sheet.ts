/** Saving a revision of a sheet. Revisions are immutable; the next one counts on from the newest. */
import { facetsOf, FACETS_VERSION, type Sheet } from '@jeitinho/core';
import { isDeepStrictEqual } from 'node:util';
import { Op, UniqueConstraintError } from 'sequelize';
import { ProblemError } from '../problem';
import type { Store } from './models/index';

/**
 * No lock is taken: the primary key lets one of two revisions of a number in, and the other is told.
 * @returns true when stored, false when exactly this revision was there already.
 * @throws {ProblemError} 409 when the revision is not the one after the newest.
 */
export async function saveSheet(store: Store, sheet: Sheet, author = ''): Promise<boolean> {
  if (await alreadyThere(store, sheet)) return false;
  try {
    await store.sequelize.transaction(async (transaction) => {
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
          newest: true,
        },
        { transaction },
      );
      await store.sheets.update(
        { newest: false },
        { where: { id: sheet.id, revision: { [Op.lt]: sheet.revision } }, transaction },
      );
    });
    return true;
  } catch (error) {
    // Somebody was quicker by an instant: what they saved decides what is said.
    if (error instanceof UniqueConstraintError && (await alreadyThere(store, sheet))) return false;
    throw error;
  }
}

async function alreadyThere(store: Store, { id, revision, ...rest }: Sheet): Promise<boolean> {
  const newest = await store.sheets.findOne({ where: { id }, order: [['revision', 'DESC']] });
  const same = await store.sheets.findOne({ where: { id, revision } });
  if (same && isDeepStrictEqual(same.document, { id, revision, ...rest })) return true;
  const wanted = newest ? newest.revision + 1 : revision;
  if (revision === wanted) return false;
  throw new ProblemError(
    409,
    'revision-taken',
    `Nothing was stored: ${newest!.author || 'somebody'} saved revision ${newest!.revision} of this sheet meanwhile. Yours is kept on this device; compare the two and save it as ${wanted}.`,
  );
}
