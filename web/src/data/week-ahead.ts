/**
 * The week's visits on the device before they are needed there: each with its sheet, its unit's history and
 * its log, fetched one at a time and only while nothing else is to do.
 */
import type { JobListItem } from '@jeitinho/core';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { ask, pathAsked } from './api';
import { PLACES_KEPT, placesKeptKey, unitsKnownHere } from './known-units';
import { localStore, type LocalStore } from './local-store';
import { syncJob } from './outbox';
import { jobOptions, sheetOptions } from './queries';

const WEEK_MS = 7 * 86_400_000;
/** The screen that was just opened comes first. */
const WAIT_MS = 3_000;
/** A hundred kinds of machines are more than a van knows. */
const MOST_SHEETS = 100;

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

/** Pictures that other devices took for a job. */
export async function fetchPictures(jobId: string, store: LocalStore = localStore): Promise<void> {
  const entries = await store.entries.where({ jobId }).toArray();
  for (const entry of entries) {
    if (entry.kind !== 'photo' || (await store.photos.get(entry.body.hash))) continue;
    const response = await fetch(`/api/v1/photos/${entry.body.hash}`);
    // Still on the other device, perhaps: it is asked for when it is looked at.
    if (!response.ok) continue;
    const { hash } = entry.body;
    await store.photos.put({ hash, jobId, blob: await response.blob(), sendState: 'sent' });
  }
}

/** The shop's units, so that a visit to one of them can be opened without the server. */
async function keepPlaces(store: LocalStore = localStore): Promise<void> {
  const value = await ask('places', { query: { limit: PLACES_KEPT } });
  await store.documents.put({ key: placesKeptKey, value });
}

/** Sheets of known units that this device does not have in any form. */
export async function sheetsNotHere(store: LocalStore = localStore): Promise<string[]> {
  const known = (await unitsKnownHere('', store, Infinity)) ?? [];
  const frozen = new Set((await store.jobs.toArray()).map(({ sheetId }) => sheetId));
  const ids = new Set(known.flatMap(({ sheetId }) => sheetId ?? []));
  const missing = [...ids].filter((id) => !frozen.has(id));
  const keys = missing.map((id) => pathAsked('sheet', { params: { id } }));
  const here = await store.documents.bulkGet(keys);
  return missing.filter((_, i) => here[i] === undefined).slice(0, MOST_SHEETS);
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
        await fetchPictures(id);
      }
      await keepPlaces();
      for (const id of await sheetsNotHere()) {
        if (!wanted) return;
        await queries.fetchQuery(sheetOptions(id));
      }
    };
    const timer = setTimeout(() => void fetchAll().catch(() => undefined), WAIT_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
    // The list is asked for every few seconds; what counts is which visits are on it.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [due, queries]);
}
