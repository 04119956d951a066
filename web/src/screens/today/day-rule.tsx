/** The day as a rule along its hours, with the stops on it and the line of now. */
import type { JobListItem } from '@jeitinho/core';
import { clockTime } from '../../data/now';
import { hourOf, type Day, type Stop } from './day';
import { stageWords } from './stage-words';

const ROW_PX = 84;

export interface DayRuleProps {
  readonly day: Day;
  readonly now: number;
  readonly chosen: JobListItem | undefined;
  readonly onChoose: (job: JobListItem) => void;
}

export function DayRule({ day, now, chosen, onChoose }: DayRuleProps) {
  const [first, last] = day.hours;
  const at = (hour: number) => `${((hour - first) / (last - first)) * 100}%`;
  const rows = Math.max(1, ...day.stops.map(({ row }) => row + 1));
  const hour = hourOf(now);
  const hours = Array.from({ length: last - first + 1 }, (_, i) => first + i);
  return (
    <section aria-label="The day" className="relative mx-2 mb-6 max-lg:hidden">
      <ol className="relative m-0 list-none p-0 pt-7" style={{ height: rows * ROW_PX + 28 }}>
        {day.stops.map((stop) => (
          <li
            key={stop.job.id}
            className="absolute"
            style={{
              left: at(stop.from),
              width: `calc(${at(stop.to)} - ${at(stop.from)})`,
              top: stop.row * ROW_PX + 28,
            }}
          >
            <StopMark stop={stop} chosen={stop.job === chosen} onChoose={onChoose} />
          </li>
        ))}
      </ol>
      <div className="relative h-9 border-b border-ink" aria-hidden="true">
        {hours.map((each) => (
          <span key={each} className="absolute bottom-0" style={{ left: at(each) }}>
            <span className="figure absolute bottom-4 -translate-x-1/2 text-[14px] text-soft">
              {String(each).padStart(2, '0')}
            </span>
            <span className="block h-3.5 border-l border-ink" />
          </span>
        ))}
        {hours
          .slice(0, -1)
          .flatMap((each) =>
            [0.25, 0.5, 0.75].map((part) => (
              <span
                key={each + part}
                className="absolute bottom-0 h-2 border-l border-soft"
                style={{ left: at(each + part) }}
              />
            )),
          )}
      </div>
      {hour >= first && hour <= last && (
        <div
          className="pointer-events-none absolute inset-y-0 border-l-2 border-brick"
          style={{ left: at(hour) }}
        >
          <span className="figure ml-1.5 text-[14px] font-bold text-brick">{clockTime(now)}</span>
        </div>
      )}
    </section>
  );
}

interface StopMarkProps {
  readonly stop: Stop;
  readonly chosen: boolean;
  readonly onChoose: (job: JobListItem) => void;
}

function StopMark({ stop: { job }, chosen, onChoose }: StopMarkProps) {
  const look = job.urgent
    ? 'border-2 border-marigold bg-marigold-tint'
    : 'border border-ink bg-card';
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={() => onChoose(job)}
      className={`block h-[76px] w-full cursor-pointer overflow-hidden px-2.5 py-1.5 text-left leading-tight text-ink aria-pressed:shadow-[inset_0_-6px_0_var(--jade)] ${look}`}
    >
      <strong className="block truncate text-[15px]">{job.unit.label}</strong>
      <span className="block truncate text-[13px] text-soft">{job.site.name}</span>
      <span className={`block truncate text-[13px] ${job.urgent ? 'text-marigold' : 'text-soft'}`}>
        {job.urgent ? '▲ unit down, waiting' : stageWords(job)}
      </span>
    </button>
  );
}
