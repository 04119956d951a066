/**
 * An export of another shop, or of this one from before, into an empty shop: whole, or not at all. Put aside and
 * read from end to end before anything of it is believed, so that no slow line holds the database.
 */
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Op } from 'sequelize';
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
  const folder = await mkdtemp(join(tmpdir(), 'jeitinho-import.'));
  try {
    const file = join(folder, 'export.tar');
    await pipeline(source, createWriteStream(file, { mode: 0o600 }));
    const { head } = await readArchive(createReadStream(file), false, () => {});
    if (head.migrations.some((name) => !migrations.some((each) => each.name === name)))
      throw newer(head);
    return await fillFrom(store, file);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function fillFrom(store: Store, file: string) {
  const { sequelize } = store;
  const brought = await sequelize.transaction((transaction) =>
    withoutForeignKeys(sequelize, transaction, async () => {
      const names = new Set((await store.people.findAll({ transaction })).map(({ name }) => name));
      // What this shop set up before goes; its people stay, and keep their ways in.
      for (const table of ['settings', 'prices', 'merged', 'proposals', 'dictionaries'])
        await raw(sequelize, `DELETE FROM \`${table}\``, [], transaction);
      const filler = new Filler(sequelize, transaction, (table, row) => {
        if (table === 'audit') return false;
        return table !== 'people' || !names.has(String(row.name));
      });
      await readArchive(createReadStream(file), false, (piece) => filler.take(piece));
      // Whoever was made up there is nobody here who comes in by one press.
      await store.people.update(
        { demo: false },
        { where: { name: { [Op.notIn]: [...names, ''] } }, transaction },
      );
      return { rows: filler.rows, photos: filler.photos };
    }),
  );
  store.memory.forget();
  return brought;
}
