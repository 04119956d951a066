/** Whether everything the program reads is there and can be read, told at the start and not by a 500 later. */
import type { ModelStatic, Model } from 'sequelize';
import { DERIVED } from '../keeping/tables';
import { StartupError } from '../startup-error';
import { databaseTrouble } from './database-errors';
import type { Store } from './models/index';
import { raw } from './raw';

const UNKNOWN_COLUMN = 'ER_BAD_FIELD_ERROR';

/** @throws {StartupError} naming the table that is missing, damaged, or lacks a column. */
export async function verifyTables(store: Store): Promise<void> {
  const models = Object.values(store.sequelize.models) as ModelStatic<Model>[];
  const named = models.map((model) => ({
    table: String(model.getTableName()),
    columns: Object.keys(model.getAttributes())
      .map((name) => `\`${name}\``)
      .join(', '),
  }));
  const plain = [...DERIVED, 'odds', 'report_links'].map((table) => ({ table, columns: '1' }));
  for (const { table, columns } of [...named, ...plain]) {
    try {
      await raw(store.sequelize, `SELECT ${columns} FROM \`${table}\` LIMIT 1`);
    } catch (error) {
      const lacks = (error as { code?: string }).code === UNKNOWN_COLUMN;
      if (!lacks && databaseTrouble(error) !== 'damaged') throw error;
      throw damaged(`the table “${table}” is missing or damaged`);
    }
  }
}

export const damaged = (what: string): StartupError =>
  new StartupError(
    'damaged-database',
    `The database is not whole: ${what}. Nothing was changed. ` +
      'Put back a copy of the data folder, or start with another --data folder.',
  );
