/** Days across, hours down. A visit is taken by the pointer or by the space bar, and put down elsewhere. */
import type { JobListItem } from '@jeitinho/core';
import { useRef } from 'react';
import { clockTime } from '../../data/now';
import { DAYS, daysAfter, hoursOf, shortDay, STEP_MINUTES, type Slot } from './grid';
import { useLift, type Lifted } from './use-lift';
import { moveWords, type Move } from './use-move';

const HOUR_PX = 46;
const STEP_PX = (HOUR_PX * STEP_MINUTES) / 60;

export interface WeekGridProps {
  readonly slots: readonly Slot[];
  readonly start: Date;
  readonly now: number;
  readonly onOpen: (job: JobListItem) => void;
  readonly onMove: (move: Move) => void;
}

export function WeekGrid({ slots, start, now, onOpen, onMove }: WeekGridProps) {
  const [first, last] = hoursOf(slots);
  const area = useRef<HTMLDivElement>(null);
  const { lifted, handlersOf, isPress } = useLift({
    sizes: () => ({ day: (area.current?.clientWidth ?? DAYS) / DAYS, step: STEP_PX }),
    onMove,
  });
  const hours = Array.from({ length: last - first }, (_, i) => first + i);
  const today = new Date(now);
  return (
    <>
      <div className="grid grid-cols-[3.5rem_repeat(7,minmax(0,1fr))] border-b border-ink">
        <span />
        {Array.from({ length: DAYS }, (_, day) => {
          const date = daysAfter(start, day);
          const isToday = date.toDateString() === today.toDateString();
          return (
            <h2
              key={day}
              className={`m-0 border-l border-hair px-2 pb-1 text-[15px] font-bold ${isToday ? 'border-b-4 border-b-jade text-jade' : ''}`}
            >
              {shortDay(date)}
            </h2>
          );
        })}
      </div>
      <div className="grid grid-cols-[3.5rem_minmax(0,1fr)]">
        <div aria-hidden="true" className="figure text-[13px] text-soft">
          {hours.map((hour) => (
            <div key={hour} style={{ height: HOUR_PX }}>
              {String(hour).padStart(2, '0')}:00
            </div>
          ))}
        </div>
        <div
          ref={area}
          className="relative border-b border-hair"
          style={{
            height: hours.length * HOUR_PX,
            backgroundImage: `repeating-linear-gradient(to bottom, var(--hair) 0 1px, transparent 1px ${HOUR_PX}px), repeating-linear-gradient(to right, var(--hair) 0 1px, transparent 1px calc(100% / ${DAYS}))`,
          }}
        >
          <NowLine start={start} now={today} first={first} last={last} />
          {slots.map((slot) => (
            <Card
              key={slot.job.id}
              slot={slot}
              first={first}
              lifted={lifted?.job.id === slot.job.id ? lifted : undefined}
              handlers={handlersOf(slot)}
              onOpen={() => isPress() && onOpen(slot.job)}
            />
          ))}
        </div>
      </div>
      <p id="week-move" className="sr-only">
        Space takes the visit up. Left and right move it a day, up and down a quarter of an hour.
        Space puts it down, Escape leaves it where it was.
      </p>
      <p role="status" className="sr-only">
        {lifted && moveWords(lifted)}
      </p>
    </>
  );
}

interface CardProps {
  readonly slot: Slot;
  readonly first: number;
  /** Where it would come to lie, while it is taken up. */
  readonly lifted: Lifted | undefined;
  readonly handlers: ReturnType<ReturnType<typeof useLift>['handlersOf']>;
  readonly onOpen: () => void;
}

function Card({ slot, first, lifted, handlers, onOpen }: CardProps) {
  const { job, day, from, to, lane, lanes } = slot;
  const signed = job.summary?.status === 'signed';
  const width = 100 / DAYS / lanes;
  const waits = job.urgent && !signed;
  const shift = lifted && {
    transform: `translate(${lifted.days * 100 * lanes}%, ${lifted.steps * STEP_PX}px)`,
  };
  return (
    <button
      type="button"
      aria-describedby={signed ? undefined : 'week-move'}
      {...(!signed && handlers)}
      onClick={onOpen}
      style={{
        left: `calc(${(day * 100) / DAYS + lane * width}% + 2px)`,
        width: `calc(${width}% - 4px)`,
        top: (from - first) * HOUR_PX + 1,
        height: (to - from) * HOUR_PX - 2,
        ...shift,
      }}
      className={`absolute min-h-11 cursor-pointer touch-none overflow-hidden border px-1.5 py-0.5 text-left text-[14px] leading-tight ${
        signed
          ? 'border-hair bg-paper text-soft'
          : waits
            ? 'border-marigold bg-marigold-tint'
            : 'border-ink bg-card'
      } ${lifted ? 'z-20 border-2 border-jade' : ''}`}
    >
      <span className={`figure ${lifted ? 'font-bold text-jade' : ''}`}>
        {lifted
          ? `${shortDay(lifted.to).slice(0, 3)} ${clockTime(lifted.to.getTime())}`
          : clockTime(job.visitAt!)}
      </span>
      <strong className="block truncate">
        {waits && '▲ '}
        {signed && '✓ '}
        {job.unit.label}
      </strong>
      <span className="block truncate text-[13px] text-soft">
        {job.technician ?? job.site.name}
      </span>
    </button>
  );
}

interface NowLineProps {
  readonly start: Date;
  readonly now: Date;
  readonly first: number;
  readonly last: number;
}

function NowLine({ start, now, first, last }: NowLineProps) {
  const day = Array.from({ length: DAYS }, (_, i) => daysAfter(start, i).toDateString()).indexOf(
    now.toDateString(),
  );
  const hour = now.getHours() + now.getMinutes() / 60;
  if (day < 0 || hour < first || hour > last) return null;
  return (
    <span
      aria-hidden="true"
      className="absolute h-0.5 bg-jade"
      style={{
        left: `${(day * 100) / DAYS}%`,
        width: `${100 / DAYS}%`,
        top: (hour - first) * HOUR_PX,
      }}
    />
  );
}
