/**
 * A backup into an empty database: first read as a whole, then the tables as they were in its version, its rows,
 * and the changes since. Whoever calls throws the database away where it fails.
 */
import { QueryTypes, type Sequelize } from 'sequelize';
import { migrate } from '../store/migrate';
import { migrations } from '../store/migrations/index';
import { newer, type Head, type Manifest } from './archive';
import { ArchiveError } from './archive-error';
import { readBackup } from './backup-file';
import { Filler, withoutForeignKeys } from './fill';

export async function restore(
  sequelize: Sequelize,
  path: string,
): Promise<{ readonly head: Head; readonly manifest: Manifest }> {
  const { head, manifest } = await readBackup(path);
  if (head.kind !== 'backup')
    throw new ArchiveError(
      'not-ours',
      'This is an export, not a backup: bring it into a running, empty shop. Nothing was changed.',
    );
  const known = migrations.filter(({ name }) => head.migrations.includes(name));
  if (known.length !== head.migrations.length) throw newer(head);
  await migrate(sequelize, known);
  await sequelize.transaction((transaction) =>
    withoutForeignKeys(sequelize, transaction, async () => {
      const filler = new Filler(sequelize, transaction);
      await readBackup(path, (piece) => filler.take(piece));
    }),
  );
  await compare(sequelize, manifest);
  await migrate(sequelize);
  return { head, manifest };
}

/** Every row is there. @throws {ArchiveError} */
async function compare(sequelize: Sequelize, { rows, photos }: Manifest): Promise<void> {
  for (const [table, wanted] of Object.entries({ ...rows, photos })) {
    const [{ n } = { n: 0 }] = await sequelize.query<{ n: number }>(
      `SELECT COUNT(*) AS n FROM \`${table}\``,
      { type: QueryTypes.SELECT },
    );
    if (Number(n) !== wanted)
      throw new ArchiveError(
        'damaged',
        `Of the table “${table}” ${n} of ${wanted} rows came back.`,
      );
  }
}
