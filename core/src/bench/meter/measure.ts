/**
 * One reading of the bench: the instrument is put into the circuit, the circuit is solved, and what
 * its input sees is shown. Nothing is looked up: ghost voltages, loading, parallel paths and charged
 * capacitors come out of the solution.
 */
import { InvalidInputError, UnknownReferenceError } from '../../errors';
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';
import type { MeterProfile } from '../../meter/profile';
import { rangesOf } from '../../meter/profile';
import type { Unit } from '../../units/units';
import { GROUND, nodesOf, type Circuit, type Element } from '../circuit';
import type { Drive } from '../devices/drive';
import { steadyState, alternates, type Quantity, type Settled } from '../solve/steady';
import { System } from '../solve/system';
import { burden, converter, drive, leads, METER, shunt } from './attach';
import {
  BANDWIDTH_HERTZ,
  BENCH_METER,
  DANGEROUS,
  DIODE_OPEN,
  DISTURBING,
  DRIVES,
  INSULATION_AMPS,
  JACKS,
  LOW_IMPEDANCE,
  OHMS_FULL_SCALE,
  OHMS_OPEN,
} from './bench-meter';
import { chargeReading } from './capacitance';
import { EXACT, indicate, type Deviation } from './indicate';

export interface Probing {
  readonly function: MeterFunction;
  /** Node under the red probe; a quantity's node for a gauge. */
  readonly red: string;
  /** Node under the black probe; absent for clamps and gauges. */
  readonly black?: string;
  /** Element around which a clamp lies. */
  readonly clamp?: string;
  /** The volts position that loads the circuit, for ghosts. */
  readonly lowImpedance?: boolean;
  /** Volts of an insulation test. */
  readonly testVolts?: number;
}

export interface MeasureOptions {
  readonly meter?: MeterProfile;
  readonly deviation?: Deviation;
  /** Siemens from every node to ground; unplugged parts hang in the air, which conducts a little. */
  readonly air?: number;
  /** Moment at which slow sources stand, s. */
  readonly at?: number;
}

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

/** Air and dirt: a teraohm from every node to ground. */
export const AIR = 1e-12;

/**
 * @throws {UnknownReferenceError} for a node or element that the circuit does not have.
 * @throws {InvalidInputError} for a function that the meter does not have.
 * @throws {CoreError} where the circuit cannot be solved.
 */
export function measure(
  circuit: Circuit,
  probing: Probing,
  options: MeasureOptions = {},
): Indication {
  checkPlaces(circuit, probing, options.meter ?? BENCH_METER);
  const fn = probing.function;
  if (fn === 'display' || fn === 'count' || fn === 'pressure' || fn === 'temperature')
    return gauge(circuit, probing, options);
  if (fn === 'clamp=' || fn === 'clamp~') return clamped(circuit, probing, options);
  if (fn === 'A=' || fn === 'A~') return amps(circuit, probing, options);
  if (DRIVES.has(fn)) return driven(circuit, probing, options);
  return volts(circuit, probing, options);
}

export function checkPlaces(circuit: Circuit, probing: Probing, meter: MeterProfile): void {
  const fn = probing.function;
  const facts = METER_FUNCTIONS[fn];
  if (!facts) throw new InvalidInputError(`“${String(fn)}” is no function of a meter`);
  if (facts.metered && rangesOf(meter, fn).length === 0)
    throw new InvalidInputError(`“${meter.name}” has no ${facts.words} function`);
  const nodes = new Set<string>([GROUND, ...circuit.elements.flatMap(nodesOf)]);
  const need = (node: string | undefined, what: string) => {
    if (node === undefined) throw new InvalidInputError(`${what} is on nothing`);
    if (!nodes.has(node))
      throw new UnknownReferenceError(`there is no node “${node}” under ${what}`);
  };
  if (fn === 'clamp=' || fn === 'clamp~') {
    if (!circuit.elements.some(({ name }) => name === probing.clamp))
      throw new UnknownReferenceError(`there is no element “${probing.clamp ?? ''}” for the clamp`);
    return;
  }
  need(probing.red, 'the red probe');
  if (facts.placing === 'two') need(probing.black, 'the black probe');
}

const withElements = (circuit: Circuit, more: readonly Element[]): Circuit => ({
  ...circuit,
  elements: [...circuit.elements, ...more],
});

const INPUT: Quantity = { kind: 'volts', plus: METER.red, minus: METER.black };

