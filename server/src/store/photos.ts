/**
 * Photographs, each once under the SHA-256 of its bytes, in the database: a backup has all of them, and so has
 * a second server. Earlier versions kept them as files beside it; these are taken in at the start.
 */
import { createHash } from 'node:crypto';
import { readdir, readFile, rmdir, unlink } from 'node:fs/promises';
import { join } from 'node:path';
import { Op } from 'sequelize';
import type { Store } from './models/index';
import { raw, toColumn } from './raw';

export const LARGEST_PHOTO = 2_000_000;
const HASH = /^[0-9a-f]{64}$/;

/** What the first bytes say, whatever the sender called it; undefined for what is no picture. */
export function pictureType(bytes: Uint8Array): string | undefined {
  const starts = (at: number, ...wanted: number[]) => wanted.every((b, i) => bytes[at + i] === b);
  if (starts(0, 0xff, 0xd8, 0xff)) return 'image/jpeg';
  if (starts(0, 0x89, 0x50, 0x4e, 0x47)) return 'image/png';
  const riff = starts(0, 0x52, 0x49, 0x46, 0x46) && starts(8, 0x57, 0x45, 0x42, 0x50);
  return riff ? 'image/webp' : undefined;
}

export const hashOf = (bytes: Uint8Array): string =>
  createHash('sha256').update(bytes).digest('hex');

/** @returns false where the bytes are not those of that hash. */
export async function keepPhoto(store: Store, hash: string, bytes: Uint8Array): Promise<boolean> {
  if (hashOf(bytes) !== hash) return false;
  await raw(
    store.sequelize,
    'INSERT IGNORE INTO photos (hash, bytes, size, keptAt) VALUES (?, ?, ?, ?)',
    [hash, Buffer.from(bytes), bytes.byteLength, toColumn(new Date().toISOString())],
  );
  return true;
}

/** @returns undefined for one that never arrived here, or was cleared. */
export async function readPhoto(store: Store, hash: string): Promise<Buffer | undefined> {
  if (!HASH.test(hash)) return undefined;
  const [row] = await raw<{ bytes: Buffer }[]>(
    store.sequelize,
    'SELECT bytes FROM photos WHERE hash = ?',
    [hash],
  );
  return row?.bytes;
}

/** Takes in what an earlier version kept as files, and removes each once it is stored. @returns how many. */
export async function takeInPhotoFiles(store: Store, folder: string): Promise<number> {
  let taken = 0;
  for (const part of await readdir(folder).catch(() => [])) {
    const within = join(folder, part);
    for (const name of await readdir(within).catch(() => [])) {
      const path = join(within, name);
      if (HASH.test(name) && (await keepPhoto(store, name, await readFile(path)))) taken += 1;
      // Half written, or not what its name says: no entry could ever show it.
      await unlink(path);
    }
    await rmdir(within).catch(() => undefined);
  }
  await rmdir(folder).catch(() => undefined);
  return taken;
}

/** Days that a withdrawn picture may still be wanted back. */
export const CLEARED_AFTER_DAYS = 90;

/** Clears pictures whose every entry was withdrawn so long ago. @returns how many. */
export async function clearWithdrawnPhotos(store: Store, now = Date.now()): Promise<number> {
  const before = toColumn(new Date(now - CLEARED_AFTER_DAYS * 86_400_000).toISOString());
  const gone = await raw<{ hash: string }[]>(
    store.sequelize,
    `SELECT DISTINCT JSON_VALUE(p.body, '$.hash') AS hash
       FROM entries w JOIN entries p ON p.id = JSON_VALUE(w.body, '$.entry') AND p.jobId = w.jobId
      WHERE w.kind = 'withdrawn' AND p.kind = 'photo' AND w.receivedAt < ?`,
    [before],
  );
  let cleared = 0;
  for (const { hash } of gone)
    if (!(await stillShown(store, hash, before)))
      cleared += await store.photos.destroy({ where: { hash: { [Op.eq]: hash } } });
  return cleared;
}

/** Whether an entry that was not withdrawn that long ago names it. */
async function stillShown(store: Store, hash: string, before: string): Promise<boolean> {
  const [other] = await raw<object[]>(
    store.sequelize,
    `SELECT 1 FROM entries e
      WHERE e.body LIKE ? AND NOT EXISTS (
        SELECT 1 FROM entries w WHERE w.jobId = e.jobId AND w.kind = 'withdrawn'
           AND w.receivedAt < ? AND JSON_VALUE(w.body, '$.entry') = e.id)
      LIMIT 1`,
    [`%${hash}%`, before],
  );
  return other !== undefined;
}
