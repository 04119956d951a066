/** Today: the day along its hours, the stop in hand, what is owed, and what was signed lately. */
import type { JobListItem } from '@jeitinho/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useObservable } from 'dexie-react-hooks';
import { useState } from 'react';
import { Link } from 'react-router';
import { clockTime, longDay, useNow } from '../../data/now';
import { watchOpenings } from '../../data/openings';
import { useMyName } from '../../data/me';
import { openJobsOptions, shopOptions, signedJobsOptions } from '../../data/queries';
import { useWeekAhead } from '../../data/week-ahead';
import { Notice } from '../../parts/notice';
import { DeskFrame } from '../../parts/desk-frame';
import { Button } from '../../parts/button';
import { AheadOfVisits } from './ahead';
import { dayOfVisits, nextStop } from './day';
import { DayRule } from './day-rule';
import { KeptHere } from './kept-here';
import { NewVisit } from './new-visit';
import { Owed } from './owed';
import { stageWords } from './stage-words';
import { StopInHand } from './stop-in-hand';
import { Unsent } from './unsent';

const NONE: readonly JobListItem[] = [];

export function Today() {
  const query = useInfiniteQuery(openJobsOptions());
  const lately = useQuery(signedJobsOptions());
  const shop = useQuery(shopOptions());
  const now = useNow(30_000);
  const listed = query.data?.pages.flatMap(({ items }) => items) ?? [];
  // Opened on this device while the server was away: nobody else knows of them yet.
  const openedHere = useObservable(watchOpenings, [], NONE);
  const all = [...openedHere.filter(({ id }) => !listed.some((job) => job.id === id)), ...listed];
  useWeekAhead(listed, now);
  const day = dayOfVisits(all, now, useMyName());
  const [chosenId, choose] = useState<string>();
  const chosen = all.find(({ id }) => id === chosenId) ?? nextStop(day, now);
  const open = all.length - day.later.length - day.elsewhere.length;
  const further = [...day.stops.map(({ job }) => job), ...day.besides].filter(
    (job) => job !== chosen,
  );
  const signed = lately.data ?? [];
  return (
    <DeskFrame wide>
      <div className="mb-3 flex items-center justify-between gap-4">
        <div>
          <h1 className="m-0 text-[25px] font-bold">Today</h1>
          <p className="m-0 text-soft">
            {shop.data && `${shop.data.name} · `}
            {longDay(now)} · {query.isSuccess ? countWords(open, query.hasNextPage) : 'one moment'}
          </p>
        </div>
        <NewVisit />
      </div>
      {query.isPending && <p className="text-soft">Fetching the visits …</p>}
      <Notice
        text={
          query.isError
            ? 'The visits cannot be fetched: the server does not answer, and this device has none kept. They appear by themselves when it is back.'
            : undefined
        }
      />
      <Unsent />
      {day.stops.length > 0 && (
        <DayRule day={day} now={now} chosen={chosen} onChoose={({ id }) => choose(id)} />
      )}
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,20rem)] gap-x-10 gap-y-8 max-lg:grid-cols-1">
        <div>
          {chosen && <StopInHand key={chosen.id} job={chosen} />}
          {query.isSuccess && !chosen && (
            <p className="m-0 border-l-4 border-jade bg-jade-tint px-4 py-3">
              No visits are open. Open one for a unit with “New visit”; it appears here with its
              time.
            </p>
          )}
          {further.length > 0 && (
            <ol className="m-0 mt-6 list-none border-t border-hair p-0" aria-label="Further visits">
              {further.map((job) => (
                <VisitRow key={job.id} job={job} />
              ))}
            </ol>
          )}
        </div>
        <div>
          <AheadOfVisits now={now} />
          <Owed day={day} />
        </div>
      </div>
      {query.hasNextPage && (
        <p className="mt-5">
          <Button onClick={() => void query.fetchNextPage()} disabled={query.isFetchingNextPage}>
            {query.isFetchingNextPage ? 'One moment …' : 'Show more visits'}
          </Button>
        </p>
      )}
      {signed.length > 0 && (
        <section className="mt-9">
          <h2 className="m-0 mb-1 text-[18px] font-bold">Signed lately</h2>
          <ol className="m-0 list-none p-0">
            {signed.map((job) => (
              <SignedRow key={job.id} job={job} />
            ))}
          </ol>
        </section>
      )}
      <KeptHere />
    </DeskFrame>
  );
}

function countWords(n: number, more: boolean): string {
  if (more) return `more than ${n} visits open`;
  return n === 1 ? 'one visit open' : `${n} visits open`;
}

function Urgent() {
  return (
    <span className="bg-marigold-tint px-2 py-0.5 text-[14px] font-semibold text-marigold">
      ▲ unit down, waiting
    </span>
  );
}

function VisitRow({ job }: { job: JobListItem }) {
  const { unit, site } = job;
  return (
    <li className="border-b border-hair">
      <Link
        to={`/jobs/${job.id}`}
        className="flex min-h-[76px] items-center gap-5 py-3 text-ink no-underline max-lg:gap-3"
      >
        <span className="figure w-[84px] shrink-0 text-[22px] max-lg:w-[62px] max-lg:text-[18px]">
          {job.visitAt ? clockTime(job.visitAt) : '—'}
        </span>
        <span className="min-w-0 flex-1">
          <strong className="text-[18px]">{unit.label}</strong>{' '}
          <span className="text-soft">
            {unit.maker} {unit.model} · {site.name}
          </span>
          <span className="block">“{job.complaint}”</span>
          <span className="block text-[14px] text-soft">{stageWords(job)}</span>
          {job.urgent && (
            <span className="mt-1 inline-block lg:hidden">
              <Urgent />
            </span>
          )}
        </span>
        {job.urgent && (
          <span className="max-lg:hidden">
            <Urgent />
          </span>
        )}
      </Link>
    </li>
  );
}

function SignedRow({ job }: { job: JobListItem }) {
  const { summary, unit, site } = job;
  return (
    <li className="border-b border-hair">
      <Link
        to={`/jobs/${job.id}/sign`}
        className="flex min-h-12 items-center gap-4 py-2 text-ink no-underline"
      >
        <span className="w-36 shrink-0 text-[14px] text-soft max-lg:w-24">
          {longDay(summary!.signedAt!)}
        </span>
        <span className="min-w-0 flex-1">
          {unit.label} <span className="text-soft">· {site.name}</span>
        </span>
        <span className="text-[14px]">
          {summary!.awaitsSecond
            ? '▲ waits for a second signature'
            : (summary!.ending ?? 'undecided')}
        </span>
      </Link>
    </li>
  );
}
