/**
 * How a stored charge falls after isolation: v = v₀·e^(−t/τ). Two bus readings fit τ; before them the
 * sheet's capacitance and bleed resistor foretell it. The forecast starts at the latest reading, so every
 * further one corrects it. It only says when measuring is worth while: time alone proves nothing.
 *
 * Worked example: 310 V at 10:00:00 and 186 V at 10:00:52 give τ = 52/ln(310/186) = 101.8 s; 60 V is
 * reached 101.8·ln(186/60) = 115.2 s after the second reading, 24 V after 208.4 s.
 */
import type { Purpose } from '../judge/purpose';
import { fitDecay } from '../judge/series/decays';
import { testsOf } from '../sheet/all-tests';
import { isMeasured, type Sheet } from '../sheet/schema';
import type { BusReading, Energy } from './energy';

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
  /** Energy still stored, joules, where the sheet states the capacitance. */
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

/**
 * What may be done on the bus and below how many volts: what a test on the same two points says for each
 * purpose, else the sheet's one limit.
 */
export function busPurposes(sheet: Sheet): readonly Purpose[] {
  const { bus } = sheet.safety;
  const told = testsOf(sheet).flatMap((test) =>
    isMeasured(test) && test.points.some(({ red, black }) => red === bus.red && black === bus.black)
      ? (test.purposes ?? [])
      : [],
  );
  const limit: Purpose = {
    id: 'dead',
    title: 'work on it dead',
    expect: { kind: 'atMost', high: bus.below, unit: 'V' },
  };
  const same = told.some(({ expect }) => expect.kind === 'atMost' && expect.high <= bus.below);
  const all = same ? told : [...told, limit];
  return [...all].sort((a, b) => highOf(b) - highOf(a));
}

const highOf = ({ expect }: Purpose) => (expect.kind === 'atMost' ? expect.high : 0);

interface Fall {
  readonly tau?: number;
  readonly by: Discharge['by'];
  readonly stuck: boolean;
}

/** @returns undefined before the first bus reading of this isolation that has a figure. */
export function dischargeOf(sheet: Sheet, energy: Energy): Discharge | undefined {
  const read = energy.busReadings.flatMap((each) =>
    each.reading.kind === 'value'
      ? [{ t: each.time / 1000, value: Math.abs(each.reading.value) }]
      : [],
  );
  const last = read.at(-1);
  if (!last) return undefined;
  const fall = fallOf(sheet, read);
  const { capacitance } = sheet.safety;
  const limits = busPurposes(sheet).map((purpose): LimitAhead => {
    const below = highOf(purpose);
    const seconds =
      fall.tau === undefined || fall.stuck
        ? undefined
        : fall.tau * Math.log(Math.max(1, last.value / below));
    return {
      id: purpose.id,
      title: purpose.title,
      below,
      reached: last.value < below,
      ...(seconds !== undefined && { at: (last.t + seconds) * 1000 }),
    };
  });
  return {
    volts: last.value,
    from: last.t * 1000,
    ...fall,
    ...(capacitance !== undefined && { joules: (capacitance * last.value ** 2) / 2 }),
    limits,
  };
}

function fallOf(sheet: Sheet, read: readonly { t: number; value: number }[]): Fall {
  const { capacitance, bleed, bus } = sheet.safety;
  const [first, last] = [read[0]!, read.at(-1)!];
  const low = last.value < bus.below;
  if (last.t - first.t < APART || first.value <= 0) {
    return capacitance !== undefined && bleed !== undefined
      ? { tau: capacitance * bleed, by: 'sheet', stuck: false }
      : { by: 'nothing', stuck: false };
  }
  const before = read.at(-2)!;
  const watched = last.t - before.t >= WATCHED;
  const stands = watched && last.value > before.value * (1 - LEAST_FALL);
  // The latest fall tells most: a drain clipped on in between has changed it.
  const recent = last.t - before.t >= APART ? [before, last] : read;
  const tau = fitDecay(read.length > 2 && !stands && steady(read) ? read : recent)?.tau;
  if (tau === undefined) return { by: 'readings', stuck: !low && watched };
  const far = tau * Math.log(Math.max(1, last.value / bus.below)) > HOPELESS;
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

/** Whether the bus was read low enough for a purpose that is looser than dead: pulling a plug. */
export function mayUnplug(sheet: Sheet, bus: BusReading | undefined): boolean {
  const unplug = busPurposes(sheet).find(({ id }) => id === 'unplug');
  if (!unplug || bus?.reading.kind !== 'value' || bus.u === undefined) return false;
  // As for every limit: only below it beyond the meter's own doubt.
  return Math.abs(bus.reading.value) + 1.645 * bus.u < highOf(unplug);
}

/** A part of the unit that stays charged after isolation. */
export interface Store {
  readonly name: string;
  readonly where: string;
  readonly volts?: number;
  /** Energy at that voltage, joules. */
  readonly joules?: number;
}

/** What stores charge on this unit: what the sheet lists, else its bus. */
export function storesOf(sheet: Sheet): Store[] {
  const { stores, capacitance, bus, volts } = sheet.safety;
  const boardOf = (ref: string) => sheet.boards.find(({ id }) => id === ref.split('.')[0])?.name;
  const listed = stores ?? [
    {
      name: capacitance === undefined ? 'Whatever hangs on the supply' : 'Bus capacitors',
      at: bus.red,
      volts,
      ...(capacitance !== undefined && { farads: capacitance }),
    },
  ];
  return listed.map((store) => ({
    name: store.name,
    where: boardOf(store.at) ?? store.at,
    ...(store.volts !== undefined && { volts: store.volts }),
    ...(store.volts !== undefined &&
      store.farads !== undefined && { joules: (store.farads * store.volts ** 2) / 2 }),
  }));
}
