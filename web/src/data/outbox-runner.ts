/**
 * The outbox belongs to the page, not to a screen: what is unsent of any job goes out at the start, when
 * the network is back, when the page comes to the front, and every few seconds while anything waits.
 */
import { liveQuery } from 'dexie';
import { askForBackgroundSync } from './background-sync';
import { localStore } from './local-store';
import { sendAll, unsentJobs } from './outbox';
import { noteReach } from './sync-status';

const FIRST_MS = 3_000;
const LONGEST_MS = 60_000;

/** @returns how to stop it. */
export function startOutbox(): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let pause = FIRST_MS;
  let waiting = false;
  let running: Promise<void> | undefined;

  const run = () => {
    running ??= once().finally(() => (running = undefined));
  };
  async function once(): Promise<void> {
    clearTimeout(timer);
    if (!waiting) return;
    const reach = await sendAll().catch(() => 'unreachable' as const);
    noteReach(reach);
    if (reach !== 'reached') void askForBackgroundSync();
    const left = await unsentJobs().catch(() => []);
    // Longer each time in vain, also where the server has an answer and will not have it.
    pause = left.length === 0 ? FIRST_MS : Math.min(LONGEST_MS, pause * 2);
    timer = setTimeout(run, pause);
  }
  const soon = () => {
    pause = FIRST_MS;
    run();
  };
  const shown = () => {
    if (document.visibilityState === 'visible') soon();
  };

  const { entries, photos, openings } = localStore;
  const counts = () =>
    Promise.all([
      entries.where({ sendState: 'unsent' }).count(),
      photos.where({ sendState: 'unsent' }).count(),
      openings.count(),
    ]);
  // In one transaction: it is asked at every entry.
  const counted = liveQuery(async () => {
    const [written, taken, opened] = await localStore.transaction(
      'r',
      [entries, photos, openings],
      counts,
    );
    return written + taken + opened;
  }).subscribe({
    next: (count) => {
      const before = waiting;
      waiting = count > 0;
      // The screen of an open job sends what it wrote itself, at once.
      if (waiting && !before) timer = setTimeout(run, running ? pause : 500);
    },
    error: () => undefined,
  });
  window.addEventListener('online', soon);
  document.addEventListener('visibilitychange', shown);
  return () => {
    clearTimeout(timer);
    counted.unsubscribe();
    window.removeEventListener('online', soon);
    document.removeEventListener('visibilitychange', shown);
  };
}
