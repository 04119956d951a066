/** Writing an entry: the rule first, then the device's store. One transaction, so two tabs agree. */
import {
  foldJob,
  refusalOf,
  type BodyOf,
  type EntryKind,
  type LogEntry,
  type Refusal,
} from '@jeitinho/core/job';
import type { Sheet } from '@jeitinho/core/sheet';
import { v7 as uuidv7 } from 'uuid';
import { clockOffset, deviceName } from './device';
import { countedEntries, localStore, type LocalEntry, type LocalStore } from './local-store';

export interface RecordTarget {
  readonly jobId: string;
  readonly sheet: Sheet;
  readonly author: string;
}

/** @returns the refusal, or undefined once the entry is kept on the device. */
export async function recordEntry<K extends EntryKind>(
  target: RecordTarget,
  kind: K,
  body: BodyOf<K>,
  store: LocalStore = localStore,
): Promise<Refusal | undefined> {
  const { jobId, sheet, author } = target;
  return store.transaction('rw', store.entries, async () => {
    const log = countedEntries(await store.entries.where({ jobId }).toArray());
    const offset = clockOffset();
    const entry = {
      id: uuidv7(),
      kind,
      at: new Date().toISOString(),
      author,
      device: deviceName(),
      seen: log.reduce((most, { seq = 0 }) => Math.max(most, seq), 0),
      ...(offset !== 0 && { offset }),
      body,
      // Kind and body belong together by the types of the arguments.
    } as unknown as LogEntry;
    const refusal = refusalOf(sheet, foldJob(sheet, log), entry);
    if (refusal) return refusal;
    await store.entries.add({ ...entry, jobId, sendState: 'unsent' } as LocalEntry);
    return undefined;
  });
}
