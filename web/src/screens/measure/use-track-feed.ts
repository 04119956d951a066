/** The connected meter writes a series: a figure at every beat, for as long as it is fresh and fits. */
import {
  OVER_OHMS,
  sameFunction,
  secondsOf,
  type MeterFunction,
  type SeriesExpectation,
} from '@jeitinho/core';
import { useEffect, useRef, useState } from 'react';
import { beep, readySound } from '../../data/alarm';
import { isStale, meterFeed, useMeterFeed } from '../../data/meter/feed';

/** Figures of a whole series, about; and how near to each other they come, ms. */
const FIGURES = 120;
const QUICKEST_MS = 250;
const SLOWEST_MS = 5000;

/** How often a series of so many seconds wants a figure, ms. */
export const beatOf = (seconds: number): number =>
  seconds === 0
    ? QUICKEST_MS
    : Math.min(SLOWEST_MS, Math.max(QUICKEST_MS, (1000 * seconds) / FIGURES));

export interface TrackFeed {
  /** Whether a meter on the right function is there to write. */
  readonly ready: boolean;
  readonly on: boolean;
  readonly setOn: (on: boolean) => void;
}

/**
 * @param ended - Whether the series is long enough: it stops by itself then.
 * @param add - Keeps a figure, stamped now.
 */
export function useTrackFeed(
  expect: SeriesExpectation,
  fn: MeterFunction,
  ended: boolean,
  add: (value: number) => void,
): TrackFeed {
  const feed = useMeterFeed();
  const [wantedOn, setWantedOn] = useState(false);
  const { line } = feed;
  const ready =
    feed.status === 'on' &&
    line !== undefined &&
    sameFunction(line.fn, fn) &&
    !line.flags.includes('fuse');
  const on = wantedOn && feed.status !== 'off';
  const latest = useRef({ add, ended });
  useEffect(() => {
    latest.current = { add, ended };
  });
  const beat = beatOf(secondsOf(expect));
  useEffect(() => {
    if (!on) return undefined;
    const timer = setInterval(() => {
      const now = Date.now();
      if (latest.current.ended) {
        beep();
        setWantedOn(false);
        return;
      }
      const figure = freshFigure(fn, now);
      if (figure !== undefined) latest.current.add(figure);
    }, beat);
    return () => clearInterval(timer);
  }, [on, beat, fn]);
  return {
    ready,
    on,
    setOn: (next) => {
      readySound();
      setWantedOn(next);
    },
  };
}

/** What the meter shows now; undefined where it is stale, on another function, or shows nothing. */
function freshFigure(fn: MeterFunction, now: number): number | undefined {
  const feed = meterFeed();
  const { line } = feed;
  if (!line || isStale(feed, now) || !sameFunction(line.fn, fn) || line.flags.includes('fuse'))
    return undefined;
  // A series holds figures only; on ohms an open circuit is as telling as any.
  if (line.value === null) return fn === 'ohm' || fn === 'continuity' ? OVER_OHMS : undefined;
  return line.value;
}
