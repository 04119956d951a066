/** Customers, sites, units, sheets, jobs and their logs. */
import { DataTypes, type QueryInterface } from 'sequelize';

const id = { type: DataTypes.STRING(36), allowNull: false };
const line = { type: DataTypes.STRING(200), allowNull: false };
const belongsTo = (model: string) => ({
  ...id,
  references: { model, key: 'id' },
  onDelete: 'RESTRICT',
  onUpdate: 'RESTRICT',
});
const options = { charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci', engine: 'InnoDB' };

export async function up(db: QueryInterface): Promise<void> {
  await db.createTable(
    'customers',
    { id: { ...id, primaryKey: true }, name: line, phone: { ...line, defaultValue: '' } },
    options,
  );
  await db.createTable(
    'sites',
    {
      id: { ...id, primaryKey: true },
      customerId: belongsTo('customers'),
      name: line,
      address: { ...line, defaultValue: '' },
      town: { ...line, defaultValue: '' },
    },
    options,
  );
  await db.createTable(
    'units',
    {
      id: { ...id, primaryKey: true },
      siteId: belongsTo('sites'),
      label: line,
      maker: line,
      model: line,
      serial: { ...line, defaultValue: '' },
      kind: line,
      installedOn: { type: DataTypes.DATEONLY, allowNull: true },
      warrantyUntil: { type: DataTypes.DATEONLY, allowNull: true },
      sheetId: { type: DataTypes.STRING(80), allowNull: true },
    },
    options,
  );
  await db.createTable(
    'sheets',
    {
      id: { type: DataTypes.STRING(80), allowNull: false, primaryKey: true },
      revision: { type: DataTypes.INTEGER, allowNull: false, primaryKey: true },
      title: line,
      maker: line,
      document: { type: DataTypes.JSON, allowNull: false },
      createdAt: { type: DataTypes.DATE(3), allowNull: false },
    },
    options,
  );
  await db.createTable(
    'jobs',
    {
      id: { ...id, primaryKey: true },
      unitId: belongsTo('units'),
      sheetId: { type: DataTypes.STRING(80), allowNull: true },
      sheetRevision: { type: DataTypes.INTEGER, allowNull: true },
      complaint: { type: DataTypes.TEXT, allowNull: false },
      urgent: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      visitAt: { type: DataTypes.DATE(3), allowNull: true },
      openedAt: { type: DataTypes.DATE(3), allowNull: false },
      lastSeq: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
      status: { type: DataTypes.STRING(10), allowNull: false, defaultValue: 'open' },
      summary: { type: DataTypes.JSON, allowNull: true },
      summaryVersion: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
    },
    options,
  );
  await db.addIndex('jobs', ['status', 'openedAt']);
  await db.addIndex('jobs', ['unitId', 'openedAt']);
  await db.createTable(
    'entries',
    {
      jobId: { ...belongsTo('jobs'), primaryKey: true },
      seq: { type: DataTypes.INTEGER, allowNull: false, primaryKey: true },
      id: { ...id, unique: true },
      kind: { type: DataTypes.STRING(40), allowNull: false },
      at: { type: DataTypes.DATE(3), allowNull: false },
      author: { type: DataTypes.STRING(120), allowNull: false },
      body: { type: DataTypes.JSON, allowNull: false },
      test: { type: DataTypes.STRING(80), allowNull: true },
      point: { type: DataTypes.STRING(80), allowNull: true },
      value: { type: DataTypes.DOUBLE, allowNull: true },
      receivedAt: { type: DataTypes.DATE(3), allowNull: false },
    },
    options,
  );
  await db.addIndex('entries', ['test', 'point']);
  await db.createTable(
    'settings',
    {
      name: { type: DataTypes.STRING(80), allowNull: false, primaryKey: true },
      value: { type: DataTypes.JSON, allowNull: false },
    },
    options,
  );
}
