/** Who wrote an entry, what it had seen, and how far its clock was off: what crossing devices need. */
import { DataTypes, type QueryInterface } from 'sequelize';

export async function up(db: QueryInterface): Promise<void> {
  await db.addColumn('entries', 'device', { type: DataTypes.STRING(40), allowNull: true });
  await db.addColumn('entries', 'seen', { type: DataTypes.INTEGER, allowNull: true });
  // Milliseconds; a clock without a battery is off by decades.
  await db.addColumn('entries', 'offsetMs', { type: DataTypes.DOUBLE, allowNull: true });
}
