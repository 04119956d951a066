/**
 * The meter in use: one port at a time, its lines put together, what it shows now, and whether that is
 * still fresh. Outside React, so that it lives while screens come and go.
 */
import { isReading, METER_FUNCTIONS, MeterLines, type MeterLine } from '@jeitinho/core';
import type { Face, Placement } from '@jeitinho/core/bench';
import { useSyncExternalStore } from 'react';
import type { MeterPort } from './port';

export type FeedStatus = 'off' | 'connecting' | 'on' | 'lost';

/** Told by the simulated meter beside its readings. */
export type BenchEvent =
  | { readonly event: 'hazard'; readonly kind: string; readonly text: string }
  | { readonly event: 'look'; readonly test: string; readonly answer: string }
  | { readonly event: 'face'; readonly face: Face; readonly dark: boolean }
  | { readonly event: 'trouble'; readonly text: string }
  | { readonly event: 'fuse'; readonly whole: boolean };

export interface Feed {
  readonly status: FeedStatus;
  readonly kind: MeterPort['kind'] | undefined;
  readonly name: string;
  /** Why it is lost, or could not be connected. */
  readonly trouble: string | undefined;
  /** The newest reading, and when it came, ms of this device. */
  readonly line: MeterLine | undefined;
  readonly at: number;
  /** Lines passed over: noise, or out of order. */
  readonly bad: number;
  readonly hazard: string | undefined;
  readonly fuseBlown: boolean;
  readonly looks: Readonly<Record<string, string>>;
  /** Of the simulated machine, once it was looked at. */
  readonly face?: Face | 'dark';
  /** Where the simulated leads lie; undefined in the air, and for a real meter. */
  readonly leads: Placement | undefined;
  /** When the simulated leads were last moved, ms of this device: what comes right after was on its way. */
  readonly movedAt: number;
  /** Which job its simulated machine belongs to. */
  readonly job: string | undefined;
}

const OFF: Feed = {
  status: 'off',
  kind: undefined,
  name: '',
  trouble: undefined,
  line: undefined,
  at: 0,
  bad: 0,
  hazard: undefined,
  fuseBlown: false,
  looks: {},
  leads: undefined,
  movedAt: 0,
  job: undefined,
};

/** Without a line for so long, the figure is no longer the meter's. */
export const STALE_MS = 1500;
/** The screen follows a fast meter at this pace; auto-hold sees every line. */
const SHOWN_EVERY_MS = 100;
const AGAIN_MS = 1500;

let feed = OFF;
let port: MeterPort | undefined;
let lines = new MeterLines();
let timer: ReturnType<typeof setTimeout> | undefined;
let retry: ReturnType<typeof setTimeout> | undefined;
const watchers = new Set<() => void>();
const takers = new Set<(line: MeterLine) => void>();

function set(next: Partial<Feed>, now = true): void {
  feed = { ...feed, ...next };
  if (now) return tell();
  timer ??= setTimeout(tell, SHOWN_EVERY_MS);
}

function tell(): void {
  clearTimeout(timer);
  timer = undefined;
  for (const watcher of watchers) watcher();
}

export const meterFeed = (): Feed => feed;

export const useMeterFeed = (): Feed =>
  useSyncExternalStore((watcher) => {
    watchers.add(watcher);
    return () => watchers.delete(watcher);
  }, meterFeed);

/** Every line as it comes. @returns what ends it. */
export function onMeterLine(taker: (line: MeterLine) => void): () => void {
  takers.add(taker);
  return () => takers.delete(taker);
}

export const isStale = ({ status, line, at }: Feed, now: number): boolean =>
  status !== 'on' || line === undefined || now - at > STALE_MS;

/** Of the simulated meter it is known whether its leads lie anywhere; of a real one its hands know. */
export const touching = ({ kind, leads }: Feed): boolean =>
  kind !== 'simulated' ||
  (leads !== undefined &&
    (leads.red !== undefined || METER_FUNCTIONS[leads.function].placing === 'none'));

/** A simulated meter belongs to its own job; a real one to whatever is in hand. */
export const isConnected = ({ status, kind, job }: Feed, jobId: string): boolean =>
  status !== 'off' && (kind !== 'simulated' || job === jobId);

/** Take this port in use; the one before is let go: two meters at once would mix their figures. */
export async function connectMeter(next: MeterPort, job?: string): Promise<void> {
  await disconnectMeter();
  port = next;
  await open(next, job);
}

async function open(next: MeterPort, job: string | undefined): Promise<void> {
  lines = new MeterLines();
  // The hands did not move while the line was down.
  const { leads } = feed.job === job ? feed : OFF;
  set({ ...OFF, status: 'connecting', kind: next.kind, name: next.name, job, leads });
  try {
    await next.open({
      piece: (text) => port === next && take(text),
      closed: (why, again) => port === next && lost(next, why, again, job),
    });
    if (port !== next) return void next.close();
    set({ status: 'on', trouble: undefined });
    // Where they lie by now: they may have been moved before anybody was there to be told.
    if (feed.leads) placeLeads(feed.leads);
  } catch (error) {
    if (port === next) set({ status: 'lost', trouble: (error as Error).message });
  }
}

function lost(own: MeterPort, trouble: string, again: boolean, job: string | undefined): void {
  set({ status: 'lost', trouble, line: undefined });
  if (again) retry = setTimeout(() => port === own && void open(own, job), AGAIN_MS);
}

export function reconnectMeter(): void {
  clearTimeout(retry);
  if (port) void open(port, feed.job);
}

export async function disconnectMeter(): Promise<void> {
  clearTimeout(retry);
  const own = port;
  port = undefined;
  await own?.close();
  set(OFF);
}

/** Hands on the simulated meter: its fuse, and what else is looked at. */
export function handOn(message: object): void {
  port?.send?.(message);
}

/** Put the simulated leads somewhere, with the dial where it says. */
export function placeLeads(placement: Placement): void {
  // The figure of the old place must not pass for the new one's.
  set({
    leads: placement,
    movedAt: Date.now(),
    line: undefined,
    hazard: undefined,
    trouble: undefined,
  });
  handOn({ do: 'place', at: Date.now(), placement });
}

export function liftLeads(): void {
  set({ leads: undefined, line: undefined, trouble: undefined });
  handOn({ do: 'lift' });
}

export const dismissHazard = (): void => set({ hazard: undefined });

function take(text: string): void {
  for (const found of lines.feed(text)) {
    if (isReading(found)) {
      set({ line: found, at: Date.now() }, false);
      for (const taker of takers) taker(found);
      continue;
    }
    const event = eventOf(found.bad);
    if (!event) set({ bad: feed.bad + 1 }, false);
    else if (event.event === 'hazard')
      set({ hazard: event.text, line: undefined, leads: undefined });
    else if (event.event === 'fuse') set({ fuseBlown: !event.whole });
    else if (event.event === 'face') set({ face: event.dark ? 'dark' : event.face });
    else if (event.event === 'look') set({ looks: { ...feed.looks, [event.test]: event.answer } });
    else set({ trouble: event.text, line: undefined });
  }
}

/** Only the simulated meter speaks of anything but readings. */
function eventOf(text: string): BenchEvent | undefined {
  if (feed.kind !== 'simulated' || !text.startsWith('{"event":')) return undefined;
  try {
    return JSON.parse(text) as BenchEvent;
  } catch {
    return undefined;
  }
}
