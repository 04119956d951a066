import { QueryTypes } from 'sequelize';
import { freshAddress } from '../../testing/harness';
import { connect, createDatabase } from './database';
import { migrate } from './migrate';
import { migrations } from './migrations/index';
import { defineModels } from './models/index';

async function empty() {
  const address = freshAddress();
  await createDatabase(address);
  return connect(address);
}

test('an empty database is brought to the present, and a second run changes nothing', async () => {
  const db = await empty();
  await migrate(db);
  await migrate(db);
  expect(await defineModels(db).jobs.count()).toBe(0);
  await db.close();
});

test('lists have their indexes', async () => {
  const db = await empty();
  await migrate(db);
  const rows = await db.query<{ Column_name: string }>('SHOW INDEX FROM jobs', {
    type: QueryTypes.SELECT,
  });
  expect(rows.map((row) => row.Column_name)).toEqual(
    expect.arrayContaining(['status', 'unitId', 'openedAt']),
  );
  await db.close();
});

test('a migration that broke off is told at the next start, and nothing is touched', async () => {
  const db = await empty();
  const broken = {
    name: '0002-breaks',
    up: async () => {
      throw new Error('power cut');
    },
  };
  await expect(migrate(db, [...migrations, broken])).rejects.toThrow('power cut');
  await expect(migrate(db)).rejects.toMatchObject({
    code: 'half-migrated',
    message: expect.stringContaining('0002-breaks'),
  });
  await db.close();
});

test('a database of a newer program is refused with a sentence', async () => {
  const db = await empty();
  await migrate(db, [...migrations, { name: '0099-future', up: async () => {} }]);
  await expect(migrate(db)).rejects.toMatchObject({
    code: 'newer-database',
    message: expect.stringContaining('0099-future'),
  });
  await db.close();
});

test('a database name that could be more than a name is refused', async () => {
  await expect(createDatabase({ database: 'a`; DROP DATABASE mysql; --' })).rejects.toThrow(
    'cannot be a database name',
  );
});

test('a database that an administrator made with another way of comparing is made fit', async () => {
  const address = freshAddress();
  await createDatabase(address);
  const theirs = connect(address);
  await theirs.query(
    `ALTER DATABASE \`${address.database}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_general_ci`,
  );
  await theirs.close();
  await createDatabase(address);
  const db = connect(address);
  await migrate(db);
  expect(await defineModels(db).jobs.count()).toBe(0);
  await db.close();
});
