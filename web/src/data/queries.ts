/** Query options, one per resource. Without the server they answer from the device's store. */
import type { JobListItem, JobResource } from '@jeitinho/core';
import { queryOptions } from '@tanstack/react-query';
import { api, Unreachable } from './api';
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

export const jobsOptions = () =>
  queryOptions({
    queryKey: ['jobs'],
    queryFn: () =>
      orKept(
        async () => {
          const jobs = await api<JobListItem[]>('/jobs');
          await localStore.documents.put({ key: 'jobs', value: jobs });
          return jobs;
        },
        async () => (await localStore.documents.get('jobs'))?.value as JobListItem[] | undefined,
      ),
    refetchInterval: 20_000,
  });

export const jobOptions = (id: string) =>
  queryOptions({
    queryKey: ['jobs', id],
    queryFn: () =>
      orKept(
        async () => {
          const job = await api<JobResource>(`/jobs/${encodeURIComponent(id)}`);
          await localStore.jobs.put(job);
          return job;
        },
        () => localStore.jobs.get(id),
      ),
  });
