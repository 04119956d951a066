/** Putting the tables and pictures of an archive into a database whose tables are there and empty. */
import type { Sequelize, Transaction } from 'sequelize';
import { hashOf } from '../store/photos';
import { raw, toColumn } from '../store/raw';
import { ArchiveError } from './archive-error';
import type { ReadPiece } from './archive';
import { columnsOf, fromText, TABLES, type Column } from './tables';

const ROWS_AT_ONCE = 500;
const BYTES_AT_ONCE = 4 * 1024 * 1024;
const TABLE_PIECE = /^tables\/(\w+)\/\d+\.jsonl$/;
const PICTURE_PIECE = /^pictures\/([0-9a-f]{64})(?:\.\w+)?$/;

/** In any order of rows: whatever happens, the connection goes back as it came. */
export async function withoutForeignKeys<T>(
  sequelize: Sequelize,
  transaction: Transaction,
  work: () => Promise<T>,
): Promise<T> {
  await raw(sequelize, 'SET FOREIGN_KEY_CHECKS = 0', [], transaction);
  try {
    return await work();
  } finally {
    await raw(sequelize, 'SET FOREIGN_KEY_CHECKS = 1', [], transaction);
  }
}

function rowOf(line: string): Record<string, unknown> {
  try {
    return JSON.parse(line) as Record<string, unknown>;
  } catch {
    throw new ArchiveError('damaged', 'A line of a table cannot be read. Nothing was changed.');
  }
}

export class Filler {
  readonly #columns = new Map<string, readonly Column[]>();
  rows = 0;
  photos = 0;

  /** @param keeps - Rows that go in; by table. */
  constructor(
    private readonly sequelize: Sequelize,
    private readonly transaction: Transaction,
    private readonly keeps: (table: string, row: Record<string, unknown>) => boolean = () => true,
  ) {}

  async take({ name, bytes }: ReadPiece): Promise<void> {
    const table = TABLE_PIECE.exec(name)?.[1];
    if (table !== undefined) {
      if (!TABLES.some((each) => each.name === table)) return;
      return this.#fill(table, bytes.toString('utf8'));
    }
    const hash = PICTURE_PIECE.exec(name)?.[1];
    if (hash !== undefined) await this.#picture(hash, bytes);
  }

  async #fill(table: string, text: string): Promise<void> {
    const known =
      this.#columns.get(table) ?? (await columnsOf(this.sequelize, table, this.transaction));
    this.#columns.set(table, known);
    let [batch, bytes]: [Record<string, unknown>[], number] = [[], 0];
    const put = async () => {
      if (batch.length > 0) await this.#insert(table, known, batch);
      [batch, bytes] = [[], 0];
    };
    for (const line of text.split('\n')) {
      if (line === '') continue;
      const row = rowOf(line);
      if (!this.keeps(table, row)) continue;
      batch.push(row);
      bytes += line.length;
      if (batch.length >= ROWS_AT_ONCE || bytes > BYTES_AT_ONCE) await put();
    }
    await put();
  }

  async #insert(table: string, known: readonly Column[], rows: readonly Record<string, unknown>[]) {
    // What a later version added takes its default.
    const columns = known.filter(({ name }) => name in rows[0]!);
    const marks = `(${columns.map(() => '?').join(', ')})`;
    await raw(
      this.sequelize,
      `INSERT INTO \`${table}\` (${columns.map(({ name }) => `\`${name}\``).join(', ')})
       VALUES ${rows.map(() => marks).join(', ')}`,
      rows.flatMap((row) => columns.map((column) => fromText(column, row[column.name]))),
      this.transaction,
    );
    this.rows += rows.length;
  }

  async #picture(hash: string, bytes: Buffer): Promise<void> {
    if (hashOf(bytes) !== hash)
      throw new ArchiveError(
        'damaged',
        'A picture in the file is damaged. Nothing was changed; take another copy.',
      );
    await raw(
      this.sequelize,
      'INSERT INTO photos (hash, bytes, size, keptAt) VALUES (?, ?, ?, ?)',
      [hash, bytes, bytes.byteLength, toColumn(new Date().toISOString())],
      this.transaction,
    );
    this.photos += 1;
  }
}
