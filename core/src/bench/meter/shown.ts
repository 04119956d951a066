/** What a reading of the bench comes to. */
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';
import type { MeterProfile } from '../../meter/profile';
import type { Unit } from '../../units/units';
import type { Rest } from '../solve/foresight';
import { BENCH_METER } from './bench-meter';
import { EXACT, indicate, type Deviation } from './indicate';

/** What an unsafe reading would have done. Told, never suffered. */
export type Hazard =
  | { readonly kind: 'driven-live'; readonly volts: number }
  | { readonly kind: 'meter-fuse'; readonly amps: number }
  | { readonly kind: 'destroyed'; readonly node: string; readonly volts: number };

export type Flag = 'OL' | 'auto' | 'buzzer' | 'fuse' | 'disturbed' | 'unsteady';

export interface Indication {
  /** SI base unit (°C for temperature); null for OL. */
  readonly value: number | null;
  readonly unit: Unit | null;
  readonly flags: readonly Flag[];
  readonly hazards: readonly Hazard[];
}

export interface MeasureOptions {
  readonly meter?: MeterProfile;
  readonly deviation?: Deviation;
  /** Siemens from every node to ground; unplugged parts hang in the air, which conducts a little. */
  readonly air?: number;
  /** Moment at which slow sources stand, s. */
  readonly at?: number;
  /** What a circuit much like this one holds at rest: the search for its steady state begins there. */
  readonly near?: Rest | undefined;
}

/** Air and dirt: a teraohm from every node to ground. */
export const AIR = 1e-12;

/** Figures of what is no meter: a display of the machine, a count. */
const DIGITS = 4;

/** What stands on the display. @param seen - The true value at the input; infinite for an overload. */
export function figureOf(
  fn: MeterFunction,
  seen: number,
  { meter = BENCH_METER, deviation = EXACT }: MeasureOptions = {},
): number | null {
  if (METER_FUNCTIONS[fn].metered) return indicate(meter, fn, seen, deviation).value;
  return Number.isFinite(seen) ? Number(seen.toPrecision(DIGITS)) : null;
}

/** @param seen - The true value at the input; infinite for an overload. */
export function shown(
  fn: MeterFunction,
  seen: number,
  options: MeasureOptions,
  more: readonly Flag[] = [],
  hazards: readonly Hazard[] = [],
): Indication {
  return indicationOf(fn, figureOf(fn, seen, options), more, hazards);
}

/** @param value - As it stands on the display; null for OL. @param more - What is remarked beside it. */
export const indicationOf = (
  fn: MeterFunction,
  value: number | null,
  more: readonly Flag[] = [],
  hazards: readonly Hazard[] = [],
): Indication => ({
  value,
  unit: METER_FUNCTIONS[fn].unit ?? null,
  flags: ['auto', ...(value === null ? (['OL'] as const) : []), ...more],
  hazards,
});

/** What is remarked beside a figure, without what follows from it. */
export const remarksOf = (flags: readonly Flag[]): Flag[] =>
  flags.filter((flag) => flag !== 'auto' && flag !== 'OL');
