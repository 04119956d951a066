/**
 * Dead is not for ever: a fan turned by wind, a second supply, a cell that recovers. Any figure of volts
 * above a limit takes the proof away, wherever it was read.
 */
import type { Figure } from '../judge/reading';
import type { MeterFunction } from '../meter/functions';
import { locate, placeName } from '../sheet/places';
import type { Sheet } from '../sheet/schema';
import type { Energy, Lost } from './energy';
import { pairAt, pairsOf } from './pairs';

/** A figure of volts, and where the leads lay as far as that is known. */
export interface VoltsSeen {
  readonly function: MeterFunction;
  readonly reading: Figure;
  readonly red?: string | undefined;
  readonly black?: string | undefined;
}

/** Whether anything is taken for dead that a figure could contradict. */
export const standsProven = ({ kind, proven }: Energy): boolean =>
  kind === 'dead' || (kind === 'not-proven' && proven.size > 0);

/**
 * What a figure takes away; undefined where it fits a dead machine. At a pair its own limit holds,
 * elsewhere the lowest of all.
 */
export function comesBack(
  sheet: Sheet,
  seen: VoltsSeen,
): Pick<Lost, 'volts' | 'limit' | 'where'> | undefined {
  if (seen.function !== 'V~' && seen.function !== 'V=') return undefined;
  const pair = pairAt(sheet, seen);
  const limits = pairsOf(sheet).map(({ deadBelow }) => deadBelow);
  const limit = pair?.deadBelow ?? Math.min(...limits);
  const volts = seen.reading.kind === 'overload' ? ('OL' as const) : Math.abs(seen.reading.value);
  if (!Number.isFinite(limit) || (volts !== 'OL' && volts < limit)) return undefined;
  return { volts, limit, where: pair?.name ?? placesOf(sheet, seen) };
}

function placesOf(sheet: Sheet, { red, black }: VoltsSeen): string {
  const name = (ref: string | undefined) => {
    const place = ref === undefined ? undefined : locate(sheet, ref);
    return place && placeName(place);
  };
  return [name(red), name(black)].filter(Boolean).join(' to ') || 'the leads';
}
