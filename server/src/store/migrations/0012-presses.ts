/** How many presses an entry took: what a step costs a hand in gloves. */
import { DataTypes, type QueryInterface } from 'sequelize';

export async function up(db: QueryInterface): Promise<void> {
  await db.addColumn('entries', 'presses', { type: DataTypes.INTEGER, allowNull: true });
}
