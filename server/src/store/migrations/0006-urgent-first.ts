/** A unit that is down and waits stands first: 0 for it, 1 for work that was begun, 2 for the rest. */
import { DataTypes, type QueryInterface } from 'sequelize';

export async function up(db: QueryInterface): Promise<void> {
  await db.changeColumn('jobs', 'queue', {
    type: DataTypes.TINYINT,
    allowNull: false,
    defaultValue: 2,
  });
  await db.sequelize.query(
    `UPDATE jobs SET queue = IF(urgent, 0, IF(JSON_VALUE(summary, '$.taken') > 0, 1, 2))`,
  );
}
