/** Whether a step of proving dead may be written down: in its order, with a figure that fits. */
import { latestOf, openProof, storeVolts } from '../../conditions/energy';
import { elapsed } from '../../conditions/moment';
import { findPair, provingOf, type Pair } from '../../conditions/pairs';
import { sourceProblem } from '../../conditions/sources';
import { METER_FUNCTIONS } from '../../meter/functions';
import type { Sheet } from '../../sheet/schema';
import { meterRefusal } from '../admission/energy';
import { refuse, type Refusal } from '../admission/refusal';
import { instrumentOf } from '../findings/instruments';
import { momentOf } from '../log/moment-of';
import { accessOwedFor } from '../state/access';
import type { JobState } from '../state/state';
import type { SafeEntry } from './safe-step';

const outOfOrder = (message: string) => refuse('safe-step-out-of-order', message);

export function admitStep(sheet: Sheet, state: JobState, entry: SafeEntry): Refusal | undefined {
  switch (entry.body.step) {
    case 'isolated':
      return undefined;
    case 'meter':
      return meterProof(sheet, state, entry);
    case 'pair':
      return pairRead(sheet, state, entry);
    case 'meter-proved':
    case 'bus':
    case 'meter-reproved':
      return refuse(
        'old-step',
        'This page is from before every pair was proven with its figure. Reload it, and prove the machine dead again.',
      );
    default:
      entry.body.step satisfies never;
      return undefined;
  }
}

/** The meter held to a known source: its figure must fit, on the function of the pairs. */
function meterProof(
  sheet: Sheet,
  { energy, meters }: JobState,
  { body }: SafeEntry,
): Refusal | undefined {
  const { function: fn, source, reading } = body;
  if (!fn || !source)
    return outOfOrder('Say what the meter was held to, and on which function: AC or DC volts.');
  if (fn === 'V~' && reading?.kind === 'value' && reading.value < 0) return belowZero;
  const problem = sourceProblem(sheet, fn, source, reading, storeVolts(energy, fn));
  if (problem) return refuse('source-unfit', problem);
  return meterRefusal(meters, sheet, { function: fn, live: true });
}

const belowZero = refuse(
  'negative-reading',
  'A meter on AC volts shows nothing below zero. Check the figure.',
);

function pairRead(sheet: Sheet, state: JobState, entry: SafeEntry): Refusal | undefined {
  const { energy, meters } = state;
  const { pair: id, function: fn, reading } = entry.body;
  const { gap } = provingOf(sheet);
  const pair = id === undefined ? undefined : findPair(sheet, id);
  if (!pair) return refuse('unknown-pair', gap ?? `This job’s sheet has no pair “${id ?? ''}”.`);
  if (energy.kind === 'live' || !energy.isolated)
    return outOfOrder('Isolate and lock the supply before a pair is measured.');
  if (fn !== pair.function)
    return refuse(
      'wrong-function',
      `${pair.name} is proven on ${METER_FUNCTIONS[pair.function].words}${fn ? `, not on ${METER_FUNCTIONS[fn].words}` : ''}: turn the dial and measure again.`,
    );
  if (!reading) return outOfOrder(`${pair.name} needs a figure: time alone is not proof.`);
  if (fn === 'V~' && reading.kind === 'value' && reading.value < 0) return belowZero;
  const covered = accessOwedFor(sheet, state, pair.access);
  if (covered.length > 0)
    return refuse(
      'access-owed',
      `${pair.name} lies under a cover. First: ${covered.map(({ name, id: own }) => name ?? own).join(', ')}.`,
    );
  return (
    meterRefusal(meters, sheet, { function: pair.function, live: true }) ??
    unprovenMeter(state, entry, pair)
  );
}

/** Below its limit after the wait, a figure counts only by a meter that was just proven. */
function unprovenMeter(
  { energy, meter }: JobState,
  entry: SafeEntry,
  pair: Pair,
): Refusal | undefined {
  const moment = momentOf(entry);
  const { reading } = entry.body;
  const low = reading?.kind === 'value' && Math.abs(reading.value) < pair.deadBelow;
  const waits = energy.isolated && elapsed(energy.isolated, moment) < pair.waitMinutes * 60_000;
  // Watched as it falls, the figure that is low at last is kept: it says when to prove the meter.
  const before = latestOf(energy, pair.id);
  const watched = before !== undefined && before.judgement.verdict !== 'in';
  if (!low || waits || watched) return undefined;
  if (openProof(energy, pair.function, moment, instrumentOf(entry, meter))) return undefined;
  const dial = METER_FUNCTIONS[pair.function].words;
  const proof = energy.proofs[pair.function];
  if (!proof)
    return outOfOrder(
      `Prove the meter on a known source, on ${dial}, before ${pair.name} is measured.`,
    );
  return outOfOrder(
    proof.instrument === instrumentOf(entry, meter)
      ? `The meter was proven more than ten minutes ago. Prove it again on ${dial}, then measure ${pair.name}.`
      : `This figure comes from another meter than the one that was proven${entry.body.live ? '' : ', or past it'}. Prove this one on ${dial} first.`,
  );
}
