/**
 * The week's visits on the device before they are needed there: each with its sheet, its unit's history and
 * its log, fetched one at a time and only while nothing else is to do.
 */
import type { JobListItem } from '@jeitinho/core';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { localStore, type LocalStore } from './local-store';
import { syncJob } from './outbox';
import { jobOptions } from './queries';

const WEEK_MS = 7 * 86_400_000;
/** The screen that was just opened comes first. */
const WAIT_MS = 3_000;

/** Begun, without an hour, of days that are gone, or within a week. */
export const dueSoon = (jobs: readonly JobListItem[], now: number): JobListItem[] =>
  jobs.filter(({ visitAt }) => visitAt === null || Date.parse(visitAt) < now + WEEK_MS);

/** Those that this device does not have yet; a job keeps the sheet it was opened with. */
export async function notYetHere(
  jobs: readonly JobListItem[],
  store: LocalStore = localStore,
): Promise<string[]> {
  const ids = jobs.map(({ id }) => id);
  const here = await store.jobs.bulkGet(ids);
  return ids.filter((_, i) => here[i] === undefined || here[i].sheet === null);
}

export function useWeekAhead(jobs: readonly JobListItem[], now: number): void {
  const queries = useQueryClient();
  const due = dueSoon(jobs, now)
    .map(({ id }) => id)
    .join(' ');
  useEffect(() => {
    if (due === '') return undefined;
    let wanted = true;
    const fetchAll = async () => {
      const ids = new Set(due.split(' '));
      const missing = await notYetHere(jobs.filter(({ id }) => ids.has(id)));
      for (const id of missing) {
        if (!wanted) return;
        await queries.fetchQuery(jobOptions(id));
        await syncJob(id);
      }
    };
    const timer = setTimeout(() => void fetchAll().catch(() => undefined), WAIT_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
    // The list is asked for every few seconds; what counts is which visits are on it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [due, queries]);
}
