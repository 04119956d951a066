/** What to do next to prove a machine dead, and how far it has come. */
import { METER_FUNCTIONS } from '../meter/functions';
import type { Sheet } from '../sheet/schema';
import { formatQuantity } from '../units/format';
import { latestOf, openProof, passedUnder, waitUntil, type Energy, type Lost } from './energy';
import { provingOf, type Pair, type VoltsFunction } from './pairs';

export type NextSafe =
  /** The sheet cannot prove it: `message` says what mends that. */
  | { readonly kind: 'sheet'; readonly message: string }
  | { readonly kind: 'isolate' }
  /** The wait of a store runs: a figure now corrects the forecast, and proves nothing. */
  | { readonly kind: 'wait'; readonly pair: Pair; readonly until: number }
  | { readonly kind: 'meter'; readonly function: VoltsFunction; readonly again: boolean }
  | { readonly kind: 'pair'; readonly pair: Pair }
  | { readonly kind: 'done' };

/**
 * @param now - This device's time, ms; without it nothing is taken to have grown old, and no wait to run.
 */
export function nextSafe(sheet: Sheet, energy: Energy, now?: number): NextSafe {
  const { pairs, gap } = provingOf(sheet);
  if (energy.kind === 'dead') return { kind: 'done' };
  if (energy.kind === 'live' || !energy.isolated) return { kind: 'isolate' };
  if (gap !== undefined) return { kind: 'sheet', message: gap };
  const open = pairs.filter(({ id }) => !energy.proven.has(id));
  const first = open[0];
  if (!first) return { kind: 'isolate' };
  const fn = first.function;
  // The pairs of one stretch on one function are bracketed by one proof before and one after.
  const turn = open.findIndex((each) => each.function !== fn);
  const run = turn < 0 ? open : open.slice(0, turn);
  const proof =
    now === undefined
      ? energy.proofs[fn]
      : openProof(energy, fn, { at: '', time: now, device: energy.proofs[fn]?.device });
  const wanting = run.find(({ id }) => !passedUnder(energy, id, proof));
  if (!wanting) return { kind: 'meter', function: fn, again: true };
  const until = waitUntil(wanting, energy);
  if (now !== undefined && wanting.waitMinutes > 0 && until !== undefined && until > now)
    // What was measured so far is closed before the wait, or the proof before it would grow old.
    return run.some(({ id }) => passedUnder(energy, id, proof))
      ? { kind: 'meter', function: fn, again: true }
      : { kind: 'wait', pair: wanting, until };
  // What still reads too high is watched until it has fallen: such a figure needs no proof of the meter.
  const high = latestOf(energy, wanting.id);
  return proof || (high && high.judgement.verdict !== 'in')
    ? { kind: 'pair', pair: wanting }
    : { kind: 'meter', function: fn, again: false };
}

/** `Dead is not proven: 1 of 4 pairs. Next: L to frame on AC volts, below 25 V.` */
export function notDeadWords(sheet: Sheet, energy: Energy): string {
  const next = nextSafe(sheet, energy);
  const { pairs } = provingOf(sheet);
  const count = `${energy.proven.size} of ${pairs.length} pairs`;
  if (energy.kind === 'live')
    return 'The unit is LIVE. Isolate it, lock it, and prove every pair dead first.';
  switch (next.kind) {
    case 'sheet':
      return next.message;
    case 'isolate':
      return energy.lost
        ? `${lostWords(energy.lost)} Isolate it again and prove every pair anew.`
        : 'Dead is not proven: isolate and lock it, then prove every pair.';
    case 'meter':
      return `Dead is not proven, ${count}: prove the meter${next.again ? ' again' : ''} on a known source, on ${METER_FUNCTIONS[next.function].words}.`;
    case 'wait':
    case 'pair':
      return `Dead is not proven, ${count}. Next: ${pairWords(next.pair)}.`;
    case 'done':
      return '';
    default:
      next satisfies never;
      return '';
  }
}

/** `L to frame on AC volts, below 25 V`. */
export const pairWords = ({ name, function: fn, deadBelow }: Pair): string =>
  `${name} on ${METER_FUNCTIONS[fn].words}, below ${formatQuantity(deadBelow, 'V')}`;

/** `48 V on the bus, above 24 V: it is no longer proven dead.` */
export const lostWords = ({
  volts,
  where,
  limit,
}: Pick<Lost, 'volts' | 'where' | 'limit'>): string =>
  `${volts === 'OL' ? 'OL' : formatQuantity(volts, 'V')} at ${where}, above ${formatQuantity(limit, 'V')}: it is no longer proven dead.`;
