/**
 * Notices when somebody sets the device's own clock. The browser's monotonic counter does not follow the
 * wall clock: where the two part, either the clock was set or the device slept. Back in time is never
 * sleep. Forward may be: then the server's clock decides, and without it nothing is claimed.
 */
import { useEffect } from 'react';

const EVERY_MS = 1000;
/** Smaller steps are the network setting the clock right, or the whole seconds of a Date header. */
const LEAST_MS = 5_000;
export interface Moment {
  readonly wall: number;
  readonly steady: number;
  /** Server time less the wall clock, ms; undefined while unknown. */
  readonly offset?: number | undefined;
}

/**
 * @param ask - Server time less the wall clock now; undefined where it does not answer.
 * @returns by how many ms the clock was set since `before`; 0 where it was not, or nobody can tell.
 */
export async function clockSetBy(
  before: Moment,
  now: { readonly wall: number; readonly steady: number },
  ask: () => Promise<number | undefined>,
): Promise<number> {
  const parted = now.wall - before.wall - (now.steady - before.steady);
  if (Math.abs(parted) < LEAST_MS) return 0;
  if (parted < 0) return parted;
  const offset = await ask();
  if (offset === undefined || before.offset === undefined) return 0;
  const set = before.offset - offset;
  return Math.abs(set) < LEAST_MS ? 0 : set;
}

/** Server time less this device's, from the Date header of an answer. */
export async function serverOffset(): Promise<number | undefined> {
  try {
    const response = await fetch('/health', { cache: 'no-store' });
    const date = response.headers.get('date');
    return date === null ? undefined : Date.parse(date) - Date.now();
  } catch {
    return undefined;
  }
}

/**
 * One tab of the browser watches, so that a clock set once is noted once: a tab in the background runs
 * late and would notice the same change again.
 * @param onSet - Called with the seconds by which the clock was set.
 */
export function useDeviceClock(onSet: (seconds: number) => void): void {
  useEffect(() => {
    const ended = new AbortController();
    void alone('device-clock', ended.signal, () => watch(onSet, ended.signal));
    return () => ended.abort();
  }, [onSet]);
}

/** Runs when no other tab runs the same, until the signal; without locks it runs at once. */
async function alone(name: string, signal: AbortSignal, work: () => Promise<void>): Promise<void> {
  const locks = globalThis.navigator?.locks;
  // Given up while it still waited for its turn: nothing to do.
  if (locks) await locks.request(name, { signal }, work).catch(() => undefined);
  else await work();
}

function watch(onSet: (seconds: number) => void, signal: AbortSignal): Promise<void> {
  return new Promise((done) => {
    let asking = false;
    const read = () => ({ wall: Date.now(), steady: performance.now() });
    let last: Moment = read();
    void serverOffset().then((offset) => (last = { ...last, offset }));
    const tick = async () => {
      const now = read();
      const parted = now.wall - last.wall - (now.steady - last.steady);
      if (Math.abs(parted) < LEAST_MS || asking) {
        if (!asking) last = { ...last, ...now };
        return;
      }
      asking = true;
      const by = await clockSetBy(last, now, serverOffset);
      const offset = await serverOffset();
      last = { ...read(), offset: offset ?? last.offset };
      asking = false;
      if (!signal.aborted && by !== 0) onSet(Math.round(by / 1000));
    };
    const timer = setInterval(() => void tick(), EVERY_MS);
    signal.addEventListener('abort', () => {
      clearInterval(timer);
      done();
    });
  });
}
