/** What the server remembers of some words: jobs and units of any year, with a typing mistake or two. */
import { LONGEST_SEARCH } from '@jeitinho/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask } from '../../data/api';

const SHORTEST = 2;

export function useRemembered(asked: string) {
  const wanted = asked.length >= SHORTEST && asked.length <= LONGEST_SEARCH;
  const { data } = useQuery({
    queryKey: ['find', asked],
    queryFn: () => ask('find', { query: { q: asked } }),
    enabled: wanted,
    placeholderData: keepPreviousData,
    staleTime: 20_000,
    retry: false,
  });
  const found = wanted ? (data?.found ?? []) : [];
  return {
    tooLong: asked.length > LONGEST_SEARCH,
    readAs: Object.entries((wanted && data?.readAs) || {}),
    jobs: found.flatMap((each) => (each.kind === 'job' ? [each.job] : [])),
    units: found.flatMap((each) => (each.kind === 'unit' ? [each.unit] : [])),
  };
}
