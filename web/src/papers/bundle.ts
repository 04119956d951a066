/** What a maker asks for with a claim, in one file: the report, its readings as a table, the whole job, its pictures. */
import {
  jobFile,
  photosNamed,
  reportNumber,
  type JobFile,
  type JobFilePhoto,
  type JobResource,
  type Report,
} from '@jeitinho/core';
import type { StoredEntry } from '@jeitinho/core/job';
import type { Sheet, WrittenSheet } from '@jeitinho/core/sheet';
import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex } from '@noble/hashes/utils';
import { pdfOf, dataUrl } from './pdf';
import { asUrls, picturesOf } from './pictures';
import { reportDocument, type ReportVersion } from './report-document';
import { readingsCsv } from './tables';

export interface Papers {
  readonly job: JobResource;
  readonly sheet: Sheet;
  readonly written: WrittenSheet;
  readonly report: Report;
  /** In the order of the log, as far as this device has it. */
  readonly entries: readonly StoredEntry[];
}

export const fileStem = ({ id, openedAt }: Pick<JobResource, 'id' | 'openedAt'>): string =>
  reportNumber(id, openedAt).replace(/[^\d]+/g, '-');

export async function reportPdf(papers: Papers, version: ReportVersion): Promise<Blob> {
  const pictures = await asUrls(await picturesOf(picturesIn(papers)));
  return pdfOf(reportDocument({ ...papers, pictures }, version));
}

const picturesIn = ({ entries }: Papers): string[] => photosNamed(entries);

/** The whole job as one open file, its pictures in it as far as they are at hand. */
export async function fileOf(papers: Papers): Promise<JobFile> {
  const { job, written, entries } = papers;
  const found = await picturesOf(picturesIn(papers));
  const photos: JobFilePhoto[] = [];
  for (const [hash, blob] of found)
    photos.push({ hash, type: blob.type, data: (await dataUrl(blob)).split(',')[1] ?? '' });
  return jobFile({ job, sheet: written, entries, photos, savedAt: new Date().toISOString() });
}

/** @returns the bundle, and how many pictures it could not get. */
export async function claimBundle(papers: Papers): Promise<{ zip: Blob; missing: number }> {
  const { zipSync, strToU8 } = await import('fflate');
  const named = picturesIn(papers);
  const pictures = await picturesOf(named);
  const missing = named.filter((hash) => !pictures.has(hash));
  const pdf = await pdfOf(reportDocument({ ...papers, pictures: await asUrls(pictures) }, 'file'));
  const { photos: _inTheirFolder, ...file } = await fileOf(papers);
  const files: Record<string, Uint8Array> = {
    'report.pdf': await bytesOf(pdf),
    'readings.csv': strToU8(readingsCsv(papers.report)),
    'job.json': strToU8(JSON.stringify(file, undefined, 1)),
  };
  for (const [hash, blob] of pictures)
    files[`photos/${hash}.${/png$/.test(blob.type) ? 'png' : 'jpg'}`] = await bytesOf(blob);
  const contents = Object.entries(files).map(
    ([name, bytes]) => `${bytesToHex(sha256(bytes))}  ${name}`,
  );
  const note = missing.map((hash) => `missing: picture ${hash}, still on another device`);
  files['contents.txt'] = strToU8([...contents, ...note, ''].join('\n'));
  const zipped = zipSync(files, { level: 6 });
  return {
    zip: new Blob([zipped as Uint8Array<ArrayBuffer>], { type: 'application/zip' }),
    missing: missing.length,
  };
}

const bytesOf = async (blob: Blob): Promise<Uint8Array> => new Uint8Array(await blob.arrayBuffer());
