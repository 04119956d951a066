/** Moving a visit: shown at once, taken back where the server will not have it, and undone by a press. */
import type { JobListItem } from '@jeitinho/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../data/api';
import { clockTime } from '../../data/now';
import { shortDay } from './grid';

export interface Move {
  readonly job: JobListItem;
  readonly to: Date | null;
}

export function useMove(list: readonly unknown[]) {
  const queries = useQueryClient();
  const [last, setLast] = useState<Move>();
  const put = (id: string, visitAt: string | null) =>
    queries.setQueryData<JobListItem[]>(list, (jobs) =>
      jobs?.map((job) => (job.id === id ? { ...job, visitAt } : job)),
    );
  const moving = useMutation({
    networkMode: 'always',
    mutationFn: ({ job, to }: Move) =>
      ask('planJob', { params: { id: job.id }, body: { visitAt: to?.toISOString() ?? null } }),
    onMutate: ({ job, to }) => {
      put(job.id, to?.toISOString() ?? null);
      setLast({ job, to });
    },
    onError: (_, { job }) => {
      put(job.id, job.visitAt);
      setLast(undefined);
    },
    onSettled: () => queries.invalidateQueries({ queryKey: ['jobs'] }),
  });
  const undo = () => {
    if (!last) return;
    const { job } = last;
    moving.mutate({
      job: { ...job, visitAt: last.to?.toISOString() ?? null },
      to: job.visitAt === null ? null : new Date(job.visitAt),
    });
  };
  return {
    move: moving.mutate,
    /** What was moved where; undefined before anything was. */
    words: last && moveWords(last),
    problem: moving.isError ? `Not moved: ${moving.error.message}` : undefined,
    undo,
  };
}

export const moveWords = ({ job, to }: Move): string =>
  to
    ? `${job.unit.label}: ${shortDay(to)}, ${clockTime(to.getTime())}`
    : `${job.unit.label}: no hour`;
