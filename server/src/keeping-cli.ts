/** `./jeitinho backup`, `restore`, `export` and `import`: the script has the database running and says where it is. */
import { createReadStream, createWriteStream, existsSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { ArchiveError } from './keeping/archive-error';
import { ArchiveWriter } from './keeping/archive';
import { readBackup, writeBackup } from './keeping/backup-file';
import { dump } from './keeping/dump';
import { importAll } from './keeping/import-all';
import { restore } from './keeping/restore';
import { StartupError } from './startup-error';
import { audit, THE_SHOP } from './store/audit';
import { addressFromEnvironment, connect, createDatabase } from './store/database';
import { migrate } from './store/migrate';
import { defineModels } from './store/models/index';

const [what, path] = process.argv.slice(2);
const megabytes = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`;

async function backup(file: string): Promise<string> {
  const sequelize = connect(addressFromEnvironment(process.env));
  try {
    const { bytes, manifest } = await writeBackup(sequelize, file);
    await audit(defineModels(sequelize), THE_SHOP, 'backup-made', { bytes });
    const { jobs = 0, entries = 0 } = manifest.rows;
    return `Kept in ${file}: ${jobs} visits, ${entries} entries, ${manifest.photos} pictures, ${megabytes(bytes)}. Read again, and whole.`;
  } finally {
    await sequelize.close();
  }
}

async function exportTo(file: string): Promise<string> {
  const sequelize = connect(addressFromEnvironment(process.env));
  const writer = new ArchiveWriter();
  try {
    const [manifest] = await Promise.all([
      dump(sequelize, 'export', writer).catch((error: Error) => {
        writer.stream.destroy(error);
        throw error;
      }),
      pipeline(writer.stream, createWriteStream(`${file}.part`, { mode: 0o600 })),
    ]);
    await rename(`${file}.part`, file);
    await audit(defineModels(sequelize), THE_SHOP, 'exported');
    return `Taken out into ${file}: ${manifest.rows.jobs ?? 0} visits, ${manifest.photos} pictures.`;
  } finally {
    await rm(`${file}.part`, { force: true });
    await sequelize.close();
  }
}

async function importFrom(file: string): Promise<string> {
  const address = addressFromEnvironment(process.env);
  await createDatabase(address);
  const sequelize = connect(address);
  try {
    await migrate(sequelize);
    const store = defineModels(sequelize);
    const { rows, photos } = await importAll(store, createReadStream(file));
    await audit(store, THE_SHOP, 'imported', { rows, photos });
    return `Brought in: ${rows} rows, ${photos} pictures.`;
  } finally {
    await sequelize.close();
  }
}

async function restoreFrom(file: string): Promise<string> {
  const address = addressFromEnvironment(process.env);
  await createDatabase(address);
  const sequelize = connect(address);
  try {
    const { head, manifest } = await restore(sequelize, file);
    await audit(defineModels(sequelize), THE_SHOP, 'restored', { madeAt: head.madeAt });
    const { jobs = 0, entries = 0 } = manifest.rows;
    return `Restored as of ${head.madeAt}: ${jobs} visits, ${entries} entries, ${manifest.photos} pictures.`;
  } finally {
    await sequelize.close();
  }
}

async function main(): Promise<string> {
  if (path === undefined) throw new StartupError('no-file', 'Say which file.');
  if (what === 'backup') return backup(path);
  if (what === 'export') return exportTo(path);
  if (!existsSync(path)) throw new StartupError('no-file', `There is no file ${path}.`);
  if (what === 'look') {
    const { head } = await readBackup(path);
    return `Whole, as of ${head.madeAt}, made by version ${head.version}.`;
  }
  return what === 'import' ? importFrom(path) : restoreFrom(path);
}

main().then(
  (said) => process.stdout.write(`${said}\n`),
  (error: unknown) => {
    const known = error instanceof ArchiveError || error instanceof StartupError;
    process.stderr.write(`${known ? error.message : (error as Error).stack}\n`);
    process.exit(1);
  },
);
