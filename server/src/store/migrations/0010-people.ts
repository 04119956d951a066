/** People, their devices and keys, what they did; proposals; pictures beside the rest; who was erased. */
import { DataTypes, type QueryInterface } from 'sequelize';

const id = { type: DataTypes.STRING(36), allowNull: false };
const key = { ...id, primaryKey: true };
const name = { type: DataTypes.STRING(120), allowNull: false };
const moment = { type: DataTypes.DATE(3), allowNull: false };
const perhaps = { type: DataTypes.DATE(3), allowNull: true };
const hash = { type: 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin', allowNull: false };
const json = { type: DataTypes.JSON, allowNull: false };
const count = { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 };
const options = { charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci', engine: 'InnoDB' };
const ofPerson = {
  ...id,
  references: { model: 'people', key: 'id' },
  onDelete: 'RESTRICT',
  onUpdate: 'RESTRICT',
};

export async function up(db: QueryInterface): Promise<void> {
  await db.createTable(
    'people',
    {
      id: key,
      name: { ...name, unique: true },
      login: { type: DataTypes.STRING(80), allowNull: true, unique: true },
      roles: json,
      licences: json,
      formerly: json,
      // Argon2id in its own text form, parameters and salt included.
      password: { type: DataTypes.STRING(200), allowNull: true },
      demo: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      madeAt: moment,
      removedAt: perhaps,
    },
    options,
  );
  await db.createTable(
    'sessions',
    {
      id: key,
      // SHA-256 of the token: who reads the table cannot sign in with it.
      token: { ...hash, unique: true },
      personId: ofPerson,
      device: name,
      madeAt: moment,
      seenAt: moment,
    },
    options,
  );
  await db.createTable(
    'passkeys',
    {
      id: {
        type: 'VARCHAR(400) CHARACTER SET ascii COLLATE ascii_bin',
        allowNull: false,
        primaryKey: true,
      },
      personId: ofPerson,
      publicKey: { type: DataTypes.BLOB, allowNull: false },
      counter: { type: DataTypes.BIGINT, allowNull: false, defaultValue: 0 },
      transports: json,
      name,
      madeAt: moment,
      usedAt: perhaps,
    },
    options,
  );
  await db.createTable(
    'ceremonies',
    {
      id: key,
      personId: { ...id, allowNull: true },
      challenge: { type: DataTypes.STRING(200), allowNull: false },
      until: moment,
    },
    options,
  );
  await db.createTable(
    'links',
    {
      token: { ...hash, primaryKey: true },
      kind: { type: DataTypes.STRING(10), allowNull: false },
      personId: { ...id, allowNull: true },
      until: moment,
    },
    options,
  );
  await db.createTable(
    'attempts',
    {
      // SHA-256 of the login that was tried: what people mistype may be their password.
      who: { ...hash, primaryKey: true },
      failed: count,
      lastAt: moment,
      until: moment,
    },
    options,
  );
  await db.createTable(
    'audit',
    {
      id: { type: DataTypes.BIGINT, allowNull: false, primaryKey: true, autoIncrement: true },
      at: moment,
      who: name,
      what: { type: DataTypes.STRING(60), allowNull: false },
      about: json,
    },
    options,
  );
  // Append-only for the program too: what it did it cannot take back.
  for (const act of ['UPDATE', 'DELETE'])
    await db.sequelize.query(
      `CREATE TRIGGER audit_no_${act.toLowerCase()} BEFORE ${act} ON audit FOR EACH ROW
       SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the audit trail is append-only'`,
    );
  await db.createTable(
    'photos',
    {
      hash: { ...hash, primaryKey: true },
      bytes: { type: 'MEDIUMBLOB', allowNull: false },
      size: count,
      keptAt: moment,
    },
    options,
  );
  await db.createTable(
    'proposals',
    {
      id: key,
      sheetId: { type: DataTypes.STRING(80), allowNull: false },
      title: { type: DataTypes.STRING(300), allowNull: false },
      revision: count,
      document: { type: DataTypes.TEXT('long'), allowNull: false },
      author: name,
      at: moment,
      note: { type: DataTypes.TEXT, allowNull: false },
      state: { type: DataTypes.STRING(10), allowNull: false, defaultValue: 'waiting' },
      decidedBy: { ...name, allowNull: true },
      reason: { type: DataTypes.TEXT, allowNull: false },
    },
    options,
  );
  await db.addColumn('customers', 'erasedAt', perhaps);
}
