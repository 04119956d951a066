/**
 * The energy state of the machine: LIVE, NOT PROVEN or DEAD, from the entries alone.
 *
 * Dead is proven by all four steps in their order: isolated and locked; the meter proven on a known
 * source; the wait over and the bus below its limit beyond the meter's own error; the meter proven
 * again. Time alone proves nothing, and energising cancels every proof.
 */
import { judge, type Judgement, type Reading } from '../judge/judge';
import { accuracyAt, type MeterProfile } from '../meter/profile';
import type { Sheet } from '../sheet/schema';
import type { EntryOf } from './entries';

export type EnergyKind = 'live' | 'not-proven' | 'dead';
/** What is to be done next to prove it dead; `done` once it is. */
export type NextSafeStep = 'isolate' | 'prove-meter' | 'bus' | 'reprove-meter' | 'done';

export interface BusReading {
  readonly entry: string;
  readonly at: string;
  /** The same moment by the device's present clock, ms since the epoch. */
  readonly time: number;
  readonly reading: Reading;
  readonly judgement: Judgement;
  /** Standard uncertainty, volts; undefined for OL. */
  readonly u?: number;
  /** Whether the sheet's wait was over when it was taken. */
  readonly waited: boolean;
}

export interface Energy {
  readonly kind: EnergyKind;
  /** Device time at which this state began; undefined before anything was recorded. */
  readonly since?: string;
  /** Live precautions acknowledged in this live spell. */
  readonly acknowledged: boolean;
  /** Who stands in reach during this live spell, where the sheet asks for somebody. */
  readonly second?: string;
  readonly isolatedAt?: string;
  /** Device time, ms since the epoch, from which a bus reading may prove it dead. */
  readonly waitUntil?: number;
  readonly meterProved: boolean;
  /** Latest bus reading of this isolation. */
  readonly bus?: BusReading;
  /** Every bus reading of this isolation, in order. */
  readonly busReadings: readonly BusReading[];
  readonly next: NextSafeStep;
}

/** As found: nothing may be taken for dead. */
export const AS_FOUND: Energy = {
  kind: 'live',
  acknowledged: false,
  meterProved: false,
  busReadings: [],
  next: 'isolate',
};

export function energise(at: string, second?: string): Energy {
  return { ...AS_FOUND, since: at, acknowledged: true, ...(second !== undefined && { second }) };
}

/** The device's clock was set: what was waited for is no nearer than it was. */
export function shiftClock(energy: Energy, ms: number): Energy {
  const moved = (bus: BusReading): BusReading => ({ ...bus, time: bus.time + ms });
  return {
    ...energy,
    ...(energy.waitUntil !== undefined && { waitUntil: energy.waitUntil + ms }),
    ...(energy.bus && { bus: moved(energy.bus) }),
    busReadings: energy.busReadings.map(moved),
  };
}

/** A withdrawn “energised” may have been true: the proof does not come back with it. */
export function doubt(at: string): Energy {
  return { ...AS_FOUND, kind: 'not-proven', since: at };
}

export function busPasses(bus: BusReading): boolean {
  return bus.waited && bus.judgement.verdict === 'in';
}

/** The state after one step; a step out of order leaves the state as it was. */
export function afterSafeStep(
  energy: Energy,
  entry: EntryOf<'safed'>,
  sheet: Sheet,
  meter: MeterProfile | null,
): Energy {
  const { body, at } = entry;
  switch (body.step) {
    case 'isolated':
      return {
        ...AS_FOUND,
        kind: 'not-proven',
        since: at,
        isolatedAt: at,
        waitUntil: Date.parse(at) + sheet.safety.waitMinutes * 60_000,
        next: 'prove-meter',
      };
    case 'meter-proved':
      if (energy.next !== 'prove-meter') return energy;
      return { ...energy, meterProved: true, next: 'bus' };
    case 'bus': {
      if (!body.reading || (energy.next !== 'bus' && energy.next !== 'reprove-meter'))
        return energy;
      const bus = judgeBus(entry, body.reading, energy, sheet, meter);
      return {
        ...energy,
        bus,
        busReadings: [...energy.busReadings, bus],
        next: busPasses(bus) ? 'reprove-meter' : 'bus',
      };
    }
    case 'meter-reproved':
      if (energy.next !== 'reprove-meter') return energy;
      return { ...energy, kind: 'dead', since: at, next: 'done' };
    default:
      body.step satisfies never;
      return energy;
  }
}

function judgeBus(
  entry: EntryOf<'safed'>,
  reading: Reading,
  energy: Energy,
  sheet: Sheet,
  meter: MeterProfile | null,
): BusReading {
  const accuracy =
    meter && reading.kind === 'value' ? accuracyAt(meter, 'V=', reading.value) : undefined;
  const judgement = judge({
    expect: { kind: 'atMost', high: sheet.safety.bus.below, unit: 'V' },
    reading,
    function: 'V=',
    ...(accuracy && { meter: accuracy }),
  });
  return {
    entry: entry.id,
    at: entry.at,
    time: Date.parse(entry.at),
    reading,
    judgement,
    ...(judgement.u !== undefined && { u: judgement.u }),
    waited: Date.parse(entry.at) >= (energy.waitUntil ?? Infinity),
  };
}
