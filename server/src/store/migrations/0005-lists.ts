/** Columns and indexes for every order in which lists are shown, and for finding a unit by its words. */
import { DataTypes, type QueryInterface } from 'sequelize';

export async function up(db: QueryInterface): Promise<void> {
  const run = (sql: string) => db.sequelize.query(sql);
  // When a visit is due: its time, or for want of one when it was opened.
  await run(
    'ALTER TABLE jobs ADD COLUMN dueAt DATETIME(3) AS (COALESCE(visitAt, openedAt)) PERSISTENT',
  );
  // 0 for work that was begun, 1 for what waits: one order, all of it ascending.
  await db.addColumn('jobs', 'queue', {
    type: DataTypes.TINYINT,
    allowNull: false,
    defaultValue: 1,
  });
  await db.addColumn('jobs', 'signedAt', { type: DataTypes.DATE(3), allowNull: true });
  await run(
    `UPDATE jobs SET queue = IF(JSON_VALUE(summary, '$.taken') > 0, 0, 1),
       signedAt = STR_TO_DATE(JSON_VALUE(summary, '$.signedAt'), '%Y-%m-%dT%H:%i:%s.%fZ')
     WHERE summary IS NOT NULL`,
  );
  await run('ALTER TABLE jobs ADD INDEX jobs_open (status, queue, dueAt, id)');
  await run('ALTER TABLE jobs ADD INDEX jobs_signed (status, signedAt, id)');
  await run('ALTER TABLE jobs ADD INDEX jobs_of_unit (unitId, openedAt, id)');
  await run('ALTER TABLE jobs ADD INDEX jobs_opened (openedAt, id)');

  await db.addColumn('sheets', 'newest', {
    type: DataTypes.BOOLEAN,
    allowNull: false,
    defaultValue: false,
  });
  await run(
    `UPDATE sheets JOIN (SELECT id, MAX(revision) AS revision FROM sheets GROUP BY id) AS top
       USING (id, revision) SET newest = 1`,
  );
  await run('ALTER TABLE sheets ADD INDEX sheets_listed (newest, maker, title, id)');

  await run('ALTER TABLE customers ADD INDEX customers_listed (name, id)');
  await run('ALTER TABLE sites ADD INDEX sites_listed (name, id)');
  await run('ALTER TABLE sites ADD INDEX sites_of_customer (customerId, name, id)');
  await run('ALTER TABLE units ADD INDEX units_listed (label, id)');
  await run('ALTER TABLE units ADD INDEX units_of_site (siteId, label, id)');
  await run('ALTER TABLE units ADD FULLTEXT INDEX units_words (label, maker, model, serial)');
  await run('ALTER TABLE sites ADD FULLTEXT INDEX sites_words (name, address, town)');
}
