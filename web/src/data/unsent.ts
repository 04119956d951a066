/** What of each job is still on this device only, and what the server would not have. */
import { liveQuery } from 'dexie';
import { namesHere } from './me-key';
import { localStore, type LocalStore } from './local-store';

export interface UnsentJob {
  readonly jobId: string;
  /** The unit it is about; undefined for a job this device has not kept. */
  readonly label: string | undefined;
  readonly unsent: number;
  readonly refused: number;
  readonly photos: number;
  /** Entries that wait for somebody else to sign in here, by name. */
  readonly others: Readonly<Record<string, number>>;
  /** Why the first refused one was refused. */
  readonly reason: string | undefined;
}

export async function unsentByJob(store: LocalStore = localStore): Promise<UnsentJob[]> {
  const [names, entries, photos, openings] = await Promise.all([
    namesHere(store),
    store.entries.where('sendState').anyOf('unsent', 'refused').toArray(),
    store.photos.where('sendState').anyOf('unsent').toArray(),
    store.openings.toArray(),
  ]);
  const ids = [
    ...new Set([
      ...openings.map(({ id }) => id),
      ...[...entries, ...photos].map(({ jobId }) => jobId),
    ]),
  ].sort();
  const jobs = await store.jobs.bulkGet(ids);
  return ids.map((jobId, i) => {
    const ofJob = entries.filter((entry) => entry.jobId === jobId);
    const foreign = ofJob.filter(
      ({ author, sendState }) => sendState === 'unsent' && names && !names.has(author),
    );
    const mine = ofJob.filter((entry) => !foreign.includes(entry));
    const opening = openings.find(({ id }) => id === jobId);
    const notOpened = opening?.refusal !== undefined;
    const refused = mine.filter((entry) => entry.sendState === 'refused');
    return {
      jobId,
      label: jobs[i]?.unit.label,
      others: countBy(foreign.map(({ author }) => author)),
      // The opening is an entry as well, and while it is refused nothing else goes.
      unsent: mine.length - refused.length + (opening && !notOpened ? 1 : 0),
      refused: refused.length + (notOpened ? 1 : 0),
      photos: photos.filter((photo) => photo.jobId === jobId).length,
      reason: opening?.refusal ?? refused[0]?.refusal,
    };
  });
}

function countBy(names: readonly string[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const name of names) counts[name] = (counts[name] ?? 0) + 1;
  return counts;
}

export const watchUnsent = () => liveQuery(() => unsentByJob());
