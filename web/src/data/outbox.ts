/**
 * Sending what the device wrote, and fetching what others did. One run at a time per job, across
 * tabs. Sending the same entry twice is harmless: the server knows it by its id.
 */
import type { EntriesResource } from '@jeitinho/core';
import { ApiProblem, ask, Unreachable, type Away } from './api';
import { noteClockOffset } from './device';
import { namesSent } from './me-key';
import { sendOpening } from './openings';
import { sendPhotos } from './photos';
import { asStored, localStore, type LocalEntry, type LocalStore } from './local-store';

export type Reach = 'reached' | Away;

/** Entries per request; the server takes 500. */
const BATCH = 200;
/** Bytes per request; the server takes half a million, which the largest series fits. */
const BATCH_BYTES = 250_000;
/** How often an entry is tried that the server breaks on, before it is set aside. */
const MOST_TRIES = 3;
const PAUSE_MS = 400;

/**
 * @returns whether the server was reached. Whatever happens, no entry is lost: a refused one stays on
 *   the device with the reason.
 */
export async function syncJob(jobId: string, store: LocalStore = localStore): Promise<Reach> {
  return exclusively(`outbox-${jobId}`, () =>
    reaching(async () => {
      const last = await send(jobId, store);
      // Mostly the answer says that there is nothing of others to be fetched.
      if (last === undefined || !(await hasAllUpTo(last, jobId, store))) await pull(jobId, store);
      // Last: a picture on a slow line holds up no figure.
      await sendPhotos(jobId, store);
    }),
  );
}

/** Only what this device wrote, without fetching what others did: for jobs that nobody looks at. */
export async function sendJob(jobId: string, store: LocalStore = localStore): Promise<Reach> {
  return exclusively(`outbox-${jobId}`, () =>
    reaching(async () => {
      await send(jobId, store);
      await sendPhotos(jobId, store);
    }),
  );
}

/** Jobs with something that is still to be sent. */
export async function unsentJobs(store: LocalStore = localStore): Promise<string[]> {
  const [entries, photos, openings] = await Promise.all([
    store.entries.where({ sendState: 'unsent' }).toArray(),
    store.photos.where({ sendState: 'unsent' }).toArray(),
    store.openings.toCollection().primaryKeys(),
  ]);
  return [...new Set([...openings, ...[...entries, ...photos].map(({ jobId }) => jobId)])];
}

/**
 * Everything that is still to be sent, of all jobs. What stands in the way of one job holds up no other.
 * @returns where it did not get on; `reached` when it did, and when there was nothing to send.
 */
export async function sendAll(store: LocalStore = localStore): Promise<Reach> {
  for (const jobId of await unsentJobs(store)) {
    try {
      const reach = await sendJob(jobId, store);
      if (reach !== 'reached') return reach;
    } catch {
      // About that job alone: it is said there, and tried again.
    }
  }
  return 'reached';
}

async function reaching(work: () => Promise<void>): Promise<Reach> {
  try {
    await work();
    return 'reached';
  } catch (error) {
    if (error instanceof Unreachable) return error.away;
    if (error instanceof ApiProblem && error.problem.status >= 500) return 'unreachable';
    throw error;
  }
}

/** @returns the number of the server's last entry after it; undefined where nothing was taken. */
async function send(jobId: string, store: LocalStore): Promise<number | undefined> {
  let last: number | undefined;
  const mine = await namesSent(store);
  await sendOpening(jobId, store, mine);
  /** Refused while another's wait before them: they may hang on those, and wait as well. */
  const behind = new Set<string>();
  for (;;) {
    const unsent = await store.entries.where({ jobId, sendState: 'unsent' }).toArray();
    unsent.sort((a, b) => (a.id < b.id ? -1 : 1));
    const others = unsent.find(({ author }) => mine && !mine.has(author));
    const sendable = unsent.filter(
      ({ id, author }) => (!mine || mine.has(author)) && !behind.has(id),
    );
    const batch = firstBatch(sendable);
    if (batch.length === 0) return last;
    last = await sendBatch(jobId, batch, store, (id) => {
      if (!others || others.id > id) return false;
      behind.add(id);
      return true;
    });
  }
}

/** Whether as many entries with a number are here as the server has; it numbers them without gaps. */
const hasAllUpTo = async (last: number, jobId: string, store: LocalStore): Promise<boolean> =>
  (await store.entries.where({ jobId, sendState: 'sent' }).count()) === last;

function firstBatch(unsent: readonly LocalEntry[]): LocalEntry[] {
  const batch: LocalEntry[] = [];
  let bytes = 0;
  for (const entry of unsent.slice(0, BATCH)) {
    bytes += JSON.stringify(asSent(entry)).length;
    if (batch.length > 0 && bytes > BATCH_BYTES) break;
    batch.push(entry);
  }
  return batch;
}

/**
 * Send a batch. What the server will not have is set aside with its reason; the rest is sent.
 * @returns as `send` does.
 */
