/**
 * Everything of the shop as an archive, all of one moment: one transaction sees the database as it was at its
 * first look, whatever is written meanwhile.
 */
import type { Sequelize, Transaction } from 'sequelize';
import { Transaction as Kinds } from 'sequelize';
import { pictureType } from '../store/photos';
import { raw } from '../store/raw';
import { VERSION } from '../version';
import { type ArchiveWriter, FORMAT, type Head, type Manifest } from './archive';
import { readingsCsv } from './csv';
import { asText, columnsOf, TABLES, type KeptTable } from './tables';

const PIECE_BYTES = 4 * 1024 * 1024;

interface Streaming {
  queryStream(options: { sql: string }): AsyncIterable<Record<string, unknown>>;
}

/** Rows one after the other: a table never stands in memory as a whole. */
function rowsOf(transaction: Transaction, sql: string): AsyncIterable<Record<string, unknown>> {
  // The connection is the connector's own, as its documentation has it.
  return (transaction as unknown as { connection: Streaming }).connection.queryStream({ sql });
}

const EXTENSIONS: Readonly<Record<string, string>> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
};

export async function dump(
  sequelize: Sequelize,
  kind: Head['kind'],
  writer: ArchiveWriter,
): Promise<Manifest> {
  const isolationLevel = Kinds.ISOLATION_LEVELS.REPEATABLE_READ;
  return sequelize.transaction({ isolationLevel }, async (transaction) => {
    const done = await raw<{ name: string }[]>(
      sequelize,
      'SELECT name FROM migrations_done ORDER BY name',
      [],
      transaction,
    );
    const head: Head = {
      format: FORMAT,
      kind,
      version: VERSION,
      madeAt: new Date().toISOString(),
      migrations: done.map(({ name }) => name),
    };
    await writer.add('head.json', JSON.stringify(head));
    for (const table of TABLES)
      if (kind === 'backup' || !table.secret)
        await dumpTable(sequelize, transaction, kind, table, writer);
    if (kind === 'export')
      await writer.add('csv/readings.csv', await readingsCsv(rowsOf(transaction, READINGS)));
    await dumpPhotos(sequelize, transaction, kind, writer);
    return writer.finish();
  });
}

const READINGS = `SELECT e.jobId, CAST(e.at AS CHAR) AS at, e.author, e.test, e.point, e.value, u.maker, u.model,
  u.serial, u.label FROM entries e JOIN jobs j ON j.id = e.jobId JOIN units u ON u.id = j.unitId
  WHERE e.kind = 'reading' ORDER BY e.jobId, e.seq`;

async function dumpTable(
  sequelize: Sequelize,
  transaction: Transaction,
  kind: Head['kind'],
  { name, secretColumns = [] }: KeptTable,
  writer: ArchiveWriter,
): Promise<void> {
  const columns = (await columnsOf(sequelize, name, transaction)).filter(
    (column) => kind === 'backup' || !secretColumns.includes(column.name),
  );
  let [text, piece] = ['', 1];
  writer.rows[name] = 0;
  const flush = async () => {
    if (text === '') return;
    await writer.add(`tables/${name}/${String(piece).padStart(5, '0')}.jsonl`, text);
    [text, piece] = ['', piece + 1];
  };
  const sql = `SELECT ${columns.map(asText).join(', ')} FROM \`${name}\``;
  for await (const row of rowsOf(transaction, sql)) {
    text += `${JSON.stringify(row)}\n`;
    writer.rows[name] += 1;
    if (text.length > PIECE_BYTES) await flush();
  }
  await flush();
}

async function dumpPhotos(
  sequelize: Sequelize,
  transaction: Transaction,
  kind: Head['kind'],
  writer: ArchiveWriter,
): Promise<void> {
  const hashes = await raw<{ hash: string }[]>(
    sequelize,
    'SELECT hash FROM photos ORDER BY hash',
    [],
    transaction,
  );
  for (const { hash } of hashes) {
    const [row] = await raw<{ bytes: Buffer }[]>(
      sequelize,
      'SELECT bytes FROM photos WHERE hash = ?',
      [hash],
      transaction,
    );
    const end = kind === 'export' ? `.${EXTENSIONS[pictureType(row!.bytes) ?? ''] ?? 'bin'}` : '';
    await writer.add(`pictures/${hash}${end}`, row!.bytes);
    writer.photos += 1;
  }
}
