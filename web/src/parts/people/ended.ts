import { localDay, useNow } from '../../data/now';

/** Tells whether a licence is over: the day after its last, where the reader is. */
export function useEnded(): (until: string | null) => boolean {
  const today = localDay(useNow(60_000));
  return (until) => until !== null && until < today;
}