async function sendBatch(
  jobId: string,
  batch: readonly LocalEntry[],
  store: LocalStore,
  waits: (id: string) => boolean = () => false,
): Promise<number | undefined> {
  try {
    const { accepted, offset, last } = await ask('append', {
      params: { id: jobId },
      body: { entries: batch.map(asSent), sentAt: new Date().toISOString() },
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
    return last;
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error;
    const { entry, status } = error.problem;
    const named = entry?.id ?? (entry && batch[entry.index]?.id);
    // Not theirs whose cookie this is: it waits for whoever wrote it.
    if (error.problem.code === 'not-the-author') throw error;
    // One entry stands in the way of the rest: set it aside with the reason, and go on with the rest.
    if (named !== undefined) {
      if (error.problem.status === 409 && waits(named)) return undefined;
      return setAside(named, error.message, store);
    }
    // It is somebody else's visit: said with each, so that a lead or they can let it in.
    if (error.problem.code === 'not-yours') {
      for (const { id } of batch) await setAside(id, error.message, store);
      return undefined;
    }
    // A refusal that names none and is about the job or the server: everything waits.
    if (!ABOUT_A_BODY.has(status)) throw error;
    if (batch.length > 1) {
      const half = Math.ceil(batch.length / 2);
      await sendBatch(jobId, batch.slice(0, half), store, waits);
      return sendBatch(jobId, batch.slice(half), store, waits);
    }
    const [only] = batch as [LocalEntry];
    const tries = (only.tries ?? 0) + 1;
    if (status !== 500) return setAside(only.id, error.message, store);
    // The server breaks on it: perhaps not the next time. One that breaks on everything is away.
    if (!(await answersOtherwise())) throw error;
    if (tries >= MOST_TRIES)
      return setAside(only.id, `The server breaks on it. ${error.message}`, store);
    await store.entries.update(only.id, { tries });
    await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
    return undefined;
  }
}

const answersOtherwise = (): Promise<boolean> =>
  ask('health', {}).then(
    () => true,
    () => false,
  );

/** Once more what the server would not have: it may have been mended meanwhile. */
export async function sendAgain(jobId: string, store: LocalStore = localStore): Promise<void> {
  await store.entries
    .where({ jobId, sendState: 'refused' })
    .modify({ sendState: 'unsent', tries: 0, refusal: undefined });
}

/** Too large, not as it should be, or something in it that the server breaks on. */
const ABOUT_A_BODY: ReadonlySet<number> = new Set([400, 413, 422, 500]);

async function setAside(id: string, refusal: string, store: LocalStore): Promise<undefined> {
  await store.entries.update(id, { sendState: 'refused', refusal });
  return undefined;
}

/** What the server takes of an entry. */
function asSent({ id, kind, at, author, device, seen, presses, body }: LocalEntry) {
  return {
    id,
    kind,
    at,
    author,
    ...(device !== undefined && { device }),
    ...(seen !== undefined && { seen }),
    ...(presses !== undefined && { presses }),
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
    ({ seq }) => seq !== undefined,
  );
  const newest = numbered.reduce((most, entry) => Math.max(most, entry.seq!), 0);
  const complete = numbered.length === newest;
  const entries = await fetchAfter(jobId, complete ? Math.max(0, newest - 1) : 0);
  const same = entries.find((entry) => entry.seq === newest)?.id;
  const agrees = newest === 0 || numbered.some((e) => e.seq === newest && e.id === same);
  // What is here as it is there stays untouched: whatever is written makes every screen read the log again.
  const here = new Map(numbered.map((known) => [known.id, known]));
  const news = entries.filter((entry) => !isSame(here.get(entry.id), entry));
  if (agrees) await takeIn(jobId, news, store);
  else await reconcile(jobId, numbered, store);
}

/** An entry never changes but for its number and its clock. */
const isSame = (
  known: LocalEntry | undefined,
  { seq, offset }: EntriesResource['entries'][number],
) => known?.seq === seq && known.offset === offset && known.sendState === 'sent';

/** All entries after a number; a long log comes in parts. */
async function fetchAfter(jobId: string, after: number): Promise<EntriesResource['entries']> {
  const all: EntriesResource['entries'][number][] = [];
  for (;;) {
    const from = all.at(-1)?.seq ?? after;
    const { entries, last } = await ask('entries', {
      params: { id: jobId },
      query: { after: from },
    });
    all.push(...entries);
    if (entries.length === 0 || entries.at(-1)!.seq >= last) return all;
  }
}

async function takeIn(
  jobId: string,
  entries: EntriesResource['entries'],
  store: LocalStore,
): Promise<void> {
  if (entries.length === 0) return;
  await store.entries.bulkPut(
    entries.map(
      (entry) => ({ ...asStored(entry as LocalEntry), jobId, sendState: 'sent' }) as LocalEntry,
    ),
  );
}

async function reconcile(
  jobId: string,
  numbered: readonly LocalEntry[],
  store: LocalStore,
): Promise<void> {
  const entries = await fetchAfter(jobId, 0);
  const there = new Set(entries.map((entry) => entry.id));
  const lost = numbered.filter((entry) => !there.has(entry.id));
  await store.transaction('rw', store.entries, async () => {
    for (const entry of lost) {
      // The opening is the server's own: it has made another.
      if (entry.kind === 'opened') await store.entries.delete(entry.id);
      else await store.entries.put({ ...entry, seq: undefined, sendState: 'unsent' } as LocalEntry);
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
