/** A table that nobody thought of would be in no backup. */
import { harness } from '../../testing/harness';
import { raw } from '../store/raw';
import { verifyTables } from '../store/verify';
import { DERIVED, PASSING, TABLES } from './tables';

test('every table is kept, or passing, or made again from the logs; one that is gone is told at the start', async () => {
  const h = await harness({ demo: false });
  const rows = await raw<{ name: string }[]>(
    h.sequelize,
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
  );
  // Pictures go beside the tables, and what was migrated stands in the head.
  const known = [...TABLES.map(({ name }) => name), ...PASSING, ...DERIVED];
  expect(rows.map(({ name }) => name).sort()).toEqual(
    [...known, 'photos', 'migrations_done', 'migration_in_progress'].sort(),
  );
  await verifyTables(h.store);
  await raw(h.sequelize, 'DROP TABLE lessons');
  await expect(verifyTables(h.store)).rejects.toThrow('the table “lessons” is missing or damaged');
  await h.close();
});
