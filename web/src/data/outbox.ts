/**
 * Sending what the device wrote, and fetching what others did. One run at a time per job, across
 * tabs. Sending the same entry twice is harmless: the server knows it by its id.
 */
import type { AppendedResource, EntriesResource } from '@jeitinho/core';
import { api, ApiProblem, Unreachable } from './api';
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
      const { accepted } = await api<AppendedResource>(`/jobs/${jobId}/entries`, {
        entries: batch.map(({ id, kind, at, author, body }) => ({ id, kind, at, author, body })),
      });
      await store.transaction('rw', store.entries, async () => {
        for (const { id, seq } of accepted)
          await store.entries.update(id, { seq, sendState: 'sent' });
      });
    } catch (error) {
      if (!(error instanceof ApiProblem) || error.problem.status >= 500) throw error;
      // One entry stands in the way of the rest: set it aside with the reason, and send the rest.
      const culprit = error.problem.entry?.id ?? batch[0]!.id;
      await store.entries.update(culprit, { sendState: 'refused', refusal: error.message });
    }
  }
}

async function pull(jobId: string, store: LocalStore): Promise<void> {
  const known = await store.entries.where({ jobId }).toArray();
  const after = known.reduce((most, entry) => Math.max(most, entry.seq ?? 0), 0);
  const gap = known.filter((entry) => entry.seq !== undefined).length < after;
  const { entries } = await api<EntriesResource>(`/jobs/${jobId}/entries?after=${gap ? 0 : after}`);
  if (entries.length === 0) return;
  await store.entries.bulkPut(
    entries.map((entry) => ({ ...asStored(entry as LocalEntry), jobId, sendState: 'sent' }) as LocalEntry),
  );
}

async function exclusively<T>(name: string, work: () => Promise<T>): Promise<T> {
  if (!('locks' in navigator)) return work();
  return navigator.locks.request(name, work);
}
