/** Keeps one job in step with the server while it is on screen, and says how that goes. */
import { useEffect, useState, useSyncExternalStore } from 'react';
import { askForBackgroundSync } from './background-sync';
import { syncJob, type Reach } from './outbox';

// Short: what another device saw of the machine must reach the hands on this one.
const EVERY_MS = 4_000;
const RETRY_MS = 3_000;

let reach: Reach = 'reached';
const listeners = new Set<() => void>();

/** When the server last answered, ms; while it does, it is now. */
let lastReached: number | undefined;

function setReach(next: Reach): void {
  if (next === 'reached') lastReached = Date.now();
  if (next === reach) return;
  reach = next;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether the server answered the last time it was asked. */
export function useReach(): Reach {
  return useSyncExternalStore(subscribe, () => reach);
}

/** Since when it has not; undefined where it never did since the page was opened. */
export const awaySince = (): number | undefined => lastReached;

/** Noted wherever the server was asked, so that every screen says the same. */
export const noteReach = setReach;

/** Send and fetch now; never throws, the status tells. */
export async function syncNow(jobId: string): Promise<Reach> {
  const result = await syncJob(jobId).catch((): Reach => 'unreachable');
  setReach(result);
  if (result !== 'reached') void askForBackgroundSync();
  return result;
}

/**
 * While mounted: at once, then regularly, sooner while the server is away, and on coming back.
 * @returns whether the first asking is over, whatever came of it.
 */
export function useSync(jobId: string): boolean {
  const [asked, setAsked] = useState(false);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    let mounted = true;
    const run = async () => {
      clearTimeout(timer);
      const result = await syncNow(jobId);
      clearTimeout(timer);
      if (!mounted) return;
      setAsked(true);
      timer = setTimeout(run, result === 'reached' ? EVERY_MS : RETRY_MS);
    };
    const soon = () => {
      if (document.visibilityState === 'visible') void run();
    };
    void run();
    window.addEventListener('online', soon);
    document.addEventListener('visibilitychange', soon);
    return () => {
      mounted = false;
      clearTimeout(timer);
      window.removeEventListener('online', soon);
      document.removeEventListener('visibilitychange', soon);
    };
  }, [jobId]);
  return asked;
}
