/** A backup as a file: written beside, read again as a whole, and only then under its name. */
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rename, rm, stat } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import type { Sequelize } from 'sequelize';
import { ArchiveWriter, readArchive, type Head, type Manifest } from './archive';
import { dump } from './dump';

/** @returns its size in bytes and what is in it. */
export async function writeBackup(
  sequelize: Sequelize,
  path: string,
): Promise<{ readonly bytes: number; readonly manifest: Manifest }> {
  const beside = `${path}.part`;
  try {
    const writer = new ArchiveWriter();
    const [manifest] = await Promise.all([
      dump(sequelize, 'backup', writer).catch((error: Error) => {
        writer.stream.destroy(error);
        throw error;
      }),
      pipeline(writer.stream, createGzip({ level: 6 }), createWriteStream(beside, { mode: 0o600 })),
    ]);
    const file = await open(beside, 'r+');
    await file.sync();
    await file.close();
    await readBackup(beside);
    await rename(beside, path);
    return { bytes: (await stat(path)).size, manifest };
  } catch (error) {
    await rm(beside, { force: true });
    throw error;
  }
}

/** Reads a backup from end to end. @throws {ArchiveError} where anything of it is not as it was written. */
export const readBackup = (
  path: string,
  take: Parameters<typeof readArchive>[2] = () => {},
): Promise<{ readonly head: Head; readonly manifest: Manifest }> =>
  readArchive(createReadStream(path), true, take);
