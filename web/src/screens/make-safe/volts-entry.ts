/**
 * A figure of volts for making safe: off the connected meter where there is one, else off the keys. With a
 * meter connected its live figure is what counts, on the function that is asked for and on these places;
 * nothing is typed or pressed past it.
 */
import {
  formatQuantity,
  METER_FUNCTIONS,
  parseEntry,
  type TypedEntry,
  type VoltsFunction,
} from '@jeitinho/core';
import type { Placement } from '@jeitinho/core/bench';
import type { Figure } from '@jeitinho/core/judge';
import { sameLeads } from '@jeitinho/core/sheet';
import { useDraft } from '../../data/draft';
import { isConnected, useMeterFeed, type Feed } from '../../data/meter/feed';
import { useStale } from '../../parts/meter/meter-digits';

export interface VoltsEntry {
  readonly text: string;
  readonly setText: (text: string) => void;
  readonly parsed: TypedEntry;
  /** A meter is connected to this job: its figure counts, and nothing is typed. */
  readonly connected: boolean;
  /** What would be kept now; undefined while there is nothing that may be. */
  readonly reading: Figure | undefined;
  /** The same as text: `0.4 V`, `OL`. */
  readonly shown: string | undefined;
  /** Why the connected meter's figure cannot be kept. */
  readonly why: string | undefined;
  /** What goes beside it into the entry. */
  readonly origin: { readonly typed: string; readonly live?: true; readonly simulated?: true };
}

export function useVoltsEntry(
  jobId: string,
  draft: string,
  fn: VoltsFunction,
  wanted: Placement,
): VoltsEntry {
  const [text, setText] = useDraft(draft);
  const feed = useMeterFeed();
  const stale = useStale();
  const connected = isConnected(feed, jobId);
  const parsed = parseEntry(text, 'V');
  const live = connected ? liveReading(feed, stale, fn, wanted) : undefined;
  const reading =
    live === undefined ? typedReading(parsed) : typeof live === 'string' ? undefined : live;
  const shown =
    reading && (reading.kind === 'overload' ? 'OL' : formatQuantity(reading.value, 'V'));
  return {
    text,
    setText,
    parsed,
    connected,
    reading,
    shown,
    why: typeof live === 'string' ? live : undefined,
    origin: connected
      ? {
          typed: `meter ${shown ?? ''}`.slice(0, 60),
          live: true,
          ...(feed.kind === 'simulated' && { simulated: true }),
        }
      : { typed: text.trim().slice(0, 60) },
  };
}

function typedReading(parsed: TypedEntry): Figure | undefined {
  if (parsed.kind === 'overload') return { kind: 'overload' };
  return parsed.kind === 'value' ? { kind: 'value', value: parsed.value } : undefined;
}

/** The live figure, or in words why there is none to keep. */
function liveReading(
  feed: Feed,
  stale: boolean,
  fn: VoltsFunction,
  wanted: Placement,
): Figure | string {
  const { line, kind, leads } = feed;
  if (kind === 'simulated' && !(leads && sameLeads(leads, wanted)))
    return 'The leads lie elsewhere.';
  if (stale || !line)
    return 'The connected meter gives no figure. Reconnect it; or disconnect it, and prove the meter that you read off.';
  if (line.fn !== fn)
    return `The meter stands on ${METER_FUNCTIONS[line.fn].words}: turn it to ${METER_FUNCTIONS[fn].words}.`;
  return line.value === null ? { kind: 'overload' } : { kind: 'value', value: line.value };
}
