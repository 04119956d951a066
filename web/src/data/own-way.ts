/** Where somebody goes their own way in a job: a test they want next, those they put off. A choice of this device. */
import type { OwnWay } from '@jeitinho/core/diagnose';
import { useMemo, useSyncExternalStore } from 'react';
import { keepItem, keptItem } from './device';

const key = (jobId: string) => `jeitinho.own-way.${jobId}`;
const listeners = new Set<() => void>();

/** @returns an empty way for what is not there or cannot be read. */
export function parseOwnWay(
  text: string | null | undefined,
): Required<Pick<OwnWay, 'putOff'>> & OwnWay {
  try {
    const { pinned, putOff } = JSON.parse(text ?? '{}') as Record<string, unknown>;
    return {
      ...(typeof pinned === 'string' && { pinned }),
      putOff: Array.isArray(putOff) ? putOff.filter((id) => typeof id === 'string') : [],
    };
  } catch {
    return { putOff: [] };
  }
}

/** What is wanted next is no longer put off, and the other way round; said again it is taken back. */
export function turned(way: OwnWay, what: 'pin' | 'put-off', test: string): OwnWay {
  const putOff = (way.putOff ?? []).filter((id) => id !== test);
  if (what === 'pin') return way.pinned === test ? { putOff } : { putOff, pinned: test };
  const pinned = way.pinned === test ? undefined : way.pinned;
  return {
    ...(pinned !== undefined && { pinned }),
    putOff: way.putOff?.includes(test) ? putOff : [...putOff, test],
  };
}

export function useOwnWay(jobId: string) {
  const text = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => keptItem(key(jobId)),
  );
  return useMemo(() => {
    const way = parseOwnWay(text);
    return {
      way,
      turn: (what: 'pin' | 'put-off', test: string) => {
        keepItem(key(jobId), JSON.stringify(turned(way, what, test)));
        for (const listener of listeners) listener();
      },
    };
  }, [text, jobId]);
}
