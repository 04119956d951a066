/**
 * The device's own store. Entries are written here first and sent from here, so a reload or a dead
 * server loses nothing; jobs and lists are kept as they were last seen, to be read without network.
 */
import type { BodyFor, JobResource } from '@jeitinho/core';
import type { LogEntry, StoredEntry } from '@jeitinho/core/job';
import Dexie, { type EntityTable } from 'dexie';

export type SendState = 'unsent' | 'sent' | 'refused';

export type LocalEntry = LogEntry & {
  readonly jobId: string;
  /** Given by the server; absent until it has the entry. */
  readonly seq?: number;
  /** Milliseconds to the server's clock, as last known when it was written or measured as it was sent. */
  readonly offset?: number;
  readonly sendState: SendState;
  /** How often the server broke on it. */
  readonly tries?: number;
  /** Why the server would not take it; it stays here, visible and out of the reckoning. */
  readonly refusal?: string;
};

export interface LocalPhoto {
  /** SHA-256 of the bytes. */
  readonly hash: string;
  readonly jobId: string;
  readonly blob: Blob;
  readonly sendState: SendState;
}

export interface KeptDocument {
  readonly key: string;
  readonly value: unknown;
}

/** A visit that the server has not heard of. */
export interface Opening {
  /** Of the job. */
  readonly id: string;
  readonly body: BodyFor<'openJob'>;
  /** Who opened it; absent where an earlier version did. */
  readonly author?: string;
  /** Why the server would not open it. */
  readonly refusal?: string;
}

export class LocalStore extends Dexie {
  readonly entries!: EntityTable<LocalEntry, 'id'>;
  readonly jobs!: EntityTable<JobResource, 'id'>;
  readonly documents!: EntityTable<KeptDocument, 'key'>;
  readonly photos!: EntityTable<LocalPhoto, 'hash'>;
  readonly openings!: EntityTable<Opening, 'id'>;

  constructor(name = 'jeitinho') {
    super(name);
    this.version(1).stores({
      entries: 'id, jobId, [jobId+sendState]',
      jobs: 'id',
      documents: 'key',
    });
    this.version(4).stores({ openings: 'id' });
    this.version(3).stores({
      entries: 'id, jobId, kind, sendState, [jobId+sendState]',
      photos: 'hash, sendState, [jobId+sendState]',
    });
    this.version(2).stores({
      entries: 'id, jobId, kind, [jobId+sendState]',
      photos: 'hash, [jobId+sendState]',
    });
  }
}

export const localStore = new LocalStore();

/** The log as the core takes it: refused entries are left out. */
export function countedEntries(entries: readonly LocalEntry[]): StoredEntry[] {
  return entries.filter((entry) => entry.sendState !== 'refused').map(asStored);
}

export function asStored(entry: LocalEntry): StoredEntry {
  const { jobId: _job, sendState: _state, refusal: _refusal, tries: _tries, ...stored } = entry;
  return stored as StoredEntry;
}
