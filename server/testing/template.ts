/**
 * The demo's database made once and copied for whoever wants a fresh one: to migrate and to seed takes two
 * seconds, to copy a third of one.
 */
import { createConnection, type Connection } from 'mariadb';

const TEMPLATE = 'template';
/** Stands beside the template's tables once they are all there. */
const WHOLE = 'template_is_whole';
/** As long as the slowest machine takes to make it. */
const PATIENCE_S = 200;

/** Fills the database `name`, which is there and empty, with all that `make` puts into one of its own. */
export async function copyTemplate(
  name: string,
  make: (template: string) => Promise<void>,
): Promise<void> {
  const db = await createConnection({
    socketPath: process.env.JEITINHO_TEST_SOCKET!,
    user: 'root',
  });
  try {
    // The first who comes makes it; those who run beside it wait.
    const [lock] = await db.query<{ got: number }[]>('SELECT GET_LOCK(?, ?) AS got', [
      TEMPLATE,
      PATIENCE_S,
    ]);
    if (Number(lock?.got) !== 1) throw new Error('the template of the tests is not made in time');
    if (!(await tablesOf(db)).includes(WHOLE)) {
      await make(TEMPLATE);
      await db.query(`CREATE TABLE ${TEMPLATE}.${WHOLE} (one INT)`);
    }
    await db.query('SELECT RELEASE_LOCK(?)', [TEMPLATE]);
    await db.query(`USE ${name}`);
    await db.query('SET foreign_key_checks = 0');
    for (const table of await tablesOf(db)) if (table !== WHOLE) await copyTable(db, table);
    await copyTriggers(db);
  } finally {
    await db.end();
  }
}

const tablesOf = async (db: Connection): Promise<string[]> => {
  const rows = await db.query<{ name: string }[]>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ?',
    [TEMPLATE],
  );
  return rows.map(({ name }) => name);
};

async function copyTable(db: Connection, table: string): Promise<void> {
  const [made] = await db.query<Record<string, string>[]>(`SHOW CREATE TABLE ${TEMPLATE}.${table}`);
  await db.query(made!['Create Table']!);
  const columns = await db.query<{ name: string }[]>(
    `SELECT column_name AS name FROM information_schema.columns
     WHERE table_schema = ? AND table_name = ? AND extra NOT LIKE '%GENERATED%'
     ORDER BY ordinal_position`,
    [TEMPLATE, table],
  );
  const names = columns.map(({ name }) => `\`${name}\``).join(', ');
  await db.query(`INSERT INTO ${table} (${names}) SELECT ${names} FROM ${TEMPLATE}.${table}`);
}

async function copyTriggers(db: Connection): Promise<void> {
  const triggers = await db.query<Record<string, string>[]>(`SHOW TRIGGERS FROM ${TEMPLATE}`);
  for (const each of triggers)
    await db.query(
      `CREATE TRIGGER ${each.Trigger} ${each.Timing} ${each.Event} ON ${each.Table} FOR EACH ROW ${each.Statement}`,
    );
}
