/**
 * Photographs as files beside the database, each once, named by the SHA-256 of its bytes. Written beside
 * and then moved, so that a crash leaves no half picture under a whole one's name.
 */
import { createHash, randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';

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

export class PhotoFiles {
  constructor(private readonly folder: string) {}

  /** @returns false where the bytes are not those of that hash. */
  async keep(hash: string, bytes: Uint8Array): Promise<boolean> {
    if (createHash('sha256').update(bytes).digest('hex') !== hash) return false;
    const path = this.path(hash);
    if (await exists(path)) return true;
    await mkdir(dirname(path), { recursive: true });
    const beside = `${path}.${randomUUID()}`;
    await writeFile(beside, bytes, { flush: true });
    await rename(beside, path);
    return true;
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