function shown(
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

function solved(circuit: Circuit, quantity: Quantity, { air = AIR, at = 0 }: MeasureOptions) {
  const { values, settled } = steadyState(circuit, [quantity], { air, at });
  return { ...values[0]!, flags: settled ? [] : (['unsteady'] as const) };
}

function volts(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const { meter = BENCH_METER } = options;
  const fn = probing.function;
  const input = meter.functions.find((each) => each.function === fn)?.burden ?? 10e6;
  const filtered = fn === 'V~' && alternates(circuit);
  const probed = withElements(circuit, [
    ...leads(probing.red, probing.black!),
    burden(probing.lowImpedance ? LOW_IMPEDANCE : input),
    ...(filtered ? converter(BANDWIDTH_HERTZ) : []),
  ]);
  const quantity = filtered ? { ...INPUT, plus: METER.sense } : INPUT;
  const seen = solved(probed, quantity, options);
  return shown(fn, seenBy(fn, seen), options, seen.flags);
}

/** Which property of the input a function shows. */
export function seenBy(fn: MeterFunction, { mean, rms, hertz }: Settled): number {
  if (fn === 'Hz') return rms > 0.2 ? hertz : 0;
  return fn === 'V~' || fn === 'A~' || fn === 'clamp~' ? rms : mean;
}

function gauge(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const quantity: Quantity = { kind: 'volts', plus: probing.red, minus: probing.black ?? GROUND };
  const { mean, flags } = solved(circuit, quantity, options);
  const fn = probing.function;
  if (METER_FUNCTIONS[fn].metered) return shown(fn, mean, options, flags);
  return {
    value: Number(mean.toPrecision(4)),
    unit: METER_FUNCTIONS[fn].unit ?? null,
    flags,
    hazards: [],
  };
}

function clamped(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const quantity: Quantity = { kind: 'amps', element: probing.clamp! };
  const seen = solved(circuit, quantity, options);
  return shown(probing.function, seenBy(probing.function, seen), options, seen.flags);
}

function amps(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const { air = AIR, at = 0 } = options;
  for (const jack of JACKS) {
    // What would flow: whether the fuse bears it is seen from that.
    const { values, settled } = steadyState(
      withElements(circuit, [...leads(probing.red, probing.black!), ...shunt(jack.ohms)]),
      [{ kind: 'amps', element: METER.burden }],
      { air, at },
    );
    const found = values[0]!;
    const size = Math.hypot(found.mean, found.rms);
    const last = JACKS.at(-1)!;
    if (size > jack.fuse && size > jack.upTo) {
      if (jack !== last && size <= last.upTo) continue;
      return shown(probing.function, 0, options, ['fuse'], [{ kind: 'meter-fuse', amps: size }]);
    }
    const seen = seenBy(probing.function, found);
    if (Math.abs(seen) <= jack.upTo || jack === last)
      return shown(probing.function, seen, options, settled ? [] : ['unsteady']);
  }
  return shown(probing.function, Infinity, options);
}

/** Ohms, continuity, diode, capacitance, insulation: the meter drives, after a look at what is there. */
function driven(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const { air = AIR, at = 0 } = options;
  const base = withElements(circuit, leads(probing.red, probing.black!));
  const probe = new DrivenProbe(base, { air, at });
  const strong = alternates(circuit)
    ? present(base, options)
    : Math.abs(probe.with(0, OHMS_OPEN).v);
  const fn = probing.function;
  if (strong > DANGEROUS)
    return {
      value: null,
      unit: METER_FUNCTIONS[fn].unit ?? null,
      flags: ['auto', 'OL', 'disturbed'],
      hazards: [{ kind: 'driven-live', volts: strong }],
    };
  const disturbed: readonly Flag[] = strong > DISTURBING ? ['disturbed'] : [];
  if (fn === 'capacitance')
    return strong > DISTURBING
      ? { value: null, unit: 'F', flags: ['auto', 'OL', 'disturbed'], hazards: [] }
      : shown(fn, chargeReading(base, options), options);
  if (fn === 'insulation') return insulation(base, probe, probing, options);
  if (fn === 'diode') {
    const { v } = probe.with(1e-3, DIODE_OPEN);
    return shown(fn, v, options, disturbed);
  }
  const ohms = probe.ohms(options.meter ?? BENCH_METER, fn);
  const buzzer = fn === 'continuity' && ohms < (options.meter?.buzzerBelow ?? 40);
  return shown(fn, ohms, options, [...disturbed, ...(buzzer ? (['buzzer'] as const) : [])]);
}

/** Volts between the probes before the meter drives: a megohm input does not disturb them. */
function present(base: Circuit, { air = AIR, at = 0 }: MeasureOptions): number {
  const loaded = withElements(base, [burden(10e6)]);
  const { mean, rms } = steadyState(loaded, [INPUT], { air, at }).values[0]!;
  return Math.hypot(mean, rms);
}

/** One system for all ranges: only the drive changes between solutions. */
export class DrivenProbe {
  readonly #system: System;
  readonly #drive: Drive;
  readonly #at: number;
  #started = false;

  constructor(base: Circuit, { air, at }: { air: number; at: number }) {
    this.#system = new System(withElements(base, [drive(0, OHMS_OPEN)]), { air });
    this.#drive = this.#system.device(METER.drive) as Drive;
    this.#at = at;
  }

  /** Volts and amps at the input while the meter drives so many amps, up to so many volts. */
  with(amps: number, volts: number): { v: number; i: number } {
    this.#drive.set(amps, volts);
    this.#system.operatingPoint(this.#at, { keep: this.#started });
    this.#started = true;
    const v = this.#system.volts(METER.red)! - this.#system.volts(METER.black)!;
    return { v, i: -this.#drive.current(this.#system.x) };
  }

  /** Auto-ranging: from the finest range up, until the figure fits. Infinite beyond the last. */
  ohms(meter: MeterProfile, fn: MeterFunction): number {
    for (const { upTo } of rangesOf(meter, fn)) {
      const amps = OHMS_FULL_SCALE / upTo;
      const { v } = this.with(amps, OHMS_OPEN);
      // The meter divides by the current it means to drive.
      if (v <= OHMS_FULL_SCALE * (1 + 1e-9)) return Math.max(0, v / amps);
    }
    return Infinity;
  }

  volts(node: string): number {
    return this.#system.volts(node)!;
  }
}

function insulation(
  base: Circuit,
  probe: DrivenProbe,
  probing: Probing,
  options: MeasureOptions,
): Indication {
  const test = probing.testVolts ?? 500;
  const { v, i } = probe.with(INSULATION_AMPS, test * 1.05);
  const hazards = base.ratings
    .map(({ node, volts: most }) => ({ node, most, volts: Math.abs(probe.volts(node)) }))
    .filter(({ most, volts: found }) => found > most)
    .map(({ node, volts: found }): Hazard => ({ kind: 'destroyed', node, volts: found }));
  return shown('insulation', i > 1e-12 ? v / i : Infinity, options, [], hazards);
}
