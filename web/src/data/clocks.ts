/** The clocks of every job on this device, wherever in the app somebody stands. */
import { clocksOf, foldJob, type EntryKind, type RunningClock } from '@jeitinho/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { countedEntries, localStore, type LocalStore } from './local-store';

export interface JobClock extends RunningClock {
  readonly jobId: string;
  readonly unit: string;
}

const STARTS: readonly EntryKind[] = ['clock', 'window', 'safed'];
/** What began longer ago than this is nobody's clock any more. */
const LATELY_MS = 36 * 3_600_000;

/** @param now - Milliseconds since the epoch. */
export async function clocksOnDevice(now: number, store: LocalStore = localStore): Promise<JobClock[]> {
  const since = new Date(now - LATELY_MS).toISOString();
  const begun = await store.entries.where('kind').anyOf(STARTS).toArray();
  const jobs = [...new Set(begun.filter(({ at }) => at > since).map(({ jobId }) => jobId))];
  const all = await Promise.all(
    jobs.map(async (jobId): Promise<JobClock[]> => {
      const job = await store.jobs.get(jobId);
      if (!job?.sheet) return [];
      const entries = countedEntries(await store.entries.where({ jobId }).toArray());
      const state = foldJob(job.sheet, entries);
      if (state.signed) return [];
      const unit = job.unit.label;
      return clocksOf(job.sheet, state).map((clock) => ({ ...clock, jobId, unit }));
    }),
  );
  return all.flat().sort((a, b) => a.endsAt - b.endsAt);
}

/** Read again whenever an entry is written. */
export function useClocks(): readonly JobClock[] {
  return useLiveQuery(() => clocksOnDevice(Date.now()), [], []);
}
