/**
 * Visits opened on this device while the server is away: worked on at once, and opened there before anything
 * of their log is sent. The id is made here, so that opening twice opens once.
 */
import type { JobResource, UnitFound } from '@jeitinho/core';
import { liveQuery } from 'dexie';
import { v7 as uuidv7 } from 'uuid';
import { ApiProblem, ask, Unreachable } from './api';
import { localStore, type LocalStore } from './local-store';
import { myName } from './me';
import { patiently } from './piece';

export interface NewVisitInput {
  readonly unit: UnitFound;
  readonly complaint: string;
  readonly urgent: boolean;
  /** ISO 8601, UTC. */
  readonly visitAt: string;
}

/** Open a visit: there, or for want of an answer here. @throws {ApiProblem} */
export async function openVisit(
  { unit, ...rest }: NewVisitInput,
  store: LocalStore = localStore,
): Promise<Pick<JobResource, 'id'>> {
  const opened = { id: uuidv7(), at: new Date().toISOString() };
  const body = { ...rest, id: uuidv7(), unitId: unit.id, opened };
  try {
    return await ask('openJob', { body });
  } catch (error) {
    if (!(error instanceof Unreachable)) throw error;
    const { openHere } = await patiently(() => import('./open-here'));
    return openHere(unit, { id: body.id, body, author: myName() }, store);
  }
}

/**
 * Open at the server what was opened here. @throws {ApiProblem} when it will not have it: kept with the
 * reason, and tried again later.
 */
export async function sendOpening(
  jobId: string,
  store: LocalStore = localStore,
  mine?: ReadonlySet<string>,
): Promise<void> {
  const opening = await store.openings.get(jobId);
  if (!opening) return;
  // Somebody else opened it here: it is opened under their name, when they sign in.
  if (mine && opening.author !== undefined && !mine.has(opening.author)) return;
  try {
    await store.jobs.put(await ask('openJob', { body: opening.body }));
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error;
    // It got there the last time, and the answer was lost on the way.
    if (error.problem.code !== 'id-used') {
      await store.openings.update(jobId, { refusal: error.message });
      throw error;
    }
  }
  await store.openings.delete(jobId);
}

/** Visits opened here that the server has not heard of yet. */
export const watchOpenings = () =>
  liveQuery(async () => {
    const openings = await localStore.openings.toArray();
    const jobs = await localStore.jobs.bulkGet(openings.map(({ id }) => id));
    return jobs.filter((job) => job !== undefined);
  });
