/** Clocks, and proofs of dead that were lost, of every job on this device, wherever in the app somebody stands. */
import type { JobResource, Lost } from '@jeitinho/core';
import { CLOCK_KINDS, clocksOf, type RunningClock } from '@jeitinho/core/job';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { foldedLog } from './folded';
import { localStore, type LocalStore } from './local-store';

export interface JobClock extends RunningClock {
  readonly jobId: string;
  readonly unit: string;
}

/** What began longer ago than this is nobody's clock any more. */
const LATELY_MS = 36 * 3_600_000;

/** A job of this device whose machine is no longer proven dead. */
export interface LostProof extends Lost {
  readonly jobId: string;
  readonly unit: string;
}

export interface OnDevice {
  readonly clocks: readonly JobClock[];
  readonly lost: readonly LostProof[];
}

/**
 * Jobs of this device in which something was begun that runs.
 * @param now - Milliseconds since the epoch.
 */
export async function begunLately(now: number, store: LocalStore): Promise<string[]> {
  const since = new Date(now - LATELY_MS).toISOString();
  const begun = await store.entries.where('kind').anyOf(CLOCK_KINDS).toArray();
  return [...new Set(begun.filter(({ at }) => at > since).map(({ jobId }) => jobId))].sort();
}

/** What runs and what was lost in those of them that are not signed. */
export async function runningIn(
  jobs: readonly (JobResource | undefined)[],
  store: LocalStore,
): Promise<OnDevice> {
  const all = await Promise.all(
    jobs.map(async (job): Promise<OnDevice> => {
      if (!job?.sheet) return { clocks: [], lost: [] };
      const { id: jobId } = job;
      const { sheet, state } = foldedLog(job.sheet, await store.entries.where({ jobId }).toArray());
      if (state.signed) return { clocks: [], lost: [] };
      const unit = job.unit.label;
      const { lost } = state.energy;
      return {
        clocks: clocksOf(sheet, state).map((clock) => ({ ...clock, jobId, unit })),
        lost: lost ? [{ ...lost, jobId, unit }] : [],
      };
    }),
  );
  return {
    clocks: all.flatMap(({ clocks }) => clocks).sort((a, b) => a.endsAt - b.endsAt),
    lost: all.flatMap(({ lost }) => lost),
  };
}

const NOTHING: OnDevice = { clocks: [], lost: [] };

/** Read again whenever an entry is written; the jobs and their sheets only when they change. */
export function useJobsOnDevice(): OnDevice {
  // In one word: the same jobs are the same answer.
  const begun = useLiveQuery(async () => (await begunLately(Date.now(), localStore)).join(), []);
  const jobs = useLiveQuery(
    async () => (begun === undefined ? undefined : localStore.jobs.bulkGet(begun.split(','))),
    [begun],
  );
  const running = useLiveQuery(async () => jobs && runningIn(jobs, localStore), [jobs]) ?? NOTHING;
  // Most entries leave the clocks as they are: then nothing is drawn anew.
  const sign = JSON.stringify(running);
  // oxlint-disable-next-line react/exhaustive-deps
  return useMemo(() => running, [sign]);
}
