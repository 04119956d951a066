/**
 * Photographs as files beside the database, each once, named by the SHA-256 of its bytes. Written beside
 * and then moved, so that a crash leaves no half picture under a whole one's name.
 */
import { createHash, randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, stat, unlink, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { ProblemError } from '../problem';

export const LARGEST_PHOTO = 2_000_000;
const HASH = /^[0-9a-f]{64}$/;
const HALF_WRITTEN = /^[0-9a-f]{64}\.[0-9a-f-]{36}$/;
/** No space, quota used up, largest file reached. */
const FULL: ReadonlySet<string> = new Set(['ENOSPC', 'EDQUOT', 'EFBIG']);

/** What the first bytes say, whatever the sender called it; undefined for what is no picture. */
export function pictureType(bytes: Uint8Array): string | undefined {
  const starts = (at: number, ...wanted: number[]) => wanted.every((b, i) => bytes[at + i] === b);
  if (starts(0, 0xff, 0xd8, 0xff)) return 'image/jpeg';
  if (starts(0, 0x89, 0x50, 0x4e, 0x47)) return 'image/png';
  const riff = starts(0, 0x52, 0x49, 0x46, 0x46) && starts(8, 0x57, 0x45, 0x42, 0x50);
  return riff ? 'image/webp' : undefined;
}

export class PhotoFiles {
  constructor(private readonly folder: string) {}

  /** @returns false where the bytes are not those of that hash. */
  async keep(hash: string, bytes: Uint8Array): Promise<boolean> {
    if (createHash('sha256').update(bytes).digest('hex') !== hash) return false;
    const path = this.path(hash);
    if (await exists(path)) return true;
    const beside = `${path}.${randomUUID()}`;
    try {
      await mkdir(dirname(path), { recursive: true, mode: 0o700 });
      await writeFile(beside, bytes, { flush: true, mode: 0o600 });
      await rename(beside, path);
    } catch (error) {
      await unlink(beside).catch(() => undefined);
      if (FULL.has((error as NodeJS.ErrnoException).code ?? ''))
        throw new ProblemError(
          503,
          'disk-full',
          'The picture was not stored: the server’s disk is full. Make room there; the picture is kept on the device and sent then.',
          { retryAfter: 30 },
        );
      throw error;
    }
    return true;
  }

  /** Takes away what a crash left half written. While nothing is being written: at the start. */
  async sweep(): Promise<void> {
    const folders = await readdir(this.folder).catch(() => []);
    for (const folder of folders) {
      const names = await readdir(join(this.folder, folder)).catch(() => []);
      for (const name of names)
        if (HALF_WRITTEN.test(name)) await unlink(join(this.folder, folder, name));
    }
  }

  /** @returns undefined for one that never arrived here. */
  async read(hash: string): Promise<Buffer | undefined> {
    if (!HASH.test(hash)) return undefined;
    try {
      return await readFile(this.path(hash));
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
      throw error;
    }
  }

  private path(hash: string): string {
    return join(this.folder, hash.slice(0, 2), hash);
  }
}

const exists = async (path: string) =>
  stat(path).then(
    () => true,
    () => false,
  );
