/** The place where a unit stands; undefined until it is known. */
import { useQuery } from '@tanstack/react-query';
import { ask } from '../../data/api';

export const useSiteOf = (id: string) =>
  useQuery({
    queryKey: ['places', 'site', id],
    queryFn: () => ask('site', { params: { id } }),
    enabled: id !== '',
    staleTime: 60_000,
  }).data;
