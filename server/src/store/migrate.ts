/**
 * Bringing the database to this version of the program.
 *
 * MariaDB commits each change of a table by itself, so a migration that is interrupted leaves the
 * database between two versions. A mark is set before each and removed after it; finding the mark at
 * the next start is the one sure sign, and nothing is touched then.
 */
import { DataTypes, QueryTypes, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { StartupError } from '../startup-error';
import { damaged } from './verify';
import { migrations, type Migration } from './migrations/index';

const MARK = 'migration_in_progress';
const DONE = 'migrations_done';

export async function migrate(
  sequelize: Sequelize,
  list: readonly Migration[] = migrations,
): Promise<void> {
  const db = sequelize.getQueryInterface();
  const tables = new Set((await db.showAllTables()).map((name) => String(name)));
  // Without its list of what was done, everything would be done once more on top of what is there.
  if (!tables.has(DONE) && tables.has('jobs')) throw damaged(`the table “${DONE}” is missing`);
  if (!tables.has(MARK))
    await db.createTable(MARK, {
      name: { type: DataTypes.STRING(120), allowNull: false, primaryKey: true },
    });
  await refuseHalfDone(sequelize);

  const storage = new SequelizeStorage({ sequelize, tableName: DONE, columnName: 'name' });
  const umzug = new Umzug({
    migrations: list.map(({ name, up }) => ({
      name,
      up: async () => {
        await sequelize.query(`INSERT INTO ${MARK} (name) VALUES (?)`, { replacements: [name] });
        await up(db);
        await sequelize.query(`DELETE FROM ${MARK}`);
      },
    })),
    storage,
    logger: undefined,
  });
  refuseNewer(await storage.executed(), list);
  await umzug.up();
}

async function refuseHalfDone(sequelize: Sequelize): Promise<void> {
  const [half] = await sequelize.query<{ name: string }>(`SELECT name FROM ${MARK}`, {
    type: QueryTypes.SELECT,
  });
  if (half)
    throw new StartupError(
      'half-migrated',
      `The database was left in the middle of the change “${half.name}”. Nothing was touched. ` +
        'Put back a copy of the data folder from before that start, or start with another --data folder.',
    );
}

function refuseNewer(done: readonly string[], list: readonly Migration[]): void {
  const unknown = done.find((name) => !list.some((each) => each.name === name));
  if (unknown !== undefined)
    throw new StartupError(
      'newer-database',
      `The data folder was used by a newer Jeitinho (it has “${unknown}”). ` +
        'Start that version, or choose another --data folder.',
    );
}
