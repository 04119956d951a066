/** What a library is searched by, kept beside each revision of a sheet; made again from the sheet. */
import { DataTypes, type QueryInterface } from 'sequelize';

export async function up(db: QueryInterface): Promise<void> {
  await db.addColumn('sheets', 'facets', { type: DataTypes.JSON, allowNull: true });
  await db.addColumn('sheets', 'facetsVersion', {
    type: DataTypes.INTEGER,
    allowNull: false,
    defaultValue: 0,
  });
  await db.addColumn('sheets', 'author', {
    type: DataTypes.STRING(120),
    allowNull: false,
    defaultValue: '',
  });
}
