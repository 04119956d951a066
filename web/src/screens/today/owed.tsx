/** What is owed besides the stops of the day: what is not done yet, and what comes. */
import type { JobListItem } from '@jeitinho/core';
import { Link } from 'react-router';
import { clockTime, longDay } from '../../data/now';
import type { Day } from './day';
import { stageWords } from './stage-words';

export function Owed({ day }: { readonly day: Day }) {
  if (day.besides.length + day.later.length + day.elsewhere.length === 0) return null;
  return (
    <section aria-label="What is owed">
      <h2 className="m-0 border-b border-ink pb-2 text-[18px] font-bold">What is owed</h2>
      <ol className="m-0 list-none p-0">
        {day.besides.map((job) => (
          <Owing key={job.id} job={job} when={job.visitAt ? shortDay(job.visitAt) : 'no hour'}>
            {stageWords(job)}
          </Owing>
        ))}
        {day.later.map((job) => (
          <Owing key={job.id} job={job} when={shortDay(job.visitAt!)}>
            {job.sheetId
              ? `${clockTime(job.visitAt!)} · ${job.site.name}`
              : '▲ no sheet for this model yet'}
          </Owing>
        ))}
        {day.elsewhere.map((job) => (
          <Owing key={job.id} job={job} when={job.visitAt ? shortDay(job.visitAt) : 'no hour'}>
            {`${job.technician!} has it`}
          </Owing>
        ))}
      </ol>
    </section>
  );
}

/** `28 Nov`. */
const shortDay = (at: string): string => longDay(at).replace(/^(\d+ \w{3})\w* \d+$/, '$1');

interface OwingProps {
  readonly job: JobListItem;
  readonly when: string;
  readonly children: string;
}

const Owing = ({ job, when, children }: OwingProps) => (
  <li className="border-b border-hair">
    <Link to={`/jobs/${job.id}`} className="flex min-h-14 gap-4 py-2 text-ink no-underline">
      <span className={`figure w-16 shrink-0 text-[15px] ${job.urgent ? 'text-marigold' : ''}`}>
        {when}
      </span>
      <span className="min-w-0">
        <strong className="block">{job.unit.label}</strong>
        <span className={`text-[14px] ${job.sheetId ? 'text-soft' : 'text-marigold'}`}>
          {children}
        </span>
      </span>
    </Link>
  </li>
);
