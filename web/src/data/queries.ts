/** Query options, one per resource. Without the server they answer from the device's store. */
import type {
  FaultDictionary,
  JobListItem,
  JobResource,
  MeterProfile,
  RevisionResource,
  Sheet,
  SheetListItem,
  ShopResource,
  UnitFound,
} from '@jeitinho/core';
import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query';
import { api, apiList, apiPage, Unreachable, type Page } from './api';
import { localStore } from './local-store';

async function orKept<T>(fresh: () => Promise<T>, kept: () => Promise<T | undefined>): Promise<T> {
  try {
    return await fresh();
  } catch (error) {
    const known = error instanceof Unreachable ? await kept() : undefined;
    if (known === undefined) throw error;
    return known;
  }
}

/** Kept for times without the server, beside the point now: showing it does not wait for the store. */
function keep(write: () => Promise<unknown>): void {
  write().catch(() => undefined);
}

/** Something by its path: fresh from the server, else as it was last seen. */
const fresh = <T>(path: string, ask: (path: string) => Promise<T>) =>
  orKept(
    async () => {
      const value = await ask(path);
      keep(() => localStore.documents.put({ key: path, value }));
      return value;
    },
    async () => (await localStore.documents.get(path))?.value as T | undefined,
  );

const document = <T>(path: string) => fresh(path, api<T>);
/** A whole list, however many pages it has. */
const list = <T>(path: string) => fresh(path, apiList<T>);
const page = <T>(path: string) => fresh(`${path}#page`, () => apiPage<T>(path));

const LATELY = 8;
/** Visits shown before more are asked for. */
const AT_ONCE = 60;

/** Work begun first, then as it is due, page by page. */
export const openJobsOptions = () =>
  infiniteQueryOptions({
    queryKey: ['jobs', { status: 'open' }],
    queryFn: ({ pageParam }) => page<JobListItem>(pageParam),
    initialPageParam: `/jobs?status=open&limit=${AT_ONCE}`,
    getNextPageParam: ({ next }: Page<JobListItem>) => next,
    refetchInterval: 20_000,
  });

/** The latest signed ones, enough for a glance. */
export const signedJobsOptions = () =>
  queryOptions({
    queryKey: ['jobs', { status: 'signed' }],
    queryFn: () => document<JobListItem[]>(`/jobs?status=signed&limit=${LATELY}`),
    refetchInterval: 60_000,
  });

/** Units by words on their label or of their place; nothing for the first of the list. */
export const foundUnitsOptions = (words: string) =>
  queryOptions({
    queryKey: ['units', 'found', words],
    queryFn: () => document<UnitFound[]>(`/units?q=${encodeURIComponent(words)}`),
    staleTime: 30_000,
  });

export const shopOptions = () =>
  queryOptions({
    queryKey: ['shop'],
    queryFn: () => document<ShopResource>('/shop'),
    staleTime: 300_000,
  });

export const metersOptions = () =>
  queryOptions({ queryKey: ['meters'], queryFn: () => document<MeterProfile[]>('/meters') });

export const sheetsOptions = () =>
  queryOptions({ queryKey: ['sheets'], queryFn: () => list<SheetListItem>('/sheets') });

/** @param revision - Undefined for the newest. */
export const sheetOptions = (id: string, revision?: number) =>
  queryOptions({
    queryKey: ['sheets', id, revision ?? 'newest'],
    queryFn: () =>
      document<Sheet>(
        `/sheets/${encodeURIComponent(id)}${revision === undefined ? '' : `/revisions/${revision}`}`,
      ),
    // A revision never changes; the newest may be followed by another.
    ...(revision !== undefined && { staleTime: Infinity }),
  });

export const revisionsOptions = (id: string) =>
  queryOptions({
    queryKey: ['sheets', id, 'revisions'],
    queryFn: () => list<RevisionResource>(`/sheets/${encodeURIComponent(id)}/revisions`),
  });

export const jobOptions = (id: string) =>
  queryOptions({
    queryKey: ['job', id],
    queryFn: () =>
      orKept(
        async () => {
          const job = await api<JobResource>(`/jobs/${encodeURIComponent(id)}`);
          keep(() => localStore.jobs.put(job));
          return job;
        },
        () => localStore.jobs.get(id),
      ),
  });

/** The dictionary computed for a revision; null where nobody has computed it. */
export const dictionaryOptions = (id: string, revision: number) =>
  queryOptions({
    queryKey: ['sheets', id, 'dictionary', revision],
    queryFn: () =>
      document<{ dictionary: FaultDictionary | null; madeAt: string | null }>(
        `/sheets/${encodeURIComponent(id)}/revisions/${revision}/dictionary`,
      ),
  });
