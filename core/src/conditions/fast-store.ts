/**
 * A store far below its forecast lost its charge at once, or never had one: a finding about the machine.
 * The forecast is its usual volts left to its bleed resistor, v = V·e^(−t/RC).
 *
 * Worked example: 325 V on 1000 µF with 100 kΩ fall by RC = 100 s; 60 s after isolating 178 V are
 * foretold. Below a fifth of that, 36 V, it fell too fast; above the half, 89 V, it fell as it should;
 * between, nothing is said. Where the forecast itself is near the limit, nothing is said either.
 */
import { elapsed } from './moment';
import { latestOf, type Energy, type PairReading } from './energy';
import type { Pair } from './pairs';

export interface StoreFinding {
  readonly entry: string;
  readonly pair: Pair;
  readonly outcome: 'ok' | 'fast';
  readonly volts: number;
  /** Volts foretold for that moment. */
  readonly foretold: number;
}

const FAST_BELOW = 0.2;
const RIGHT_ABOVE = 0.5;
/** A forecast must lie this far above the dead limit for its absence to mean anything. */
const TELLING = 3;

/**
 * @param energy - Before the reading: only the first of an isolation speaks, and by a proven meter only.
 * @returns undefined where it says nothing.
 */
export function fastStore(
  pair: Pair,
  energy: Energy,
  reading: PairReading,
): StoreFinding | undefined {
  const { farads, bleed, usual } = pair.store ?? {};
  if (farads === undefined || bleed === undefined || usual === undefined) return undefined;
  if (!energy.isolated || latestOf(energy, pair.id) || reading.proof === undefined)
    return undefined;
  if (reading.reading.kind !== 'value') return undefined;
  const seconds = elapsed(energy.isolated, reading) / 1000;
  const foretold = usual * Math.exp(-seconds / (farads * bleed));
  if (foretold < TELLING * pair.deadBelow) return undefined;
  const volts = Math.abs(reading.reading.value);
  const outcome =
    volts < FAST_BELOW * foretold ? 'fast' : volts >= RIGHT_ABOVE * foretold ? 'ok' : undefined;
  return outcome && { entry: reading.entry, pair, outcome, volts, foretold };
}
