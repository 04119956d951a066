/**
 * The archive that backups and exports are: a tar file (in a backup gzipped) with `head.json` first, tables as
 * JSON lines in pieces, pictures by their hash, and at the end `manifest.json` with a SHA-256 of every file. One
 * that was cut short has no manifest; one with a flipped byte does not agree with it.
 */
import { createHash } from 'node:crypto';
import type { Readable } from 'node:stream';
import { once } from 'node:events';
import { createGunzip } from 'node:zlib';
import { extract, pack, type Pack } from 'tar-stream';
import { ArchiveError } from './archive-error';

/** Raised when an older program could not read what a newer one writes. */
export const FORMAT = 1;

export interface Head {
  readonly format: number;
  readonly kind: 'backup' | 'export';
  readonly version: string;
  readonly madeAt: string;
  /** Changes of the database that it has. */
  readonly migrations: readonly string[];
}

interface Piece {
  readonly name: string;
  readonly bytes: number;
  readonly sha256: string;
}

export interface Manifest {
  readonly pieces: readonly Piece[];
  readonly rows: Readonly<Record<string, number>>;
  readonly photos: number;
}

const sha256 = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');

export class ArchiveWriter {
  readonly stream: Pack = pack();
  /** A pack is a readable stream; its types do not say so. */
  readonly #readable = this.stream as unknown as Readable;
  readonly #pieces: Piece[] = [];
  readonly rows: Record<string, number> = {};
  photos = 0;

  async add(name: string, content: string | Buffer): Promise<void> {
    const bytes = Buffer.from(content);
    this.#pieces.push({ name, bytes: bytes.byteLength, sha256: sha256(bytes) });
    await this.#put(name, bytes);
  }

  async finish(): Promise<Manifest> {
    const manifest = { pieces: this.#pieces, rows: this.rows, photos: this.photos };
    await this.#put('manifest.json', Buffer.from(JSON.stringify(manifest)));
    this.stream.finalize();
    return manifest;
  }

  async #put(name: string, bytes: Buffer): Promise<void> {
    // The same bytes for the same shop: nobody’s clock, user or rights stand in it.
    const written = this.stream.entry({ name, mode: 0o600, mtime: new Date(0) }, bytes);
    if ((written as { writableNeedDrain?: boolean }).writableNeedDrain)
      await once(written, 'drain');
    // Until whoever reads it is behind: the whole shop is never in memory.
    while (this.#readable.readableLength > MOST_WAITING && !this.stream.destroyed)
      await new Promise((resolve) => setTimeout(resolve, 5));
    if (this.stream.destroyed)
      throw new ArchiveError('broken-off', 'It was broken off while it was written.');
  }
}

const MOST_WAITING = 16 * 1024 * 1024;
/** No file in it is larger: pieces of tables end long before, a picture has two million bytes. */
const LARGEST_PIECE = 256 * 1024 * 1024;

export interface ReadPiece {
  readonly name: string;
  readonly bytes: Buffer;
}

/**
 * Reads an archive once from beginning to end, giving each file with its bytes checked in the end against the
 * manifest. Whoever uses the files before that must be able to take it back.
 * @throws {ArchiveError} for what is no archive, is cut short, or does not agree with its manifest.
 */
export async function readArchive(
  source: Readable,
  zipped: boolean,
  take: (piece: ReadPiece, head: Head) => Promise<void> | void,
): Promise<{ readonly head: Head; readonly manifest: Manifest }> {
  const tar = extract();
  const seen = new Map<string, Piece>();
  let head: Head | undefined;
  let manifest: Manifest | undefined;
  const unzip = zipped ? createGunzip() : undefined;
  const give = (error: Error) => tar.destroy(error);
  source.on('error', give);
  unzip?.on('error', give);
  (unzip ? source.pipe(unzip) : source).pipe(tar);
  try {
    for await (const entry of tar) {
      const { name, size } = entry.header;
      if (size > LARGEST_PIECE) throw damaged();
      const parts: Buffer[] = [];
      for await (const part of entry) parts.push(part as Buffer);
      const bytes = Buffer.concat(parts);
      if (name === 'manifest.json') {
        manifest = parsed<Manifest>(bytes);
        continue;
      }
      seen.set(name, { name, bytes: bytes.byteLength, sha256: sha256(bytes) });
      if (!head) {
        if (name !== 'head.json') throw notOurs();
        head = knownHead(parsed<Head>(bytes));
      } else await take({ name, bytes }, head);
    }
  } catch (error) {
    if (error instanceof ArchiveError) throw error;
    throw isOfStream(error) ? damaged() : error;
  } finally {
    source.destroy();
  }
  if (!head) throw notOurs();
  if (!manifest)
    throw new ArchiveError(
      'cut-short',
      'The file is cut short: its end is missing. Nothing was changed.',
    );
  const { pieces } = manifest;
  const whole =
    pieces.length === seen.size &&
    pieces.every(({ name, bytes, sha256: sum }) => {
      const piece = seen.get(name);
      return piece?.bytes === bytes && piece.sha256 === sum;
    });
  if (!whole) throw damaged();
  return { head, manifest };
}

const parsed = <T>(bytes: Buffer): T => {
  try {
    return JSON.parse(bytes.toString('utf8')) as T;
  } catch {
    throw damaged();
  }
};

function knownHead(head: Head): Head {
  if (typeof head.format !== 'number' || !Array.isArray(head.migrations)) throw notOurs();
  if (head.format > FORMAT) throw newer(head);
  return head;
}

/** Errors of unzipping and of tar itself; what the database or the disk says goes on as it is. */
const isOfStream = (error: unknown): boolean => {
  const { code = '', message = '' } = (error ?? {}) as { code?: unknown; message?: unknown };
  return (
    /^(Z_|ERR_STREAM)/.test(String(code)) ||
    /tar|header|unexpected end|end of data|premature/i.test(String(message))
  );
};

const damaged = () =>
  new ArchiveError(
    'damaged',
    'The file is damaged: its checksums do not agree. Nothing was changed; take another copy.',
  );
const notOurs = () =>
  new ArchiveError('not-ours', 'This is no backup or export of Jeitinho. Nothing was changed.');
export const newer = ({ version }: Head) =>
  new ArchiveError(
    'newer',
    `The file was made by a newer Jeitinho (${version}). Nothing was changed; install that version first.`,
  );
