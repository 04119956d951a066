/**
 * Photographs: shrunk and turned upright on the device, named by the hash of their bytes, kept here first
 * and sent when the server answers. The entry in the log names the hash only.
 */
import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex } from '@noble/hashes/utils';
import { Unreachable } from './api';
import { localStore, type LocalPhoto, type LocalStore } from './local-store';

/** Longest side kept, pixels: a date code on a capacitor can still be read. */
const LONGEST = 1600;
/** Above the server's own limit nothing is kept. */
const MOST_BYTES = 1_900_000;
/** No camera makes more; beyond it the device itself would choke. */
const LARGEST_FILE = 80_000_000;
const QUALITIES = [0.82, 0.65, 0.45];

export interface Shrunk {
  readonly hash: string;
  readonly blob: Blob;
  readonly width: number;
  readonly height: number;
}

export type Taken =
  | { readonly ok: true; readonly photo: Shrunk }
  | { readonly ok: false; readonly problem: string };

/** The size of a picture whose longest side is kept at {@link LONGEST} at most. */
export function fitted(width: number, height: number): [width: number, height: number] {
  const scale = Math.min(1, LONGEST / Math.max(width, height));
  return [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
}

export async function takePhoto(file: File): Promise<Taken> {
  const no = (problem: string): Taken => ({ ok: false, problem });
  if (file.size > LARGEST_FILE)
    return no(
      `“${file.name}” has ${Math.round(file.size / 1e6)} MB; ${LARGEST_FILE / 1e6} MB is the most. Nothing was kept.`,
    );
  let picture: ImageBitmap;
  try {
    // Turned as the camera was held; the mark that says so is lost in shrinking.
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return no(`“${file.name}” is not a picture this device can read. Nothing was kept.`);
  }
  const [width, height] = fitted(picture.width, picture.height);
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')!.drawImage(picture, 0, 0, width, height);
  picture.close();
  for (const quality of QUALITIES) {
    const blob = await new Promise<Blob | null>((done) =>
      canvas.toBlob(done, 'image/jpeg', quality),
    );
    if (blob && blob.size <= MOST_BYTES)
      return { ok: true, photo: { hash: await hashOf(blob), blob, width, height } };
  }
  return no(`“${file.name}” could not be shrunk enough. Take it with less detail.`);
}

export async function hashOf(blob: Blob): Promise<string> {
  return bytesToHex(sha256(new Uint8Array(await blob.arrayBuffer())));
}

/** Kept before its entry is written, so that the log never names what nobody has. */
export async function keepPhoto(
  jobId: string,
  { hash, blob }: Shrunk,
  store: LocalStore = localStore,
): Promise<void> {
  const kept = await store.photos.get(hash);
  if (!kept) await store.photos.put({ hash, jobId, blob, sendState: 'unsent' });
}

/** @throws {Unreachable} where the server does not answer; what was not sent waits. */
export async function sendPhotos(jobId: string, store: LocalStore = localStore): Promise<void> {
  const unsent = await store.photos.where({ jobId, sendState: 'unsent' }).toArray();
  for (const photo of unsent) await sendOne(photo, store);
}

async function sendOne({ hash, blob }: LocalPhoto, store: LocalStore): Promise<void> {
  let response: Response;
  try {
    response = await fetch(`/api/v1/photos/${hash}`, {
      method: 'PUT',
      headers: { 'content-type': blob.type },
      body: blob,
      signal: AbortSignal.timeout(60_000),
    });
  } catch {
    throw new Unreachable();
  }
  // Only what will never fit is given up; what was damaged on the way goes again.
  const never = response.status === 413 || response.status === 415;
  if (response.status === 503) throw new Unreachable('disk-full');
  if (!response.ok && !never) throw new Unreachable();
  await store.photos.update(hash, { sendState: never ? 'refused' : 'sent' });
}
