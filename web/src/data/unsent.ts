/** What of each job is still on this device only, and what the server would not have. */
import { liveQuery } from 'dexie';
import { localStore, type LocalStore } from './local-store';

export interface UnsentJob {
  readonly jobId: string;
  /** The unit it is about; undefined for a job this device has not kept. */
  readonly label: string | undefined;
  readonly unsent: number;
  readonly refused: number;
  readonly photos: number;
  /** Why the first refused one was refused. */
  readonly reason: string | undefined;
}

export async function unsentByJob(store: LocalStore = localStore): Promise<UnsentJob[]> {
  const [entries, photos] = await Promise.all([
    store.entries.where('sendState').anyOf('unsent', 'refused').toArray(),
    store.photos.where('sendState').anyOf('unsent').toArray(),
  ]);
  const ids = [...new Set([...entries, ...photos].map(({ jobId }) => jobId))].sort();
  const jobs = await store.jobs.bulkGet(ids);
  return ids.map((jobId, i) => {
    const mine = entries.filter((entry) => entry.jobId === jobId);
    const refused = mine.filter((entry) => entry.sendState === 'refused');
    return {
      jobId,
      label: jobs[i]?.unit.label,
      unsent: mine.length - refused.length,
      refused: refused.length,
      photos: photos.filter((photo) => photo.jobId === jobId).length,
      reason: refused[0]?.refusal,
    };
  });
}

export const watchUnsent = () => liveQuery(() => unsentByJob());
