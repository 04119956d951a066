/** The week as it is drawn: each visit in its day and hour, beside those it overlaps. */
import type { JobListItem } from '@jeitinho/core';

/** A visit on the grid. */
export interface Slot {
  readonly job: JobListItem;
  /** Which of the days shown, from 0. */
  readonly day: number;
  /** Hours of the day. */
  readonly from: number;
  readonly to: number;
  /** Which of how many side by side. */
  readonly lane: number;
  readonly lanes: number;
}

export const DAYS = 7;
/** How long a visit is drawn, hours: nobody knows it before. */
const LONG = 1.25;
const WORKDAY = [7, 18] as const;
/** Visits are moved by this, minutes. */
export const STEP_MINUTES = 15;

/** Midnight at the beginning of a moment’s day, local time. */
export function dayOf(at: number): Date {
  const day = new Date(at);
  day.setHours(0, 0, 0, 0);
  return day;
}

/** Days later, by the calendar: a day of 23 or 25 hours is one. */
export function daysAfter(start: Date, days: number): Date {
  const day = new Date(start);
  day.setDate(day.getDate() + days);
  return day;
}

const hourOf = (at: Date): number => at.getHours() + at.getMinutes() / 60;

/** The visits of the seven days from `start` on. */
export function slotsOf(jobs: readonly JobListItem[], start: Date): Slot[] {
  const days = Array.from({ length: DAYS }, (_, i) => daysAfter(start, i).toDateString());
  const placed = jobs
    .flatMap((job) => {
      const at = job.visitAt === null ? undefined : new Date(job.visitAt);
      const day = at ? days.indexOf(at.toDateString()) : -1;
      if (!at || day < 0) return [];
      const from = hourOf(at);
      return [{ job, day, from, to: Math.min(24, from + LONG) }];
    })
    .sort((a, b) => a.day - b.day || a.from - b.from || (a.job.id < b.job.id ? -1 : 1));
  return sideBySide(placed);
}

/** Visits that overlap, directly or through others, share the width of their day. */
function sideBySide(placed: readonly Omit<Slot, 'lane' | 'lanes'>[]): Slot[] {
  const slots: Slot[] = [];
  let group: (typeof placed)[number][] = [];
  const close = () => {
    const ends: number[] = [];
    const laned = group.map((each) => {
      const free = ends.findIndex((end) => end <= each.from);
      const lane = free < 0 ? ends.length : free;
      ends[lane] = each.to;
      return { ...each, lane };
    });
    slots.push(...laned.map((each) => ({ ...each, lanes: ends.length })));
    group = [];
  };
  for (const each of placed) {
    const apart = !group.some(({ day, to }) => day === each.day && to > each.from);
    if (apart) close();
    group.push(each);
  }
  close();
  return slots;
}

/** First and last hour of the grid, whole. */
export function hoursOf(slots: readonly Slot[]): readonly [from: number, to: number] {
  return [
    Math.min(WORKDAY[0], ...slots.map(({ from }) => Math.floor(from))),
    Math.max(WORKDAY[1], ...slots.map(({ to }) => Math.ceil(to))),
  ];
}

/** The moment so many days and steps from another, by the calendar and the clock on the wall. */
export function moved(at: Date, days: number, steps: number): Date {
  const to = daysAfter(at, days);
  const minutes = to.getHours() * 60 + to.getMinutes();
  // It stays within its day.
  const wanted = Math.max(0, Math.min(24 * 60 - STEP_MINUTES, minutes + steps * STEP_MINUTES));
  to.setHours(0, Math.round(wanted / STEP_MINUTES) * STEP_MINUTES, 0, 0);
  return to;
}

const NAMES = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
});

/** `Tue 1 Dec`. */
export const shortDay = (day: Date): string => NAMES.format(day).replace(',', '');
