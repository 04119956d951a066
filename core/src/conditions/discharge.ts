/**
 * How a stored charge falls after isolation: v = v₀·e^(−t/τ). Two bus readings fit τ; before them the
 * sheet's capacitance and bleed resistor foretell it. The forecast starts at the latest reading, so every
 * further one corrects it. It only says when measuring is worth while: time alone proves nothing.
 *
 * Worked example: 310 V at 10:00:00 and 186 V at 10:00:52 give τ = 52/ln(310/186) = 101.8 s; 60 V is
 * reached 101.8·ln(186/60) = 115.2 s after the second reading, 24 V after 208.4 s.
 */
import { fitDecay } from '../judge/series/decays';
import type { Energy, PairReading } from './energy';
import type { Pair } from './pairs';
import { joulesIn } from './stores';
import { nth } from '../numeric/nth';

export interface LimitAhead {
  readonly id: string;
  /** `unplug`, `measure resistance`. */
  readonly title: string;
  /** Volts below which it may be done. */
  readonly below: number;
  /** Milliseconds since the epoch at which the forecast reaches it; undefined where it does not fall. */
  readonly at?: number;
  /** Whether the latest reading lies below it already. */
  readonly reached: boolean;
}

export interface Discharge {
  /** Latest reading, volts, and its moment. */
  readonly volts: number;
  readonly from: number;
  /** Time constant in seconds; undefined while nothing tells it. */
  readonly tau?: number;
  /** Two readings of this isolation, or the capacitance and bleed resistor on the sheet. */
  readonly by: 'readings' | 'sheet' | 'nothing';
  /** It has not fallen as it should: something feeds it, or nothing drains it. */
  readonly stuck: boolean;
  /** Energy still stored by the latest reading, joules, where the sheet states the capacitance. */
  readonly joules?: number;
  readonly limits: readonly LimitAhead[];
}

/** Readings must lie this far apart for their difference to mean anything, seconds. */
const APART = 10;
/** A fall of less than this share over at least {@link WATCHED} seconds is none. */
const LEAST_FALL = 0.02;
const WATCHED = 30;
/** A forecast further off than this is as good as never, seconds. */
const HOPELESS = 3600;

/** What may be done on a pair and below how many volts, the loosest first. */
export function limitsOfPair({ unplugBelow, deadBelow }: Pair): Omit<LimitAhead, 'reached'>[] {
  const dead = { id: 'dead', title: 'work on it dead', below: deadBelow };
  return unplugBelow === undefined || unplugBelow <= deadBelow
    ? [dead]
    : [{ id: 'unplug', title: 'unplug', below: unplugBelow }, dead];
}

interface Fall {
  readonly tau?: number;
  readonly by: Discharge['by'];
  readonly stuck: boolean;
}

/** @returns undefined before the first reading of the pair in this isolation that has a figure. */
export function dischargeOf(pair: Pair, energy: Energy): Discharge | undefined {
  const read = energy.readings
    .filter((each) => each.pair === pair.id)
    .flatMap((each: PairReading) =>
      each.reading.kind === 'value'
        ? [{ t: each.time / 1000, value: Math.abs(each.reading.value) }]
        : [],
    );
  const last = read.at(-1);
  if (!last) return undefined;
  const fall = fallOf(pair, read);
  const farads = pair.store?.farads;
  const limits = limitsOfPair(pair).map((limit): LimitAhead => {
    const seconds =
      fall.tau === undefined || fall.stuck
        ? undefined
        : fall.tau * Math.log(Math.max(1, last.value / limit.below));
    return {
      ...limit,
      reached: last.value < limit.below,
      ...(seconds !== undefined && { at: (last.t + seconds) * 1000 }),
    };
  });
  return {
    volts: last.value,
    from: last.t * 1000,
    ...fall,
    ...(farads !== undefined && { joules: joulesIn(farads, last.value) }),
    limits,
  };
}

function fallOf(pair: Pair, read: readonly { t: number; value: number }[]): Fall {
  const { farads, bleed } = pair.store ?? {};
  const [first, last] = [nth(read, 0), read.at(-1)!];
  const low = last.value < pair.deadBelow;
  if (last.t - first.t < APART || first.value <= 0) {
    return farads !== undefined && bleed !== undefined
      ? { tau: farads * bleed, by: 'sheet', stuck: false }
      : { by: 'nothing', stuck: false };
  }
  const before = read.at(-2)!;
  const watched = last.t - before.t >= WATCHED;
  const stands = watched && last.value > before.value * (1 - LEAST_FALL);
  // The latest fall tells most: a drain clipped on in between has changed it.
  const recent = last.t - before.t >= APART ? [before, last] : read;
  const tau = fitDecay(read.length > 2 && !stands && steady(read) ? read : recent)?.tau;
  if (tau === undefined) return { by: 'readings', stuck: !low && watched };
  const far = tau * Math.log(Math.max(1, last.value / pair.deadBelow)) > HOPELESS;
  return { tau, by: 'readings', stuck: !low && (stands || far) };
}

/** Whether all readings lie on one fall: within a few percent of the fitted curve. */
function steady(read: readonly { t: number; value: number }[]): boolean {
  const fit = fitDecay(read);
  if (!fit) return false;
  const t0 = read.find(({ value }) => value > 0)!.t;
  return read.every(({ t, value }) => {
    const foretold = fit.start * Math.exp(-(t - t0) / fit.tau);
    return Math.abs(value - foretold) <= 0.03 * Math.max(foretold, 1);
  });
}
