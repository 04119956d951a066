/** Writing an entry: the rule first, then the device's store. One transaction, so two tabs agree. */
import {
  refusalOf,
  type BodyOf,
  type EntryKind,
  type LogEntry,
  type Refusal,
} from '@jeitinho/core/job';
import type { WrittenSheet } from '@jeitinho/core/sheet';
import { v7 as uuidv7 } from 'uuid';
import { clockOffset, deviceName } from './device';
import { foldedLog } from './folded';
import { localStore, type LocalEntry, type LocalStore } from './local-store';
import { presses } from './presses';

export interface RecordTarget {
  readonly jobId: string;
  readonly written: WrittenSheet;
  readonly author: string;
}

/** An entry as this device writes it now, having seen what is in the log. */
export function entryNow<K extends EntryKind>(
  { jobId, author }: RecordTarget,
  kind: K,
  body: BodyOf<K>,
  log: readonly LocalEntry[],
): LocalEntry {
  const offset = clockOffset();
  const counted = log.filter(({ sendState }) => sendState !== 'refused');
  const entry = {
    id: uuidv7(),
    kind,
    at: new Date().toISOString(),
    author,
    device: deviceName(),
    seen: counted.reduce((most, { seq = 0 }) => Math.max(most, seq), 0),
    ...presses.since(jobId),
    ...(offset !== 0 && { offset }),
    body,
    // Kind and body belong together by the types of the arguments.
  } as unknown as LogEntry;
  return { ...entry, jobId, sendState: 'unsent' };
}

/** @returns the refusal, or undefined once the entry is kept on the device. */
export const recordEntry = <K extends EntryKind>(
  target: RecordTarget,
  kind: K,
  body: BodyOf<K>,
  store: LocalStore = localStore,
): Promise<Refusal | undefined> => keep(target, (log) => entryNow(target, kind, body, log), store);

/** The same for an entry that is on the screen already. */
export const keepEntry = (
  target: RecordTarget,
  entry: LocalEntry,
  store: LocalStore = localStore,
): Promise<Refusal | undefined> => keep(target, () => entry, store);

async function keep(
  { jobId, written }: RecordTarget,
  entryAfter: (log: readonly LocalEntry[]) => LocalEntry,
  store: LocalStore,
): Promise<Refusal | undefined> {
  return store.transaction('rw', store.entries, async () => {
    const log = await store.entries.where({ jobId }).toArray();
    const entry = entryAfter(log);
    const { sheet, state } = foldedLog(written, log);
    const refusal = refusalOf(sheet, state, entry);
    if (refusal) return refusal;
    await store.entries.add(entry);
    presses.written(entry);
    return undefined;
  });
}
