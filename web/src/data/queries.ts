/** Query options, one per resource. Without the server they answer from the device's store. */
import {
  OPEN_AT_ONCE,
  type JobListItem,
  type PlaceResource,
  type PriceRow,
  type RouteName,
  type UnitFound,
} from '@jeitinho/core';
import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query';
import {
  ask,
  askAll,
  pageAt,
  pathAsked,
  Unreachable,
  type Asked,
  type ListRoute,
  type Page,
} from './api';
import { unitsKnownHere } from './known-units';
import { localStore } from './local-store';
import { noteSession, turnNow } from './me';
import { sendOpening } from './openings';

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
const fresh = <T>(path: string, asking: () => Promise<T>) =>
  orKept(
    async () => {
      const value = await asking();
      keep(() => localStore.documents.put({ key: path, value }));
      return value;
    },
    // Kept under the path of just this question: it is what that route answered.
    async () => (await localStore.documents.get(path))?.value as T | undefined,
  );

const document = <R extends RouteName>(route: R, asked: Asked<R>) =>
  fresh(pathAsked(route, asked), () => ask(route, asked));
/** A whole list, however many pages it has. */
const list = <R extends ListRoute>(route: R, asked: Asked<R>) =>
  fresh(pathAsked(route, asked), () => askAll(route, asked));
const page = <R extends ListRoute>(route: R, path: string) =>
  fresh(`${path}#page`, () => pageAt(route, path));

const LATELY = 8;

/** Who is signed in here. What it says is noted for all that works without the server. */
export const sessionOptions = () =>
  queryOptions({
    queryKey: ['session'],
    queryFn: async () => {
      const asked = turnNow();
      const session = await ask('session', {});
      noteSession(session, asked);
      return session;
    },
    staleTime: 60_000,
    refetchInterval: 5 * 60_000,
  });

/** Work begun first, then as it is due, page by page. */
export const openJobsOptions = () =>
  infiniteQueryOptions({
    queryKey: ['jobs', { status: 'open' }],
    queryFn: ({ pageParam }) => page('jobs', pageParam),
    initialPageParam: pathAsked('jobs', { query: { status: 'open', limit: OPEN_AT_ONCE } }),
    getNextPageParam: ({ next }: Page<JobListItem>) => next,
    refetchInterval: 20_000,
  });

/** The latest signed ones, enough for a glance. */
export const signedJobsOptions = () =>
  queryOptions({
    queryKey: ['jobs', { status: 'signed' }],
    queryFn: () => document('jobs', { query: { status: 'signed', limit: LATELY } }),
    refetchInterval: 60_000,
  });

/** Units by words on their label or of their place; nothing for the first of the list. */
export const foundUnitsOptions = (words: string) =>
  queryOptions({
    queryKey: ['units', 'found', words],
    queryFn: () =>
      orKept(
        async () => (await ask('units', { query: { q: words } })) as UnitFound[],
        () => unitsKnownHere(words),
      ),
    staleTime: 30_000,
  });

/** Customers with their sites and units; by words, where some are given. Page by page without. */
export const placesOptions = (words: string) =>
  infiniteQueryOptions({
    queryKey: ['places', words],
    queryFn: ({ pageParam }) => page('places', pageParam),
    initialPageParam: pathAsked('places', { query: words === '' ? { limit: 40 } : { q: words } }),
    getNextPageParam: ({ next }: Page<PlaceResource>) => next,
    staleTime: 30_000,
  });

/** One customer with everything at their sites; under the id of a double as well. */
export const placeOptions = (customer: string) =>
  queryOptions({
    queryKey: ['places', 'of', customer],
    queryFn: () => document('places', { query: { customer } }),
  });

export const unitOptions = (id: string) =>
  queryOptions({
    queryKey: ['units', id],
    queryFn: () => document('unit', { params: { id } }),
  });

/** Visits between two moments, by their hour. */
export const visitsOptions = (from: string, to: string) =>
  queryOptions({
    queryKey: ['jobs', { from, to }],
    queryFn: () => list('jobs', { query: { from, to } }),
    refetchInterval: 30_000,
  });

/** Units that a sheet covers and that do not have it. */
export const sheetUnitsOptions = (id: string) =>
  queryOptions({
    queryKey: ['sheets', id, 'units'],
    queryFn: () => document('sheetUnits', { params: { id } }),
  });

/** Pins that visits found elsewhere than a sheet has them. */
export const sheetPinsOptions = (id: string) =>
  queryOptions({
    queryKey: ['sheets', id, 'pins'],
    queryFn: () => document('sheetPins', { params: { id } }),
  });

export const shopOptions = () =>
  queryOptions({
    queryKey: ['shop'],
    queryFn: () => document('shop', {}),
    staleTime: 300_000,
  });

export const metersOptions = () =>
  queryOptions({ queryKey: ['meters'], queryFn: () => document('meters', {}) });

export const sheetsOptions = () =>
  queryOptions({ queryKey: ['sheets'], queryFn: () => list('sheets', {}) });

/** @param revision - Undefined for the newest. */
export const sheetOptions = (id: string, revision?: number) =>
  queryOptions({
    queryKey: ['sheets', id, revision ?? 'newest'],
    queryFn: () =>
      revision === undefined
        ? document('sheet', { params: { id } })
        : document('revision', { params: { id, revision } }),
    // A revision never changes; the newest may be followed by another.
    ...(revision !== undefined && { staleTime: Infinity }),
  });

export const revisionsOptions = (id: string) =>
  queryOptions({
    queryKey: ['sheets', id, 'revisions'],
    queryFn: () => list('revisions', { params: { id } }),
  });

export const jobOptions = (id: string) =>
  queryOptions({
    queryKey: ['job', id],
    queryFn: () =>
      orKept(
        async () => {
          // Opened here, and perhaps not there yet.
          if (await localStore.openings.get(id)) await sendOpening(id).catch(() => undefined);
          if (await localStore.openings.get(id)) return (await localStore.jobs.get(id))!;
          const job = await ask('job', { params: { id } });
          keep(() => localStore.jobs.put(job));
          return job;
        },
        () => localStore.jobs.get(id),
      ),
  });

/** Substitutes of one of a sheet's parts, and how they fared; none where the sheet is not the server's. */
export const substitutesOptions = (sheet: string, part: string) =>
  queryOptions({
    queryKey: ['sheets', sheet, 'substitutes', part],
    queryFn: () => document('substitutes', { params: { id: sheet }, query: { part } }),
    retry: false,
  });

/** Jobs after which something is to come, the earliest first. */
export const aheadOptions = () =>
  queryOptions({
    queryKey: ['jobs', { ahead: 'open' }],
    queryFn: () => list('jobs', { query: { ahead: 'open' } }),
    refetchInterval: 60_000,
  });

/** The first rows of the shop's price list, or of those that some words fit. */
export const priceListOptions = (words: string, most: number) =>
  queryOptions({
    queryKey: ['price-list', words, most],
    queryFn: () => document('priceList', { query: { ...(words && { q: words }), limit: most } }),
    placeholderData: (before: readonly PriceRow[] | undefined) => before as PriceRow[] | undefined,
  });

/** The dictionary computed for a revision; null where nobody has computed it. */
export const dictionaryOptions = (id: string, revision: number) =>
  queryOptions({
    queryKey: ['sheets', id, 'dictionary', revision],
    queryFn: () => document('dictionary', { params: { id, revision } }),
  });
