/** The connected meter at the placement in hand: what Enter would keep, and what auto-hold takes. */
import { formatQuantity, sameFunction, spoiledBy, type MeterLine, type Unit } from '@jeitinho/core';
import type { Placement } from '@jeitinho/core/bench';
import { isSeries } from '@jeitinho/core/judge';
import { functionOf, expectOf, type MeasureTest, type TestPoint } from '@jeitinho/core/sheet';
import { beep } from '../../data/alarm';
import { touching, useMeterFeed } from '../../data/meter/feed';
import { useAutoHold, useHoldChoice } from '../../data/meter/hold';
import { useStale } from '../../parts/meter/meter-digits';
import { useJob } from '../job/job-context';

export interface MeterInHand {
  readonly wanted: Placement | undefined;
  readonly hold: ReturnType<typeof useAutoHold>['state'];
  /** The figure that Enter keeps; undefined where none is fresh, or the dial is wrong. */
  readonly offered: MeterLine | undefined;
  /** @returns whether it was kept. */
  readonly keep: (line: MeterLine) => Promise<boolean>;
}

export interface MeterPlace {
  readonly test: MeasureTest;
  readonly point: TestPoint;
  /** The black probe lies on the other place that does as well. */
  readonly or?: true | undefined;
  /** Auto-hold takes nothing: a refusal, a dialog, a figure half typed, or taken already. */
  readonly closed: boolean;
  readonly onKept: (line: MeterLine) => void;
}

export function useMeter(observable: string, place: MeterPlace | undefined): MeterInHand {
  const { record } = useJob();
  const feed = useMeterFeed();
  const choice = useHoldChoice();
  const stale = useStale();
  const fn = place && functionOf(place.test, place.point);
  const write = async (line: MeterLine, settled: boolean): Promise<boolean> => {
    if (!place || !fn || !sameFunction(line.fn, fn)) return false;
    const figure = line.value === null ? 'OL' : formatQuantity(line.value, line.unit as Unit);
    const kept = await record('reading', {
      test: place.test.id,
      point: place.point.id,
      function: fn,
      reading: line.value === null ? { kind: 'overload' } : { kind: 'value', value: line.value },
      typed: `meter ${figure}${settled ? '' : ', not settled'}`,
      ...(feed.kind === 'simulated' && { simulated: true }),
      ...(place.or && { or: true }),
    });
    if (kept) place.onKept(line);
    return kept;
  };
  const taking =
    choice.on &&
    place !== undefined &&
    !place.closed &&
    !isSeries(expectOf(place.test, place.point));
  const hold = useAutoHold(
    observable,
    place?.test.settle ?? 0,
    taking
      ? (line) => {
          if (!fn || !sameFunction(line.fn, fn)) return;
          beep();
          void write(line, true);
        }
      : undefined,
  );
  const keep = (line: MeterLine): Promise<boolean> => {
    hold.taken(line);
    return write(line, line.value === null || line.flags.includes('stable'));
  };
  const { line } = feed;
  const fits =
    line !== undefined && fn !== undefined && !stale && touching(feed) && sameFunction(line.fn, fn);
  return {
    wanted: place && placementOf(place, observable),
    hold: hold.state,
    offered: fits && spoiledBy(line) === undefined ? line : undefined,
    keep,
  };
}

/** Where the card wants the leads, the dial and the machine. */
export function placementOf(
  { test, point }: Pick<MeterPlace, 'test' | 'point'>,
  observable: string,
): Placement {
  return {
    function: functionOf(test, point),
    ...(point.red !== undefined && { red: point.red }),
    ...(point.black !== undefined && { black: point.black }),
    ...(point.phase !== undefined && { phase: point.phase }),
    state: test.state,
    observable,
  };
}
