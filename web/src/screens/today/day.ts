/** The day as it is drawn: the stops along its hours, and what else waits. */
import type { JobListItem } from '@jeitinho/core';

/** A stop on the rule: where it begins and ends, hours of the day, and in which row it lies. */
export interface Stop {
  readonly job: JobListItem;
  readonly from: number;
  readonly to: number;
  readonly row: number;
}

export interface Day {
  readonly stops: readonly Stop[];
  /** First and last hour of the rule, whole. */
  readonly hours: readonly [from: number, to: number];
  /** Open, and not of this day’s hours: without an hour, or of a day that is gone. */
  readonly besides: readonly JobListItem[];
  /** Of days to come, and not begun. */
  readonly later: readonly JobListItem[];
  /** Handed to others. */
  readonly elsewhere: readonly JobListItem[];
}

/** How long a stop is drawn where nothing is known of its length, and at least, hours. */
const USUAL = 1.25;
const LEAST = 0.75;
const WORKDAY = [7, 18] as const;

export const hourOf = (at: string | number): number => {
  const time = new Date(at);
  return time.getHours() + time.getMinutes() / 60;
};

const dayOf = (at: string | number): string => new Date(at).toDateString();

/** @param technician - Whose day it is; visits that are nobody’s are theirs as well. */
export function dayOfVisits(all: readonly JobListItem[], now: number, technician?: string): Day {
  const isMine = (job: JobListItem) =>
    !job.technician || !technician || job.technician === technician;
  const jobs = all.filter(isMine);
  const elsewhere = all.filter((job) => !isMine(job));
  const today = jobs.filter(({ visitAt }) => visitAt !== null && dayOf(visitAt) === dayOf(now));
  const later = jobs.filter(
    (job) => !today.includes(job) && isToCome(job, now) && (job.summary?.taken ?? 0) === 0,
  );
  const besides = jobs.filter((job) => !today.includes(job) && !later.includes(job));
  const stops = inRows(today);
  const from = Math.min(WORKDAY[0], ...stops.map((stop) => Math.floor(stop.from)));
  const to = Math.max(WORKDAY[1], ...stops.map((stop) => Math.ceil(stop.to)));
  return { stops, hours: [from, to], besides, later, elsewhere };
}

const isToCome = ({ visitAt }: JobListItem, now: number): boolean =>
  visitAt !== null && Date.parse(visitAt) > now;

/** One after the other in a row; what overlaps lies in the next. */
function inRows(jobs: readonly JobListItem[]): Stop[] {
  const sorted = jobs
    .map((job) => ({ job, from: hourOf(job.visitAt!) }))
    .sort((a, b) => a.from - b.from);
  const ends: number[] = [];
  return sorted.map(({ job, from }, i) => {
    const next = sorted.slice(i + 1).find((other) => other.from > from)?.from ?? Infinity;
    const to = from + Math.min(USUAL, Math.max(LEAST, next - from - 0.1));
    const free = ends.findIndex((end) => end <= from);
    const row = free < 0 ? ends.length : free;
    ends[row] = to;
    return { job, from, to, row };
  });
}

/** Who waits with a unit down goes first, then whoever is next by the clock and not yet past. */
export function nextStop(day: Day, now: number): JobListItem | undefined {
  const all = [...day.stops.map(({ job }) => job), ...day.besides];
  const hour = hourOf(now);
  return all.find(({ urgent }) => urgent) ?? day.stops.find(({ to }) => to >= hour)?.job ?? all[0];
}
