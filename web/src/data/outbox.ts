/**
 * Sending what the device wrote, and fetching what others did. One run at a time per job, across
 * tabs. Sending the same entry twice is harmless: the server knows it by its id.
 */
import type { AppendedResource, EntriesResource } from '@jeitinho/core';
import { api, ApiProblem, Unreachable } from './api';
import { noteClockOffset } from './device';
import { sendPhotos } from './photos';
import { asStored, localStore, type LocalEntry, type LocalStore } from './local-store';

export type Reach = 'reached' | 'unreachable';

/** Entries per request; the server takes 500. */
const BATCH = 200;

/**
 * @returns whether the server was reached. Whatever happens, no entry is lost: a refused one stays on
 *   the device with the reason.
 */
export async function syncJob(jobId: string, store: LocalStore = localStore): Promise<Reach> {
  return exclusively(`outbox-${jobId}`, async () => {
    try {
      await send(jobId, store);
      await pull(jobId, store);
      // Last: a picture on a slow line holds up no figure.
      await sendPhotos(jobId, store);
      return 'reached';
    } catch (error) {
      if (error instanceof Unreachable) return 'unreachable';
      if (error instanceof ApiProblem && error.problem.status >= 500) return 'unreachable';
      throw error;
    }
  });
}

async function send(jobId: string, store: LocalStore): Promise<void> {
  for (;;) {
    const unsent = await store.entries.where({ jobId, sendState: 'unsent' }).toArray();
    const batch = unsent.sort((a, b) => (a.id < b.id ? -1 : 1)).slice(0, BATCH);
    if (batch.length === 0) return;
    try {
      const { accepted, offset = 0 } = await api<AppendedResource>(`/jobs/${jobId}/entries`, {
        entries: batch.map(asSent),
        sentAt: new Date().toISOString(),
      });
      noteClockOffset(offset);
      await store.transaction('rw', store.entries, async () => {
        for (const { id, seq } of accepted)
          await store.entries.update(id, {
            seq,
            sendState: 'sent',
            offset: offset === 0 ? undefined : offset,
          });
      });
    } catch (error) {
      // One entry stands in the way of the rest: set it aside with the reason, and send the rest.
      // A refusal that names none is about the job or the server; everything waits.
      if (!(error instanceof ApiProblem) || error.problem.entry?.id === undefined) throw error;
      await store.entries.update(error.problem.entry.id, { sendState: 'refused', refusal: error.message });
    }
  }
}

/** What the server takes of an entry. */
function asSent({ id, kind, at, author, device, seen, body }: LocalEntry) {
  return {
    id,
    kind,
    at,
    author,
    ...(device !== undefined && { device }),
    ...(seen !== undefined && { seen }),
    body,
  };
}

/**
 * Fetch what the server has beyond what is known here. The last known entry is asked for again: if the
 * server has another in its place, or none, it was set back (a restored backup, a fresh data folder),
 * and what it lost is sent once more.
 */
async function pull(jobId: string, store: LocalStore): Promise<void> {
  const numbered = (await store.entries.where({ jobId }).toArray()).filter(
    (entry) => entry.seq !== undefined,
  );
  const newest = numbered.reduce((most, entry) => Math.max(most, entry.seq!), 0);
  const complete = numbered.length === newest;
  const { entries } = await fetchAfter(jobId, complete ? Math.max(0, newest - 1) : 0);
  const same = entries.find((entry) => entry.seq === newest)?.id;
  const agrees = newest === 0 || numbered.some((e) => e.seq === newest && e.id === same);
  if (agrees) await takeIn(jobId, entries, store);
  else await reconcile(jobId, numbered, store);
}

const fetchAfter = (jobId: string, after: number) =>
  api<EntriesResource>(`/jobs/${jobId}/entries?after=${after}`);

async function takeIn(
  jobId: string,
  entries: EntriesResource['entries'],
  store: LocalStore,
): Promise<void> {
  await store.entries.bulkPut(
    entries.map(
      (entry) =>
        ({ ...asStored(entry as LocalEntry), jobId, sendState: 'sent' }) as LocalEntry,
    ),
  );
}

async function reconcile(
  jobId: string,
  numbered: readonly LocalEntry[],
  store: LocalStore,
): Promise<void> {
  const { entries } = await fetchAfter(jobId, 0);
  const there = new Set(entries.map((entry) => entry.id));
  const lost = numbered.filter((entry) => !there.has(entry.id));
  await store.transaction('rw', store.entries, async () => {
    for (const entry of lost) {
      // The opening is the server's own: it has made another.
      if (entry.kind === 'opened') await store.entries.delete(entry.id);
      else
        await store.entries.put({ ...entry, seq: undefined, sendState: 'unsent' } as LocalEntry);
    }
    await takeIn(jobId, entries, store);
  });
  // A server that lost entries has lost their pictures as well; those it has it knows by their hash.
  await store.photos.where({ jobId, sendState: 'sent' }).modify({ sendState: 'unsent' });
  await send(jobId, store);
}

async function exclusively<T>(name: string, work: () => Promise<T>): Promise<T> {
  // Absent on pages without a secure context; a double send is harmless all the same.
  const locks = globalThis.navigator?.locks;
  return locks ? locks.request(name, work) : work();
}
