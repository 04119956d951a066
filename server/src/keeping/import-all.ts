/** An export of another shop, or of this one from before, into an empty shop: whole, or not at all. */
import type { Readable } from 'node:stream';
import { migrations } from '../store/migrations/index';
import type { Store } from '../store/models/index';
import { raw } from '../store/raw';
import { newer, readArchive } from './archive';
import { ArchiveError } from './archive-error';
import { Filler, withoutForeignKeys } from './fill';

/** What must be empty: a meter, a price or a name of one's own does no harm. */
const EMPTY = ['customers', 'jobs', 'sheets', 'entries'] as const;

/** @throws {ArchiveError} for a shop with data in it, and for a file that is not whole. */
export async function importAll(store: Store, source: Readable) {
  for (const table of EMPTY) {
    const [row] = await raw<object[]>(store.sequelize, `SELECT 1 FROM \`${table}\` LIMIT 1`);
    if (row)
      throw new ArchiveError(
        'not-empty',
        `Nothing was brought in: this shop has ${table} already. An export goes into an empty one.`,
      );
  }
  const { sequelize } = store;
  const brought = await sequelize.transaction((transaction) =>
    withoutForeignKeys(sequelize, transaction, async () => {
      const names = new Set((await store.people.findAll({ transaction })).map(({ name }) => name));
      // Settings, prices and people of this shop stay where both have them.
      for (const table of ['settings', 'prices', 'merged', 'proposals', 'dictionaries'])
        await raw(sequelize, `DELETE FROM \`${table}\``, [], transaction);
      const filler = new Filler(sequelize, transaction, (table, row) => {
        if (table === 'audit') return false;
        return table !== 'people' || !names.has(String(row.name));
      });
      await readArchive(source, false, (piece, head) => {
        if (head.migrations.some((name) => !migrations.some((each) => each.name === name)))
          throw newer(head);
        return filler.take(piece);
      });
      return { rows: filler.rows, photos: filler.photos };
    }),
  );
  store.memory.forget();
  return brought;
}
