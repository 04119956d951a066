/** Today: the visits in their order, the next one largest, and what was signed lately. */
import type { JobListItem } from '@jeitinho/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { clockTime, longDay, useNow } from '../../data/now';
import { openJobsOptions, shopOptions, signedJobsOptions } from '../../data/queries';
import { Notice } from '../../parts/notice';
import { DeskFrame } from '../../parts/desk-frame';
import { Button } from '../../parts/button';
import { NewVisit } from './new-visit';
import { Unsent } from './unsent';

export function Today() {
  const query = useInfiniteQuery(openJobsOptions());
  const lately = useQuery(signedJobsOptions());
  const shop = useQuery(shopOptions());
  const now = useNow(30_000);
  const all = query.data?.pages.flatMap(({ items }) => items) ?? [];
  const open = all.filter((job) => !isLater(job, now));
  const later = all.filter((job) => isLater(job, now));
  const signed = lately.data ?? [];
  const [first, ...rest] = open;
  return (
    <DeskFrame>
      <div className="flex items-center justify-between gap-4">
        <h1 className="m-0 text-[25px] font-bold">Today</h1>
        <NewVisit />
      </div>
      <p className="m-0 mb-5 text-soft">
        {shop.data && `${shop.data.name} · `}
        {longDay(now)} ·{' '}
        {query.isSuccess ? countWords(open.length, query.hasNextPage) : 'one moment'}
      </p>
      {query.isPending && <p className="text-soft">Fetching the visits …</p>}
      <Notice
        text={
          query.isError
            ? 'The visits cannot be fetched: the server does not answer, and this device has none kept. They appear by themselves when it is back.'
            : undefined
        }
      />
      <Unsent />
      {first && <FirstVisit job={first} />}
      {query.isSuccess && !first && (
        <p className="border-l-4 border-jade bg-jade-tint px-4 py-3">
          No visits are open. Open one for a unit with “New visit”; it appears here with its time.
        </p>
      )}
      {rest.length > 0 && (
        <ol className="m-0 mt-4 list-none p-0" aria-label="Further visits">
          {rest.map((job) => (
            <VisitRow key={job.id} job={job} />
          ))}
        </ol>
      )}
      {query.hasNextPage && (
        <p className="mt-5">
          <Button onClick={() => void query.fetchNextPage()} disabled={query.isFetchingNextPage}>
            {query.isFetchingNextPage ? 'One moment …' : 'Show more visits'}
          </Button>
        </p>
      )}
      {later.length > 0 && (
        <section className="mt-9">
          <h2 className="m-0 mb-1 text-[18px] font-bold">Later this week</h2>
          <ol className="m-0 list-none p-0" aria-label="Later visits">
            {later.map((job) => (
              <LaterRow key={job.id} job={job} />
            ))}
          </ol>
        </section>
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
    </DeskFrame>
  );
}

/** A visit of a day to come, not begun. */
function isLater({ visitAt, summary }: JobListItem, now: number): boolean {
  if (visitAt === null || (summary?.taken ?? 0) > 0) return false;
  const midnight = new Date(now);
  midnight.setHours(24, 0, 0, 0);
  return Date.parse(visitAt) >= midnight.getTime();
}

function LaterRow({ job }: { job: JobListItem }) {
  const { unit, site } = job;
  return (
    <li className="border-b border-hair">
      <Link
        to={`/jobs/${job.id}`}
        className="flex min-h-12 items-center gap-4 py-2 text-ink no-underline"
      >
        <span className="w-44 shrink-0 text-[14px] text-soft max-lg:w-24">
          {longDay(job.visitAt!)}, <span className="figure">{clockTime(job.visitAt!)}</span>
        </span>
        <span className="min-w-0 flex-1">
          {unit.label} <span className="text-soft">· {site.name}</span>
        </span>
        {!job.sheetId && <span className="text-[14px] text-marigold">▲ no sheet yet</span>}
      </Link>
    </li>
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

function FirstVisit({ job }: { job: JobListItem }) {
  const { unit, site, summary } = job;
  const begun = summary !== null && summary.stage !== 'arrive';
  return (
    <section aria-label="Next visit" className="border border-ink bg-card">
      <div className="flex items-stretch max-lg:flex-col">
        <div className="figure flex w-40 shrink-0 items-center justify-center border-r border-hair text-[44px] max-lg:w-full max-lg:justify-start max-lg:border-r-0 max-lg:px-4 max-lg:pt-3 max-lg:text-[34px]">
          {job.visitAt ? clockTime(job.visitAt) : '—'}
        </div>
        <div className="min-w-0 flex-1 px-6 py-5 max-lg:px-4 max-lg:py-3">
          <h2 className="m-0 text-[25px] leading-tight font-bold">{unit.label}</h2>
          <p className="m-0 text-soft">
            {unit.maker} {unit.model} · {site.name}, {site.address}
          </p>
          <p className="m-0 mt-3 text-[18px]">“{job.complaint}”</p>
          {job.urgent && (
            <p className="m-0 mt-2">
              <Urgent />
            </p>
          )}
          <p className="m-0 mt-2 text-[14px] text-soft">{stateWords(job)}</p>
        </div>
        <Link
          to={`/jobs/${job.id}`}
          className="flex min-h-12 items-center justify-center bg-jade px-9 text-[18px] font-semibold text-on-jade no-underline"
        >
          {begun ? 'Go on' : 'Start'}
        </Link>
      </div>
    </section>
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
          <span className="block text-[14px] text-soft">{stateWords(job)}</span>
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

function stateWords({ summary, sheetId }: JobListItem): string {
  if (!sheetId || !summary) return 'No service sheet for this model yet';
  const parts = [`${summary.stageName} next`];
  if (summary.codes.length > 0) parts.push(`code ${summary.codes.join(', ')}`);
  if (summary.taken > 0) parts.push(`${summary.taken} of ${summary.of} taken`);
  if (summary.ending) parts.push(`decided: ${lowerFirst(summary.ending)}`);
  return parts.join(' · ');
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

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
        <span className="text-[14px]">{summary!.ending ?? 'undecided'}</span>
      </Link>
    </li>
  );
}
