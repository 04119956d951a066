/**
 * A whole job as one open file: who, where, what, the sheet it was done with, its log and its pictures. Each
 * entry is sealed with what stands before it, so that an entry changed, left out, put in or moved is found
 * and named. It tells accidents and careless hands; whoever makes the whole file anew can seal it anew.
 */
import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils';
import { Type, type Static } from '@sinclair/typebox';
import { customerSchema, siteSchema, unitResourceSchema, type JobResource } from './resources';
import type { StoredEntry } from '../job/kinds/index';
import { storedEntrySchema } from '../job/kinds/schemas';
import { entryWords } from '../job/kinds/said-of';
import { Uuid } from '../job/log/words';
import { sheetSchema, type Sheet, type WrittenSheet } from '../sheet/schema';

export const JOB_FILE = 'jeitinho.job/1';
/** Entries of one file. */
const MOST_ENTRIES = 50_000;

const Hash = Type.String({ pattern: '^[0-9a-f]{64}$' });
const Text = Type.String({ maxLength: 4000 });

export const jobFileSchema = Type.Object(
  {
    format: Type.Literal(JOB_FILE),
    savedAt: Type.String({ maxLength: 40 }),
    customer: customerSchema,
    site: siteSchema,
    unit: unitResourceSchema,
    job: Type.Object({
      id: Uuid,
      complaint: Text,
      urgent: Type.Boolean(),
      openedAt: Type.String({ maxLength: 40 }),
      technician: Type.Union([Text, Type.Null()]),
    }),
    sheet: Type.Unsafe<WrittenSheet>(sheetSchema),
    entries: Type.Unsafe<readonly StoredEntry[]>(
      Type.Array(storedEntrySchema, { minItems: 1, maxItems: MOST_ENTRIES }),
    ),
    /** One for each entry, in their order. */
    seals: Type.Array(Hash, { maxItems: MOST_ENTRIES }),
    /** Of everything else together with the last of them. */
    seal: Hash,
    /** Pictures that the entries name; those that were not at hand are missing. */
    photos: Type.Optional(
      Type.Array(
        Type.Object({
          hash: Hash,
          type: Type.String({ maxLength: 40 }),
          /** Base64. */
          data: Type.String({ maxLength: 4_000_000 }),
        }),
        { maxItems: 2000 },
      ),
    ),
  },
  { additionalProperties: false },
);
export type JobFile = Static<typeof jobFileSchema>;
export type JobFilePhoto = NonNullable<JobFile['photos']>[number];

const hash = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));

/** The same value, the same text: names in their order, at every depth. */
function plainText(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(plainText).join(',')}]`;
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? 'null';
  const fields = Object.entries(value)
    .filter(([, each]) => each !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${fields.map(([name, each]) => `${JSON.stringify(name)}:${plainText(each)}`).join(',')}}`;
}

export function sealsOf(entries: readonly StoredEntry[]): string[] {
  let before = '';
  return entries.map((entry) => (before = hash(before + plainText(entry))));
}

/** Pictures are named by their own hash already. */
function sealOf(file: Omit<JobFile, 'seal' | 'photos'>): string {
  const { format, savedAt, customer, site, unit, job, sheet, seals } = file;
  const head = { format, savedAt, customer, site, unit, job, sheet };
  return hash((seals.at(-1) ?? '') + plainText(head));
}

export interface JobToFile {
  readonly job: JobResource;
  readonly sheet: WrittenSheet;
  /** In the order of the log. */
  readonly entries: readonly StoredEntry[];
  readonly photos: readonly JobFilePhoto[];
  readonly savedAt: string;
}

export function jobFile({ job, sheet, entries, photos, savedAt }: JobToFile): JobFile {
  const { customer, site, unit, id, complaint, urgent, openedAt, technician } = job;
  const file = {
    format: JOB_FILE,
    savedAt,
    customer,
    site,
    unit,
    job: { id, complaint, urgent, openedAt, technician },
    sheet,
    entries,
    seals: sealsOf(entries),
  } as const;
  const sealed: Omit<JobFile, 'seal' | 'photos'> = { ...file, seals: [...file.seals] };
  return { ...sealed, seal: sealOf(sealed), photos: [...photos] };
}

/**
 * What is wrong with a file that has the right shape, in words; undefined for a whole one.
 * @param sheet - For naming the entry.
 */
export function tamperedIn(file: JobFile, sheet: Sheet): string | undefined {
  const { entries, seals } = file;
  const found = sealsOf(entries);
  const at = found.findIndex((seal, i) => seal !== seals[i]);
  const entry = entries[at];
  if (entry)
    return `Entry ${at + 1} of ${entries.length} is not what was written: “${entryWords(entry, sheet)}”, or one before it was left out.`;
  if (seals.length !== entries.length) return 'Entries are missing at its end.';
  return sealOf(file) === file.seal
    ? undefined
    : 'Its head was changed: customer, unit, complaint or sheet are not what was written.';
}

/** Pictures that a log names, each once. */
export const photosNamed = (entries: readonly StoredEntry[]): string[] => [
  ...new Set(
    entries.flatMap((entry): string[] => {
      if (entry.kind === 'photo') return [entry.body.hash];
      if (entry.kind === 'signed') return Object.values(entry.body.drawn ?? {});
      return [];
    }),
  ),
];
