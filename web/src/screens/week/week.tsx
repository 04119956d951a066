/** Seven days from today: every visit in its day and hour, moved by hand or by keys; below, those without. */
import type { JobListItem } from '@jeitinho/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { clockTime, useNow } from '../../data/now';
import { openJobsOptions, visitsOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { LINK } from '../../parts/link';
import { DeskFrame } from '../../parts/desk-frame';
import { Notice } from '../../parts/notice';
import { useSmallScreen } from '../../parts/small-screen';
import { NewVisit } from '../today/new-visit';
import { Agenda } from './agenda';
import { DAYS, daysAfter, dayOf, shortDay, slotsOf } from './grid';
import { useMove } from './use-move';
import { VisitDialog } from './visit-dialog';
import { WeekGrid } from './week-grid';

export function Week() {
  const [params, setParams] = useSearchParams();
  const now = useNow(60_000);
  const asked = Date.parse(`${params.get('of') ?? ''}T12:00:00`);
  const start = dayOf(Number.isNaN(asked) ? now : asked);
  const options = visitsOptions(start.toISOString(), daysAfter(start, DAYS).toISOString());
  const query = useQuery(options);
  const jobs = query.data ?? [];
  const open = useInfiniteQuery(openJobsOptions());
  const hourless = (open.data?.pages.flatMap(({ items }) => items) ?? []).filter(
    ({ visitAt }) => visitAt === null,
  );
  const [chosenId, choose] = useState<string>();
  const chosen = [...jobs, ...hourless].find(({ id }) => id === chosenId);
  const { move, words, problem, undo } = useMove(options.queryKey);
  const small = useSmallScreen();
  const go = (weeks: number) =>
    setParams({ of: daysAfter(start, weeks * DAYS).toLocaleDateString('sv-SE') });
  const slots = slotsOf(jobs, start);
  return (
    <DeskFrame wide>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <div>
          <h1 className="m-0 text-[25px] font-bold">Week</h1>
          <p className="m-0 text-soft">
            {shortDay(start)} to {shortDay(daysAfter(start, DAYS - 1))} · {visitCount(slots.length)}
          </p>
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <Button onClick={() => go(-1)}>Before</Button>
          <Button onClick={() => setParams({})}>From today</Button>
          <Button onClick={() => go(1)}>After</Button>
          <Link to="/month" className={`${LINK} px-2`}>
            Month
          </Link>
          <NewVisit />
        </div>
      </div>
      <Notice
        text={
          problem ??
          (query.isError
            ? 'The week cannot be fetched: the server does not answer, and this device has none of it kept.'
            : undefined)
        }
      />
      <div className="flex min-h-11 items-center gap-3">
        <p role="status" className="m-0 text-[15px]">
          {words && `Moved · ${words}`}
        </p>
        {words && (
          <Button kind="quiet" onClick={undo}>
            Move it back
          </Button>
        )}
      </div>
      {small ? (
        <Agenda slots={slots} start={start} now={now} onOpen={(job) => choose(job.id)} />
      ) : (
        <WeekGrid
          slots={slots}
          start={start}
          now={now}
          onOpen={(job) => choose(job.id)}
          onMove={move}
        />
      )}
      <Hourless jobs={hourless} onOpen={(job) => choose(job.id)} />
      <VisitDialog
        job={chosen}
        onClose={() => choose(undefined)}
        onMove={(to) => {
          if (chosen) move({ job: chosen, to });
          choose(undefined);
        }}
      />
    </DeskFrame>
  );
}

const visitCount = (n: number): string =>
  n === 0 ? 'no visits' : n === 1 ? 'one visit' : `${n} visits`;

interface HourlessProps {
  readonly jobs: readonly JobListItem[];
  readonly onOpen: (job: JobListItem) => void;
}

function Hourless({ jobs, onOpen }: HourlessProps) {
  if (jobs.length === 0) return null;
  return (
    <section aria-label="Without an hour" className="mt-6">
      <h2 className="m-0 border-b border-ink pb-1 text-[18px] font-bold">Without an hour</h2>
      <ul className="m-0 list-none p-0">
        {jobs.map((job) => (
          <li
            key={job.id}
            className="flex flex-wrap items-center gap-x-4 border-b border-hair py-1"
          >
            <Link to={`/jobs/${job.id}`} className="inline-flex min-h-11 items-center text-ink">
              {job.unit.label}
            </Link>
            <span className="min-w-0 flex-1 text-soft">
              “{job.complaint}” · since {shortDay(new Date(job.openedAt))},{' '}
              {clockTime(job.openedAt)}
            </span>
            <Button onClick={() => onOpen(job)}>
              Give it an hour<span className="sr-only">: {job.unit.label}</span>
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
