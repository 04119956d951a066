/** The time of day, and whether everything written is kept and sent. */
import { useEffect, useState } from 'react';
import { clockTime, useNow } from '../../data/now';
import type { Reach } from '../../data/outbox';
import { awaySince, useReach } from '../../data/sync-status';
import { useEntriesHere, useKeeping } from './job-context';

/** The time of day; what runs down has its own clock in the rail. */
export function JobClock() {
  return <span className="figure text-[18px]">{clockTime(useNow())}</span>;
}

/** A server that answers and cannot store anything. */
const AWAY: Partial<Record<Reach, string>> = {
  'no-database': 'database away',
  'disk-full': 'server’s disk full',
  'signed-out': 'not signed in',
};

/** How long a fresh entry may be on its way before it is worth a word. */
const WORTH_SAYING_MS = 1500;

export function SavedState() {
  const entries = useEntriesHere();
  const keeping = useKeeping();
  const reach = useReach();
  const unsent = entries.filter((entry) => entry.sendState === 'unsent').length;
  const refused = entries.filter((entry) => entry.sendState === 'refused').length;
  const slow = useLater(unsent > 0, WORTH_SAYING_MS);
  const why = AWAY[reach];
  const since = awaySince();
  const text = keeping
    ? 'keeping …'
    : unsent > 0 && (slow || reach !== 'reached')
      ? `kept here, ${unsent} to send${why ? `: ${why}` : ''}`
      : reach !== 'reached'
        ? `all kept here, ${why ?? 'away'}${since === undefined ? '' : ` since ${clockTime(since)}`}`
        : refused > 0
          ? `${refused} not accepted, see roll`
          : 'all kept';
  return (
    <span
      role="status"
      aria-busy={keeping}
      className="text-[14px] whitespace-nowrap text-soft max-lg:block max-lg:max-w-32 max-lg:text-right max-lg:text-[13px] max-lg:leading-tight max-lg:whitespace-normal"
    >
      {text}
    </span>
  );
}

/** True once `on` has lasted for the given time. */
function useLater(on: boolean, afterMs: number): boolean {
  const [late, setLate] = useState(false);
  useEffect(() => {
    if (!on) return;
    const timer = setTimeout(() => setLate(true), afterMs);
    return () => {
      clearTimeout(timer);
      setLate(false);
    };
  }, [on, afterMs]);
  return on && late;
}
