/** What is still on this device only, job by job, and why. */
import { useObservable } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { Reach } from '../../data/outbox';
import { useReach } from '../../data/sync-status';
import { watchUnsent, type UnsentJob } from '../../data/unsent';

/** A fresh entry is on its way for a moment; that is not worth a word. */
const WORTH_SAYING_MS = 1_500;

const WHY: Record<Reach, string> = {
  reached: 'They are being sent.',
  unreachable:
    'The server does not answer. They are sent by themselves when it does; keep this device.',
  'no-database':
    'The server’s database is away and being started again. They are sent by themselves then; keep this device.',
  'signed-out': 'They are sent when you sign in.',
  'disk-full':
    'The server’s disk is full. Somebody must make room there; they are sent by themselves then. Keep this device.',
};

/** In short, where nothing waits. */
const AWAY: Record<Reach, string> = {
  reached: '',
  unreachable: 'The server does not answer.',
  'no-database': 'The server’s database is away and being started again.',
  'signed-out': 'Nobody is signed in here.',
  'disk-full': 'The server’s disk is full.',
};

export function Unsent() {
  const reach = useReach();
  const jobs = useObservable(watchUnsent, [], NOTHING);
  const waiting = jobs.some(({ unsent, photos }) => unsent + photos > 0);
  const shown = useLasting(jobs, waiting);
  if (shown.length === 0) {
    if (reach === 'reached') return null;
    return (
      <p role="status" className="m-0 mb-4 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
        {AWAY[reach]} What you see is as this device saw it last; all you write is kept here.
      </p>
    );
  }
  return (
    <section
      aria-label="Not sent yet"
      className="mb-5 border-l-4 border-marigold bg-marigold-tint px-4 py-3"
    >
      <h2 className="m-0 text-[18px] font-bold">Only on this device</h2>
      <p className="m-0 text-[14px]">
        {waiting
          ? WHY[reach]
          : shown.some(({ refused }) => refused > 0)
            ? 'The server would not take these. Open the job: its roll says why.'
            : 'They belong to somebody else, and wait here for them.'}
      </p>
      <ul className="m-0 mt-1 list-none p-0">
        {shown.map((job) => (
          <li key={job.jobId}>
            <Link
              to={`/jobs/${job.jobId}`}
              className="flex min-h-12 flex-wrap items-center gap-x-4 gap-y-0 py-1 text-ink no-underline"
            >
              <strong className="text-[16px] underline underline-offset-4">
                {job.label ?? 'A job not kept here'}
              </strong>
              <span>{countsOf(job)}</span>
              {job.reason !== undefined && (
                <span className="w-full text-[14px]">“{job.reason}”</span>
              )}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

const NOTHING: readonly UnsentJob[] = [];

/** Jobs with refused entries at once, with unsent ones when that has lasted. */
function useLasting(jobs: readonly UnsentJob[], waiting: boolean): readonly UnsentJob[] {
  const [late, setLate] = useState(false);
  useEffect(() => {
    if (!waiting) return;
    const timer = setTimeout(() => setLate(true), WORTH_SAYING_MS);
    return () => {
      clearTimeout(timer);
      setLate(false);
    };
  }, [waiting]);
  return late && waiting
    ? jobs
    : jobs.filter(({ refused, others }) => refused > 0 || Object.keys(others).length > 0);
}

function countsOf({ unsent, photos, refused, others }: UnsentJob): string {
  const many = (n: number, one: string, more: string) => (n === 1 ? `1 ${one}` : `${n} ${more}`);
  return [
    unsent > 0 && `${many(unsent, 'entry', 'entries')} to send`,
    photos > 0 && `${many(photos, 'picture', 'pictures')} to send`,
    ...Object.entries(others).map(
      ([name, n]) => `${many(n, 'entry', 'entries')} of ${name}, sent when they sign in here`,
    ),
    refused > 0 && `${many(refused, 'entry', 'entries')} not accepted`,
  ]
    .filter(Boolean)
    .join(' · ');
}
