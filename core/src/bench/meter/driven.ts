/** Ohms, continuity, diode, capacitance, insulation: the meter drives, after a look at what is there. */
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';
import { rangesOf, type MeterProfile } from '../../meter/profile';
import type { Circuit } from '../circuit';
import type { Drive } from '../elements/drive';
import type { Lead } from '../elements/lead';
import { type Quantity } from '../solve/quantity';
import { alternates } from '../solve/rhythm';
import { steadyState } from '../solve/steady';
import type { Settled } from '../solve/stretch';
import { System } from '../solve/system';
import { burden, drive, leads, METER, movableLeads } from './attach';
import {
  BENCH_METER,
  DANGEROUS,
  DIODE_OPEN,
  DISTURBING,
  INSULATION_AMPS,
  OHMS_FULL_SCALE,
  OHMS_OPEN,
} from './bench-meter';
import { chargeReading } from './capacitance';
import type { Probing } from './probing';
import { AIR, shown, type Flag, type Hazard, type Indication, type MeasureOptions } from './shown';
import { nth } from '../../numeric/nth';

const sizeOf = ({ mean, rms }: Settled) => Math.hypot(mean, rms);

export interface Place {
  readonly red: string;
  readonly black: string;
}
type Driven = Probing & { readonly black: string };

/**
 * A meter that drives, on one circuit: built once, its leads are laid from place to place. What the
 * circuit holds (fuses, relays) begins anew with every placement.
 */
export class DrivenMeter {
  readonly #circuit: Circuit;
  readonly #options: MeasureOptions;
  readonly #probe: DrivenProbe;

  /** Volts at the places before anything is driven, no meter on them; looked up where something swings. */
  #before: ReadonlyMap<string, number> | undefined;
  readonly #places: readonly Place[];

  /** @param places - All that the leads will touch. */
  constructor(circuit: Circuit, places: readonly Place[], options: MeasureOptions = {}) {
    this.#circuit = circuit;
    this.#options = options;
    this.#places = places;
    this.#probe = new DrivenProbe(
      circuit,
      places.flatMap(({ red, black }) => [red, black]),
      options,
    );
  }

  read(probing: Driven): Indication {
    const { meter = BENCH_METER } = this.#options;
    const fn = probing.function;
    this.#probe.place(probing.red, probing.black);
    const strong = alternates(this.#circuit)
      ? this.#present(probing)
      : Math.abs(this.#probe.with(0, OHMS_OPEN).v);
    if (strong > DANGEROUS)
      return overload(fn, ['disturbed'], [{ kind: 'driven-live', volts: strong }]);
    const disturbed: readonly Flag[] = strong > DISTURBING ? ['disturbed'] : [];
    switch (fn) {
      case 'capacitance':
        return strong > DISTURBING
          ? overload(fn, ['disturbed'], [])
          : shown(fn, chargeReading(this.#touched(probing), this.#options), this.#options);
      case 'insulation':
        return this.#insulation(probing);
      case 'diode':
        return shown(fn, this.#probe.with(1e-3, DIODE_OPEN).v, this.#options, disturbed);
      default: {
        const ohms = this.#probe.ohms(meter, fn);
        const buzzer = fn === 'continuity' && ohms < (meter.buzzerBelow ?? 40);
        const more = buzzer ? (['buzzer'] as const) : [];
        return shown(fn, ohms, this.#options, [...disturbed, ...more]);
      }
    }
  }

  #touched({ red, black }: Driven): Circuit {
    return { ...this.#circuit, elements: [...this.#circuit.elements, ...leads(red, black)] };
  }

  /** Volts between the probes before the meter drives: a megohm input does not disturb them. */
  #present(probing: Driven): number {
    const unloaded = this.#unloaded().get(`${probing.red} ${probing.black}`);
    // What is nothing without a load is nothing under one: most places of a dead machine.
    if (unloaded !== undefined && unloaded <= DISTURBING) return unloaded;
    const { air = AIR, at = 0 } = this.#options;
    const base = this.#touched(probing);
    const loaded = { ...base, elements: [...base.elements, burden(10e6)] };
    const input: Quantity = { kind: 'volts', plus: METER.red, minus: METER.black };
    return sizeOf(nth(steadyState(loaded, [input], { air, at }).values, 0));
  }

  #unloaded(): ReadonlyMap<string, number> {
    if (this.#before) return this.#before;
    const { air = AIR, at = 0 } = this.#options;
    const { values } = steadyState(
      this.#circuit,
      this.#places.map(({ red, black }): Quantity => ({ kind: 'volts', plus: red, minus: black })),
      { air, at },
    );
    this.#before = new Map(
      this.#places.map(({ red, black }, i) => [`${red} ${black}`, sizeOf(nth(values, i))]),
    );
    return this.#before;
  }

  #insulation({ testVolts = 500 }: Driven): Indication {
    const { v, i } = this.#probe.with(INSULATION_AMPS, testVolts * 1.05);
    const hazards = this.#circuit.ratings
      .map(({ node, volts: most }) => ({ node, most, volts: Math.abs(this.#probe.volts(node)) }))
      .filter(({ most, volts: found }) => found > most)
      .map(({ node, volts: found }): Hazard => ({ kind: 'destroyed', node, volts: found }));
    return shown('insulation', i > 1e-12 ? v / i : Infinity, this.#options, [], hazards);
  }
}

const overload = (
  fn: MeterFunction,
  more: readonly Flag[],
  hazards: readonly Hazard[],
): Indication => ({
  value: null,
  unit: METER_FUNCTIONS[fn].unit ?? null,
  flags: ['auto', 'OL', ...more],
  hazards,
});

/** One system for all places and ranges: only the leads and the drive change between solutions. */
class DrivenProbe {
  readonly #system: System;
  readonly #drive: Drive;
  readonly #at: number;
  #leads: readonly Lead[] = [];
  #started = false;

  constructor(circuit: Circuit, nodes: Iterable<string>, { air = AIR, at = 0 }: MeasureOptions) {
    const attached = [...movableLeads(nodes), drive(0, OHMS_OPEN)];
    this.#system = new System(
      { ...circuit, elements: [...circuit.elements, ...attached] },
      { air },
    );
    this.#drive = this.#system.device(METER.drive) as Drive;
    this.#at = at;
  }

  place(red: string, black: string): void {
    for (const lead of this.#leads) lead.down = false;
    this.#leads = [METER.red, METER.black].map((jack, i) => {
      const lead = this.#system.device(`${jack} on ${[red, black][i]}`) as Lead;
      lead.down = true;
      return lead;
    });
    this.#started = false;
  }

  /** Volts and amps at the input while the meter drives so many amps, up to so many volts. */
  with(amps: number, volts: number): { v: number; i: number } {
    this.#drive.set(amps, volts);
    this.#system.operatingPoint(this.#at, { keep: this.#started });
    this.#started = true;
    const v = this.#system.voltsAt(METER.red) - this.#system.voltsAt(METER.black);
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
    return this.#system.voltsAt(node);
  }
}
