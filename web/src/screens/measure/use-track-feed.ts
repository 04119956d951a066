/** The connected meter writes a series: a figure at every beat, for as long as it is fresh and fits. */
import { sameFunction, spoiledBy, type MeterFunction } from '@jeitinho/core';
import { OVER_OHMS, secondsOf, type SeriesExpectation } from '@jeitinho/core/judge';
import { useEffect, useRef, useState } from 'react';
import { beep, readySound } from '../../data/alarm';
import { isStale, meterFeed, touching, useMeterFeed } from '../../data/meter/feed';

/** Figures of a whole series, about; and how near to each other they come, ms. */
const FIGURES = 120;
const QUICKEST_MS = 250;
const SLOWEST_MS = 5000;
/** What a meter takes to show what its leads touch. */
const SETTLES_MS = 1200;

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
  const fits =
    feed.status === 'on' &&
    line !== undefined &&
    touching(feed) &&
    sameFunction(line.fn, fn) &&
    spoiledBy(line) === undefined;
  // A display creeps to its figure when the leads touch: that is the meter's doing, not the machine's.
  const [settled, setSettled] = useState(false);
  useEffect(() => {
    if (!fits) return undefined;
    const timer = setTimeout(() => setSettled(true), SETTLES_MS);
    return () => {
      clearTimeout(timer);
      setSettled(false);
    };
  }, [fits]);
  const ready = fits && settled;
  const on = wantedOn && feed.status !== 'off';
  const latest = useRef({ add, ended, ready });
  useEffect(() => {
    latest.current = { add, ended, ready };
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
      const figure = latest.current.ready ? freshFigure(fn, now) : undefined;
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
  if (!line || isStale(feed, now) || !sameFunction(line.fn, fn) || spoiledBy(line))
    return undefined;
  // A series holds figures only; on ohms an open circuit is as telling as any.
  if (line.value === null) return fn === 'ohm' || fn === 'continuity' ? OVER_OHMS : undefined;
  return line.value;
}
