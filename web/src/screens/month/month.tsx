/** Five weeks as a calendar: visits by their day, and what is to come after those that are done. */
import type { JobListItem } from '@jeitinho/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { aheadItems, dueWords, type AheadItem } from '../../data/ahead-items';
import { clockTime, localDay, useNow } from '../../data/now';
import { aheadOptions, visitsOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { Notice } from '../../parts/notice';
import { useSmallScreen } from '../../parts/small-screen';
import { dayOf, daysAfter, shortDay } from '../week/grid';

const WEEKS = 5;
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

interface MonthDay {
  readonly date: Date;
  readonly key: string;
  readonly visits: readonly JobListItem[];
  readonly ahead: readonly AheadItem[];
}

/** Monday of the week of a moment. */
export function mondayOf(at: number): Date {
  const day = dayOf(at);
  return daysAfter(day, -((day.getDay() + 6) % 7));
}

export function Month() {
  const [params, setParams] = useSearchParams();
  const now = useNow(60_000);
  const asked = Date.parse(`${params.get('of') ?? ''}T12:00:00`);
  const start = mondayOf(Number.isNaN(asked) ? now : asked);
  const end = daysAfter(start, WEEKS * 7);
  const visits = useQuery(visitsOptions(start.toISOString(), end.toISOString()));
  const ahead = useQuery(aheadOptions());
  const items = aheadItems(ahead.data ?? []);
  const today = localDay(now);
  const overdue = items.filter(({ on }) => on < today);
  const days = Array.from({ length: WEEKS * 7 }, (_, i): MonthDay => {
    const date = daysAfter(start, i);
    const key = localDay(date.getTime());
    return {
      date,
      key,
      visits: (visits.data ?? []).filter(
        ({ visitAt }) => visitAt !== null && localDay(visitAt) === key,
      ),
      ahead: items.filter(({ on }) => on === key),
    };
  });
  const small = useSmallScreen();
  const go = (weeks: number) => setParams({ of: localDay(daysAfter(start, weeks * 7).getTime()) });
  const wrong = visits.isError || ahead.isError;
  return (
    <DeskFrame wide>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <div>
          <h1 className="m-0 text-[25px] font-bold">Month</h1>
          <p className="m-0 text-soft">
            {shortDay(start)} to {shortDay(daysAfter(end, -1))} · {items.length} to come
          </p>
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <Button onClick={() => go(-WEEKS)}>Before</Button>
          <Button onClick={() => setParams({})}>This week</Button>
          <Button onClick={() => go(WEEKS)}>After</Button>
        </div>
      </div>
      <Notice
        text={
          wrong
            ? 'Not all of it can be fetched: the server does not answer. What this device has is shown.'
            : undefined
        }
      />
      {overdue.length > 0 && (
        <section
          aria-label="Overdue"
          className="mb-4 border-l-4 border-brick bg-brick-tint px-4 py-2"
        >
          <h2 className="m-0 text-[17px] font-bold text-brick">Overdue</h2>
          {overdue.map((item) => (
            <AheadLink key={item.entry} item={item} today={today} />
          ))}
        </section>
      )}
      {small ? <DayList days={days} today={today} /> : <DayGrid days={days} today={today} />}
    </DeskFrame>
  );
}

interface DaysProps {
  readonly days: readonly MonthDay[];
  readonly today: string;
}

function DayGrid({ days, today }: DaysProps) {
  return (
    <table className="w-full table-fixed border-collapse">
      <caption className="sr-only">Five weeks, Monday to Sunday</caption>
      <thead>
        <tr>
          {WEEKDAYS.map((name) => (
            <th key={name} scope="col" className="border-b border-ink px-2 py-1 text-left">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {Array.from({ length: WEEKS }, (_, week) => (
          <tr key={days[week * 7]!.key}>
            {days.slice(week * 7, week * 7 + 7).map((day) => (
              <td
                key={day.key}
                className={`h-28 border border-hair px-2 py-1 align-top ${day.key < today ? 'text-soft' : 'bg-card'} ${day.key === today ? 'border-2 border-jade' : ''}`}
              >
                <span
                  className={`figure text-[15px] ${day.key === today ? 'font-bold text-jade' : ''}`}
                >
                  {day.date.getDate()}
                  {(day.date.getDate() === 1 || day === days[0]) &&
                    ` ${shortDay(day.date).split(' ').at(-1)}`}
                  {day.key === today && <span className="sr-only"> today</span>}
                </span>
                <DayItems day={day} today={today} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function DayList({ days, today }: DaysProps) {
  const full = days.filter(
    (day) => day.key >= today && (day.visits.length > 0 || day.ahead.length > 0),
  );
  if (full.length === 0) return <p className="text-soft">Nothing in these weeks.</p>;
  return (
    <ol className="m-0 list-none p-0">
      {full.map((day) => (
        <li key={day.key} className="mb-3">
          <h2
            className={`m-0 border-b pb-1 text-[16px] font-bold ${day.key === today ? 'border-jade text-jade' : 'border-ink'}`}
          >
            {shortDay(day.date)}
            {day.key === today && ', today'}
          </h2>
          <DayItems day={day} today={today} />
        </li>
      ))}
    </ol>
  );
}

const DayItems = ({ day, today }: { readonly day: MonthDay; readonly today: string }) => (
  <>
    {day.ahead.map((item) => (
      <AheadLink key={item.entry} item={item} today={today} />
    ))}
    {day.visits.map((job) => (
      <Link
        key={job.id}
        to={`/jobs/${job.id}`}
        className="block min-h-8 truncate py-0.5 text-[14px] text-ink no-underline max-lg:min-h-11 max-lg:py-2 max-lg:text-[16px]"
      >
        <span className="figure">{clockTime(job.visitAt!)}</span>{' '}
        {job.summary?.status === 'signed' && '✓ '}
        {job.unit.label}
      </Link>
    ))}
  </>
);

interface AheadLinkProps {
  readonly item: AheadItem;
  readonly today: string;
}

/** A shape of its own beside the words: what must not be missed stands out without its colour. */
function AheadLink({ item, today }: AheadLinkProps) {
  const { what, text, on, job } = item;
  const late = on < today;
  return (
    <Link
      to={`/jobs/${job.id}/sign`}
      title={`${text}: ${job.unit.label}, ${job.site.name}`}
      className={`my-0.5 block min-h-8 border-l-4 px-1.5 py-0.5 text-[14px] leading-tight text-ink no-underline max-lg:min-h-11 max-lg:py-2 max-lg:text-[16px] ${late ? 'border-brick' : what === 'send-back' || what === 'prove' ? 'border-marigold bg-marigold-tint' : 'border-jade bg-jade-tint'}`}
    >
      {MARK[what]} <strong className="font-semibold">{text}</strong>
      <span className="block truncate text-[13px] text-soft">
        {job.unit.label}
        {late && ` · ${dueWords(on, today)}`}
      </span>
    </Link>
  );
}

const MARK: Readonly<Record<AheadItem['what'], string>> = {
  parts: '▣',
  visit: '⟳',
  'send-back': '⇤',
  prove: '?',
  other: '•',
};
