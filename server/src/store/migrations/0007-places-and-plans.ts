/** Places merged and found by their customer’s name; visits by their hour, and whose they are. */
import { DataTypes, type QueryInterface } from 'sequelize';

export async function up(db: QueryInterface): Promise<void> {
  const run = (sql: string) => db.sequelize.query(sql);
  await db.createTable(
    'merged',
    {
      // The double that went, and where it leads.
      id: { type: DataTypes.STRING(36), allowNull: false, primaryKey: true },
      into: { type: DataTypes.STRING(36), allowNull: false },
      at: { type: DataTypes.DATE(3), allowNull: false },
    },
    { charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci', engine: 'InnoDB' },
  );
  await run('ALTER TABLE merged ADD INDEX merged_into (`into`)');
  await run('ALTER TABLE customers ADD FULLTEXT INDEX customers_words (name, phone)');
  await db.addColumn('jobs', 'technician', { type: DataTypes.STRING(120), allowNull: true });
  await db.addColumn('jobs', 'handed', { type: DataTypes.JSON, allowNull: true });
  await run('ALTER TABLE jobs ADD INDEX jobs_visit (visitAt, id)');
  await run('ALTER TABLE units ADD INDEX units_model (maker, model)');
}
