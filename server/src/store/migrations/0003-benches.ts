/** Benches: the simulated machine behind a job, and the dictionary computed for a sheet's revision. */
import { DataTypes, type QueryInterface } from 'sequelize';

export async function up(db: QueryInterface): Promise<void> {
  await db.createTable('benches', {
    jobId: {
      type: DataTypes.STRING(36),
      primaryKey: true,
      references: { model: 'jobs', key: 'id' },
    },
    fault: { type: DataTypes.STRING(80), allowNull: false },
    variant: { type: DataTypes.INTEGER, allowNull: false },
    seed: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
    marks: { type: DataTypes.JSON, allowNull: false },
  });
  await db.createTable('dictionaries', {
    sheetId: { type: DataTypes.STRING(80), primaryKey: true },
    revision: { type: DataTypes.INTEGER, primaryKey: true },
    document: { type: DataTypes.JSON, allowNull: false },
    madeAt: { type: DataTypes.DATE(3), allowNull: false },
  });
}
