/** Signatures drawn by hand, kept as pictures of the job. */
import { hashOf, keepPhoto } from '../../data/photos';

type Who = 'technician' | 'customer';

/** @returns the hash of each picture; a name alone signs as well. */
export async function keepSignatures(
  jobId: string,
  drawn: Partial<Record<Who, HTMLCanvasElement>>,
): Promise<Partial<Record<Who, string>>> {
  const kept: Partial<Record<Who, string>> = {};
  for (const who of ['technician', 'customer'] as const) {
    const canvas = drawn[who];
    if (!canvas) continue;
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
    if (!blob) continue;
    const hash = await hashOf(blob);
    await keepPhoto(jobId, { hash, blob, width: canvas.width, height: canvas.height });
    kept[who] = hash;
  }
  return kept;
}
