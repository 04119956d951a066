/** Running clocks of every job, over any screen: what, how long still, what then. Loud at the end. */
import { durationWords } from '@jeitinho/core';
import type { BodyOf, EntryKind } from '@jeitinho/core/job';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { beep, notify, readySound, shake } from '../data/alarm';
import { myName } from '../data/me';
import { useJobsOnDevice, type JobClock } from '../data/clocks';
import { useDeviceClock } from '../data/device-clock';
import { countdown, useNow } from '../data/now';
import { recordEntry } from '../data/record';
import { localStore } from '../data/local-store';
import { say } from '../data/speech';
import { syncNow } from '../data/sync-status';
import { LOST_HEIGHT, LostProofs } from './lost-proofs';
import { Notice } from './notice';

/** A named clock that nobody answers rings again after so long, and so many times. */
const RING_AGAIN_MS = 20_000;
const MOST_RINGS = 15;
/** Ended longer ago than this when first seen, it is told without noise. */
const STALE_MS = 30 * 60_000;
/** A test mode that ended says so for a moment, then leaves. */
const WINDOW_LINGERS_MS = 20_000;

const ended = (clock: JobClock, now: number) => clock.endsAt <= now;
const shownAt = (clock: JobClock, now: number) =>
  clock.kind !== 'window' || now < clock.endsAt + WINDOW_LINGERS_MS;

export default function ClockRail() {
  const { clocks, lost } = useJobsOnDevice();
  const now = useNow(500);
  const shown = clocks.filter((clock) => shownAt(clock, now));
  useRinging(shown, now);
  const [setBy, setSetBy] = useState<number>();
  const jobs = useRef<readonly string[]>([]);
  useEffect(() => {
    jobs.current = [...new Set(clocks.map(({ jobId }) => jobId))];
  }, [clocks]);
  useDeviceClock(
    useCallback((seconds: number) => {
      if (jobs.current.length === 0) return;
      setSetBy(seconds);
      void keepWaits(jobs.current, seconds);
    }, []),
  );
  useEffect(() => {
    // Whoever presses anything has allowed sound.
    window.addEventListener('pointerdown', readySound);
    window.addEventListener('keydown', readySound);
    return () => {
      window.removeEventListener('pointerdown', readySound);
      window.removeEventListener('keydown', readySound);
    };
  }, []);
  useEffect(() => {
    const height = (shown.length > 0 ? 46 : 0) + lost.length * LOST_HEIGHT;
    document.documentElement.style.setProperty('--rail', `${height}px`);
  }, [shown.length, lost.length]);
  if (shown.length === 0 && lost.length === 0) return null;
  return (
    <>
      <LostProofs lost={lost} />
      {setBy !== undefined && (
        <Notice
          text={`This device’s clock was set by ${setBy < 0 ? '−' : '+'}${durationWords(Math.abs(setBy))}. Waiting times run on as before; measure before you trust any of them.`}
          onClose={() => setSetBy(undefined)}
        />
      )}
      {shown.length > 0 && <Rail shown={shown} now={now} />}
    </>
  );
}

function Rail({ shown, now }: { shown: readonly JobClock[]; now: number }) {
  return (
    <section
      aria-label="Clocks"
      tabIndex={0}
      className="no-print sticky top-0 z-20 flex h-[46px] items-stretch max-lg:h-11 gap-px overflow-x-auto border-b border-ink bg-hair"
    >
      {shown.map((clock) => (
        <Clock key={clock.id} clock={clock} now={now} />
      ))}
      <span className="flex-1 bg-paper" />
    </section>
  );
}

function Clock({ clock, now }: { clock: JobClock; now: number }) {
  const over = ended(clock, now);
  const stage = clock.kind === 'wait' || clock.kind === 'discharge' ? 'safe' : 'measure';
  const elsewhere = !useLocation().pathname.startsWith(`/jobs/${clock.jobId}`);
  const share = Math.min(1, (now - clock.startedAt) / (clock.endsAt - clock.startedAt));
  return (
    <div
      className={`relative flex shrink-0 items-center gap-3 px-4 max-lg:px-3 ${over ? 'bg-marigold text-paper' : 'bg-paper text-ink'}`}
    >
      <Link
        to={`/jobs/${clock.jobId}/${stage}`}
        className={`flex min-h-11 items-center gap-3 no-underline ${over ? 'text-paper' : 'text-ink'}`}
      >
        <span role="timer" className="figure text-[20px] font-semibold">
          {over ? 'over' : countdown(clock.endsAt - now)}
        </span>
        <span className="text-[14px] leading-tight">
          <strong className="block max-w-64 truncate">{clock.name}</strong>
          <span className="block max-w-64 truncate max-lg:hidden">
            {elsewhere ? clock.unit : (over ? clock.then : clock.meanwhile) || clock.unit}
          </span>
        </span>
      </Link>
      {clock.kind === 'named' && (
        <button
          type="button"
          onClick={() => void answer(clock)}
          aria-label={`${over ? 'Answer' : 'Stop'}: ${clock.name}`}
          className={`min-h-11 min-w-11 cursor-pointer underline ${over ? 'font-bold' : 'text-soft'}`}
        >
          {over ? 'OK' : 'stop'}
        </button>
      )}
      {over && (
        <span role="alert" className="sr-only">
          {clock.name} is over. {clock.then}
        </span>
      )}
      <span
        aria-hidden="true"
        className={`absolute bottom-0 left-0 h-[3px] ${over ? 'bg-paper' : 'bg-jade'}`}
        style={{ width: `${share * 100}%` }}
      />
    </div>
  );
}

const answer = (clock: JobClock) => write(clock.jobId, 'clock-stopped', { clock: clock.id });

/** An entry in a job that need not be the one on screen. */
async function write<K extends EntryKind>(jobId: string, kind: K, body: BodyOf<K>): Promise<void> {
  const job = await localStore.jobs.get(jobId);
  if (!job?.sheet) return;
  await recordEntry({ jobId, written: job.sheet, author: myName() }, kind, body);
  void syncNow(jobId);
}

/** Tells every job that waits for something. */
async function keepWaits(jobs: readonly string[], seconds: number): Promise<void> {
  for (const jobId of jobs) await write(jobId, 'clock-set', { seconds });
}

/** Rings when a clock comes to its end; a named one again until it is answered. */
function useRinging(clocks: readonly JobClock[], now: number): void {
  const rung = useRef(new Map<string, { times: number; at: number }>());
  const opened = useRef(now);
  useEffect(() => {
    for (const clock of clocks) {
      if (!ended(clock, now)) continue;
      const before = rung.current.get(clock.id);
      const again = clock.kind === 'named' && before && before.times < MOST_RINGS;
      if (before && !(again && now - before.at >= RING_AGAIN_MS)) continue;
      rung.current.set(clock.id, { times: (before?.times ?? 0) + 1, at: now });
      // What ended before this page was opened is seen by the one who opened it.
      const seen = clock.kind === 'named' ? STALE_MS : now - opened.current;
      if (!before && now - clock.endsAt > seen) continue;
      beep(3);
      shake();
      if (before) continue;
      say(`${clock.name} is over. ${clock.then}`);
      void notify(`${clock.name} is over`, `${clock.unit}. ${clock.then}`, clock.id);
    }
  }, [clocks, now]);
}
