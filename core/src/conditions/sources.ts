/**
 * Known sources to prove a meter on, before and after. The figure counts, not the press: it must fit the
 * source that is named, on the same function as the pairs between.
 *
 * Worked example: a 380 V three-phase supply shows 380 V from leg to leg and 380/√3 = 219 V to neutral;
 * within 20 % that is 304 to 456 V or 176 to 263 V. A 9 V battery at 8.7 V fits 1.2 to 13 V, on DC only.
 */
import type { Figure } from '../judge/reading';
import type { Sheet } from '../sheet/schema';
import { formatQuantity } from '../units/format';
import type { VoltsFunction } from './pairs';

export const SOURCES = ['supply', 'proving-unit', 'battery'] as const;
export type SourceKind = (typeof SOURCES)[number];

/** What a meter was held to. */
export interface Source {
  readonly kind: SourceKind;
  /** Volts that a proving unit is marked with. */
  readonly volts?: number | undefined;
}

export interface SourceBand {
  readonly low: number;
  readonly high: number;
}

/** Share by which a supply may differ from its nominal, and a proving unit from its mark. */
const SUPPLY_WITHIN = 0.2;
const UNIT_WITHIN = 0.1;
/** Figures closer than this are one and the same, as a share. */
const SAME = 0.02;
/** From a tired cell to a car battery being charged, volts. */
const BATTERY: SourceBand = { low: 1.2, high: 13 };

/** Which sources a function can be proven on, the most at hand first. */
export function sourcesFor(sheet: Sheet, fn: VoltsFunction): SourceKind[] {
  if (fn === 'V=') return ['battery', 'proving-unit'];
  return supplyVolts(sheet).length > 0 ? ['supply', 'proving-unit'] : ['proving-unit'];
}

/** Voltages that a supply shows between its legs, and from one to neutral; empty where none is stated. */
export function supplyVolts({ equipment: { supply } }: Sheet): number[] {
  if (!supply || supply.hertz <= 0) return [];
  const { system, volts } = supply;
  if (/three|two-phase|two legs/i.test(system)) return [volts, volts / Math.sqrt(3)];
  return /split/i.test(system) ? [volts, volts / 2] : [volts];
}

/** What figures fit a source; empty where it proves nothing on that function. */
export function bandsOf(sheet: Sheet, fn: VoltsFunction, source: Source): SourceBand[] {
  switch (source.kind) {
    case 'supply':
      return fn === 'V~' ? supplyVolts(sheet).map((volts) => around(volts, SUPPLY_WITHIN)) : [];
    case 'proving-unit':
      return source.volts === undefined ? [] : [around(source.volts, UNIT_WITHIN)];
    case 'battery':
      return fn === 'V=' ? [BATTERY] : [];
    default:
      source.kind satisfies never;
      return [];
  }
}

const around = (volts: number, share: number): SourceBand => ({
  low: volts * (1 - share),
  high: volts * (1 + share),
});

/**
 * Why a figure does not prove the meter; undefined where it does.
 * @param onBus - Volts last read on a store: the thing to be proven is no source.
 */
export function sourceProblem(
  sheet: Sheet,
  fn: VoltsFunction,
  source: Source,
  reading: Figure | undefined,
  onBus: readonly number[] = [],
): string | undefined {
  const bands = bandsOf(sheet, fn, source);
  if (bands.length === 0) return unfitSource(fn, source);
  if (!reading)
    return `The meter is proven by its figure. What does it show on ${sourceName(source)}?`;
  if (reading.kind === 'overload')
    return `OL on ${sourceName(source)} proves nothing. It must show ${bandWords(bands)}.`;
  const volts = Math.abs(reading.value);
  if (!bands.some(({ low, high }) => volts >= low && volts <= high))
    return `${formatQuantity(volts, 'V')} does not fit ${sourceName(source)}: it must show ${bandWords(bands)}. A meter that shows something else there proves nothing.`;
  if (source.kind !== 'supply' && onBus.some((each) => Math.abs(each - volts) <= SAME * each))
    return `${formatQuantity(volts, 'V')} is what the store itself read. Prove the meter on something that is no part of this machine.`;
  return undefined;
}

function unfitSource(fn: VoltsFunction, { kind }: Source): string {
  if (kind === 'battery')
    return 'A battery proves no meter on AC volts. Use the supply itself or a proving unit.';
  if (kind === 'proving-unit') return 'Say how many volts the proving unit is marked with.';
  return fn === 'V='
    ? 'An AC supply proves no meter on DC volts. Use a battery or a proving unit.'
    : 'This sheet states no supply to compare with. Use a proving unit.';
}

/** `the supply`, `a battery`. */
export function sourceName({ kind, volts }: Source): string {
  switch (kind) {
    case 'supply':
      return 'the supply';
    case 'battery':
      return 'a battery';
    case 'proving-unit':
      return volts === undefined
        ? 'a proving unit'
        : `a proving unit of ${formatQuantity(volts, 'V')}`;
    default:
      kind satisfies never;
      return 'a source';
  }
}

/** `176 to 264 V`, `304 to 456 V or 176 to 263 V`. */
export const bandWords = (bands: readonly SourceBand[]): string =>
  bands.map(({ low, high }) => `${figure(low)} to ${formatQuantity(high, 'V', 3)}`).join(' or ');

const figure = (volts: number) => formatQuantity(volts, 'V', 3).replace(/\s*V$/, '');
