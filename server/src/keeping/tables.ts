/** The tables of the shop, in the order in which they can be filled, and what of them is whose secret. */
import type { Transaction, Sequelize } from 'sequelize';
import { raw } from '../store/raw';

export interface KeptTable {
  readonly name: string;
  /** Ways in, and what is over by tomorrow: in a backup, never in an export. */
  readonly secret?: true;
  readonly secretColumns?: readonly string[];
}

export const TABLES: readonly KeptTable[] = [
  { name: 'settings' },
  { name: 'people', secretColumns: ['password', 'login'] },
  { name: 'customers' },
  { name: 'sites' },
  { name: 'units' },
  { name: 'sheets' },
  { name: 'dictionaries' },
  { name: 'proposals' },
  { name: 'prices' },
  { name: 'merged' },
  { name: 'jobs' },
  { name: 'benches' },
  { name: 'entries' },
  { name: 'odds' },
  { name: 'audit' },
  { name: 'passkeys', secret: true },
  { name: 'sessions', secret: true },
  { name: 'links', secret: true },
  { name: 'report_links', secret: true },
];

/** Emptied by a restore: they hold a moment's state. */
export const PASSING = ['ceremonies', 'attempts'];

/** Made again from the logs, after a restore as well: in no archive. */
export const DERIVED = [
  'found_words',
  'found_docs',
  'found_in',
  'lessons',
  'lesson_bodies',
  'work_done',
];

export interface Column {
  readonly name: string;
  readonly type: string;
}

interface ColumnRow {
  readonly name: string;
  readonly type: string;
  readonly extra: string;
}

/** Columns that are written; what the database reckons itself is left to it. */
export async function columnsOf(
  sequelize: Sequelize,
  table: string,
  transaction?: Transaction,
): Promise<Column[]> {
  const rows = await raw<ColumnRow[]>(
    sequelize,
    `SELECT column_name AS name, data_type AS type, extra FROM information_schema.columns
      WHERE table_schema = DATABASE() AND table_name = ? ORDER BY ordinal_position`,
    [table],
    transaction,
  );
  return rows
    .filter(({ extra }) => !/GENERATED/i.test(extra))
    .map(({ name, type }) => ({ name, type }));
}

const BYTES = /blob|binary/;

/** A column as text that comes back the same: moments and JSON as they stand, bytes in hex. */
export function asText({ name, type }: Column): string {
  if (BYTES.test(type)) return `HEX(\`${name}\`) AS \`${name}\``;
  if (/datetime|timestamp|^date$/.test(type)) return `CAST(\`${name}\` AS CHAR) AS \`${name}\``;
  // As text: the connector would take JSON apart, and long numbers lose digits.
  if (/text|json/.test(type)) return `CONCAT(\`${name}\`, '') AS \`${name}\``;
  return `\`${name}\``;
}

/** The value of a row's column on its way back. */
export const fromText = ({ type }: Column, value: unknown): unknown =>
  BYTES.test(type) && typeof value === 'string' ? Buffer.from(value, 'hex') : (value ?? null);
