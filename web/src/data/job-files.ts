/** Jobs as files on their way in: read, checked for what was changed in them, then sent picture by picture. */
import { JOB_FILE, photosNamed, tamperedIn, type JobFile } from '@jeitinho/core';
import { plainSheet } from '@jeitinho/core/sheet';
import { ApiProblem, ask } from './api';
import { decodeText } from './files';

/** Pictures make it large. */
const LARGEST = 200_000_000;

export async function readJobFile(
  chosen: File,
): Promise<{ readonly file: JobFile } | { readonly problem: string }> {
  if (chosen.size > LARGEST)
    return {
      problem: `“${chosen.name}” has ${Math.round(chosen.size / 1e6)} MB; ${LARGEST / 1e6} MB is the most. Nothing was read.`,
    };
  const text = decodeText(new Uint8Array(await chosen.arrayBuffer()), chosen.name);
  if (!text.ok) return { problem: text.problem };
  let value: unknown;
  try {
    value = JSON.parse(text.text);
  } catch {
    return { problem: `“${chosen.name}” breaks off or is no job file. Nothing was read.` };
  }
  const { format } = (value ?? {}) as { format?: unknown };
  if (format !== JOB_FILE)
    return {
      problem: `“${chosen.name}” is no job file of this program. Nothing was read.`,
    };
  const file = value as JobFile;
  try {
    const wrong = tamperedIn(file, plainSheet(file.sheet));
    return wrong === undefined ? { file } : { problem: `Nothing was brought in. ${wrong}` };
  } catch {
    return { problem: `“${chosen.name}” lacks what a job file has. Nothing was read.` };
  }
}

export interface BroughtJob {
  readonly id: string;
  readonly known: boolean;
  /** Pictures that its log names and the file does not have. */
  readonly missing: number;
}

/** The job first, so that no picture is kept for one that is refused. */
export async function bringInJob({ photos = [], ...file }: JobFile): Promise<BroughtJob> {
  const brought = await ask('importJob', { body: file });
  const here = new Set<string>();
  for (const { hash, type, data } of photos) {
    const bytes = Uint8Array.from(atob(data), (char) => char.charCodeAt(0));
    try {
      await ask('keepPhoto', { params: { hash }, body: new Blob([bytes], { type }) });
      here.add(hash);
    } catch (error) {
      // Bytes that are not what their name says: the picture is missing, the job is not.
      if (!(error instanceof ApiProblem)) throw error;
    }
  }
  const missing = photosNamed(file.entries).filter((hash) => !here.has(hash)).length;
  return { ...brought, missing };
}
