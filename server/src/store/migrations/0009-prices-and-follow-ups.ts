/** The shop's price list; what warranties bear and outages cost; what is to come after visits. */
import { DataTypes, type QueryInterface } from 'sequelize';

export async function up(db: QueryInterface): Promise<void> {
  await db.createTable(
    'prices',
    {
      // The number without case, spaces and kinds of dash.
      id: { type: DataTypes.STRING(120), allowNull: false, primaryKey: true },
      row: { type: DataTypes.JSON, allowNull: false },
      // Number and name in lower case, for looking through.
      words: { type: DataTypes.STRING(400), allowNull: false },
    },
    { charset: 'utf8mb4', collate: 'utf8mb4_bin', engine: 'InnoDB' },
  );
  await db.addColumn('customers', 'outage', { type: DataTypes.DOUBLE, allowNull: true });
  await db.addColumn('units', 'outage', { type: DataTypes.DOUBLE, allowNull: true });
  await db.addColumn('units', 'warrantyCovers', { type: DataTypes.STRING(20), allowNull: true });
  await db.addColumn('units', 'registered', { type: DataTypes.BOOLEAN, allowNull: true });
  await db.addColumn('jobs', 'aheadOn', { type: DataTypes.DATEONLY, allowNull: true });
  await db.sequelize.query('ALTER TABLE jobs ADD INDEX jobs_ahead (aheadOn, id)');
}
