/** The present moment, re-read at an interval: clocks are computed from it and never count ticks. */
import { useEffect, useState } from 'react';

export function useNow(everyMs = 1000): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}

/** The moment at which this was last drawn anew: when something changed, and when `endsAt` has passed. */
export function useMomentOf(change: unknown, endsAt: number | undefined): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const look = () => setNow(Date.now());
    const soon = setTimeout(look);
    const later = endsAt === undefined ? undefined : setTimeout(look, endsAt - Date.now() + 50);
    return () => {
      clearTimeout(soon);
      clearTimeout(later);
    };
  }, [change, endsAt]);
  return now;
}

const two = (n: number) => String(n).padStart(2, '0');

/** `10:42`, local time. */
export function clockTime(at: string | number): string {
  const time = new Date(at);
  return `${two(time.getHours())}:${two(time.getMinutes())}`;
}

/** `2026-11-28`, by the calendar here. */
export function localDay(at: string | number): string {
  const time = new Date(at);
  return [time.getFullYear(), two(time.getMonth() + 1), two(time.getDate())].join('-');
}

/** `4:05`, minutes and seconds, never below zero; rounded up so that 0:00 means over. */
export function countdown(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  return `${Math.floor(seconds / 60)}:${two(seconds % 60)}`;
}

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** `11 August 2026`. */
export function longDay(at: string | number): string {
  return DAY.format(new Date(at));
}

const SHORT_DAY = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
});
const DAY_MS = 86_400_000;

/** `today 10:42`, `yesterday 02:30`, `tomorrow 02:30`, else `11 Aug 2026 10:42`; local time. */
export function momentWords(at: string | number, now = Date.now()): string {
  const day = localDay(at);
  const near = (
    [
      ['yesterday', -DAY_MS],
      ['today', 0],
      ['tomorrow', DAY_MS],
    ] as const
  ).find(([, ms]) => localDay(now + ms) === day);
  return `${near?.[0] ?? SHORT_DAY.format(new Date(at))} ${clockTime(at)}`;
}
