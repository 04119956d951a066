/** The week on a phone: day by day, one visit below the other. */
import type { JobListItem } from '@jeitinho/core';
import { clockTime } from '../../data/now';
import { DAYS, daysAfter, shortDay, type Slot } from './grid';

export interface AgendaProps {
  readonly slots: readonly Slot[];
  readonly start: Date;
  readonly now: number;
  readonly onOpen: (job: JobListItem) => void;
}

export function Agenda({ slots, start, now, onOpen }: AgendaProps) {
  const today = new Date(now).toDateString();
  return (
    <ol className="m-0 list-none p-0">
      {Array.from({ length: DAYS }, (_, day) => {
        const date = daysAfter(start, day);
        const its = slots.filter((slot) => slot.day === day);
        const isToday = date.toDateString() === today;
        return (
          <li key={day} className="mb-3">
            <h2
              className={`m-0 border-b pb-1 text-[16px] font-bold ${isToday ? 'border-jade text-jade' : 'border-ink'}`}
            >
              {shortDay(date)}
              {isToday && ', today'}
            </h2>
            {its.length === 0 && <p className="m-0 py-1 text-[14px] text-soft">nothing</p>}
            {its.map(({ job }) => (
              <button
                key={job.id}
                type="button"
                onClick={() => onOpen(job)}
                className="flex min-h-14 w-full cursor-pointer items-center gap-4 border-b border-hair py-1.5 text-left"
              >
                <span className="figure w-14 shrink-0 text-[18px]">{clockTime(job.visitAt!)}</span>
                <span className="min-w-0">
                  <strong className="block">
                    {job.unit.label}
                    {job.urgent && <span className="text-marigold"> ▲</span>}
                  </strong>
                  <span className="text-[14px] text-soft">
                    {job.site.name}
                    {job.technician && ` · ${job.technician}`}
                  </span>
                </span>
              </button>
            ))}
          </li>
        );
      })}
    </ol>
  );
}
