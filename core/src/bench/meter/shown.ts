/** What a reading of the bench comes to. */
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';
import type { MeterProfile } from '../../meter/profile';
import type { Unit } from '../../units/units';
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
}

/** Air and dirt: a teraohm from every node to ground. */
export const AIR = 1e-12;

/** @param seen - The true value at the input; infinite for an overload. */
export function shown(
  fn: MeterFunction,
  seen: number,
  { meter = BENCH_METER, deviation = EXACT }: MeasureOptions,
  more: readonly Flag[] = [],
  hazards: readonly Hazard[] = [],
): Indication {
  const { value } = indicate(meter, fn, seen, deviation);
  return {
    value,
    unit: METER_FUNCTIONS[fn].unit ?? null,
    flags: ['auto', ...(value === null ? (['OL'] as const) : []), ...more],
    hazards,
  };
}
