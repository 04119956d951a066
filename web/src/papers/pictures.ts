/** Pictures of a job as files: this device's own copies first, then the server's. */
import { localStore } from '../data/local-store';
import { dataUrl } from './pdf';

/** @returns undefined for one that is on neither. */
export async function pictureOf(hash: string): Promise<Blob | undefined> {
  const kept = await localStore.photos.get(hash);
  if (kept) return kept.blob;
  try {
    const response = await fetch(`/api/v1/photos/${hash}`);
    return response.ok ? await response.blob() : undefined;
  } catch {
    return undefined;
  }
}

export async function picturesOf(hashes: readonly string[]): Promise<Map<string, Blob>> {
  const found = new Map<string, Blob>();
  for (const hash of new Set(hashes)) {
    const blob = await pictureOf(hash);
    if (blob) found.set(hash, blob);
  }
  return found;
}

export async function asUrls(blobs: ReadonlyMap<string, Blob>): Promise<Map<string, string>> {
  const urls = new Map<string, string>();
  for (const [hash, blob] of blobs)
    // What a PDF cannot hold is left to the bundle.
    if (/^image\/(jpeg|png)$/.test(blob.type)) urls.set(hash, await dataUrl(blob));
  return urls;
}
