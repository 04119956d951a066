/** Ohms, continuity, diode, capacitance, insulation: the meter drives, after a look at what is there. */
import type { MeterFunction } from '../../meter/functions';
import { rangesOf, type MeterProfile } from '../../meter/profile';
import type { Circuit } from '../circuit';
import type { Drive } from '../elements/drive';
import type { Lead } from '../elements/lead';
import { type Quantity } from '../solve/quantity';
import { alternates } from '../solve/rhythm';
import { steadyState } from '../solve/steady';
import type { Settled } from '../solve/stretch';
import { System } from '../solve/system';
import { drive, leads, METER, movableLeads } from './attach';
import {
  BENCH_METER,
  DANGEROUS,
  DIODE_AMPS,
  DIODE_OPEN,
  DISTURBING,
  INSULATION_AMPS,
  OHMS_FULL_SCALE,
  OHMS_OPEN,
} from './bench-meter';
import { chargeReading } from './capacitance';
import { voltsInput, withInput } from './input';
import type { Probing } from './probing';
import {
  AIR,
  indicationOf,
  shown,
  type Flag,
  type Hazard,
  type Indication,
  type MeasureOptions,
} from './shown';
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
      return indicationOf(fn, null, ['disturbed'], [{ kind: 'driven-live', volts: strong }]);
    const disturbed: readonly Flag[] = strong > DISTURBING ? ['disturbed'] : [];
    // What it would make of a circuit that swings changes with every moment: no figure stands for it.
    if (strong > DISTURBING && alternates(this.#circuit)) return indicationOf(fn, null, disturbed);
    switch (fn) {
      case 'capacitance':
        return strong > DISTURBING
          ? indicationOf(fn, null, disturbed)
          : shown(fn, this.#capacitance(probing), this.#options);
      case 'insulation':
        return this.#insulation(probing, disturbed);
      case 'diode':
        return shown(fn, this.#probe.with(DIODE_AMPS, DIODE_OPEN).v, this.#options, disturbed);
      default: {
        const ohms = this.#probe.ohms(meter, fn)?.ohms ?? Infinity;
        return shown(fn, ohms, this.#options, [...disturbed, ...buzzing(fn, ohms, this.#options)]);
      }
    }
  }

  #capacitance({ red, black }: Driven): number {
    const touched = withInput(this.#circuit, { elements: leads(red, black) });
    return chargeReading(touched, this.#options);
  }

  /** Volts between the probes before the meter drives: a megohm input does not disturb them. */
  #present(probing: Driven): number {
    // What is nothing without a load is nothing under one: most places of a dead machine, in one solution.
    const many = this.#places.length > 1;
    const unloaded = many && this.#unloaded().get(`${probing.red} ${probing.black}`);
    if (typeof unloaded === 'number' && unloaded <= DISTURBING) return unloaded;
    const { air = AIR, at = 0, near } = this.#options;
    const input = voltsInput(probing.red, probing.black);
    const loaded = withInput(this.#circuit, input);
    return sizeOf(nth(steadyState(loaded, [input.looksAt], { air, at, near }).values, 0));
  }

  #unloaded(): ReadonlyMap<string, number> {
    if (this.#before) return this.#before;
    const { air = AIR, at = 0, near } = this.#options;
    const { values } = steadyState(
      this.#circuit,
      this.#places.map(({ red, black }): Quantity => ({ kind: 'volts', plus: red, minus: black })),
      { air, at, near },
    );
    this.#before = new Map(
      this.#places.map(({ red, black }, i) => [`${red} ${black}`, sizeOf(nth(values, i))]),
    );
    return this.#before;
  }

  #insulation({ testVolts = 500 }: Driven, disturbed: readonly Flag[]): Indication {
    const { v, i } = this.#probe.with(INSULATION_AMPS, testVolts * 1.05);
    const hazards = this.#circuit.ratings
      .map(({ node, volts: most }) => ({ node, most, volts: Math.abs(this.#probe.volts(node)) }))
      .filter(({ most, volts: found }) => found > most)
      .map(({ node, volts: found }): Hazard => ({ kind: 'destroyed', node, volts: found }));
    return shown('insulation', i > 1e-12 ? v / i : Infinity, this.#options, disturbed, hazards);
  }
}

/** Amps that a range of ohms drives. */
export const ohmsAmps = (upTo: number): number => OHMS_FULL_SCALE / upTo;

/** Volts below zero that are an offset and no voltage of the circuit's. */
const OFFSET = 1e-3;

/**
 * What a range makes of the volts at its input, dividing by the current it means to drive. Infinite
 * where they are beyond its scale, at either end: a voltage that stands there the other way round is no
 * low resistance.
 */
export function ohmsShown(v: number, upTo: number): number {
  if (v > OHMS_FULL_SCALE * (1 + 1e-9) || v < -OFFSET) return Infinity;
  return Math.max(0, v / ohmsAmps(upTo));
}

/** The buzzer, where it is asked for. */
export const buzzing = (
  fn: MeterFunction,
  ohms: number,
  { meter = BENCH_METER }: MeasureOptions,
): readonly Flag[] => (fn === 'continuity' && ohms < (meter.buzzerBelow ?? 40) ? ['buzzer'] : []);

/** One system for all places and ranges: only the leads and the drive change between solutions. */
export class DrivenProbe {
  readonly #system: System;
  readonly #drive: Drive;
  readonly #at: number;
  #leads: readonly Lead[] = [];
  #started = false;

  constructor(circuit: Circuit, nodes: Iterable<string>, { air = AIR, at = 0 }: MeasureOptions) {
    const attached = [...movableLeads(nodes), drive(0, OHMS_OPEN)];
    this.#system = new System(withInput(circuit, { elements: attached }), { air });
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

  /**
   * Auto-ranging: from the finest range up, until the figure fits.
   * @returns undefined beyond the last, or where what stands there drives the other way.
   */
  ohms(meter: MeterProfile, fn: MeterFunction): { ohms: number; range: number } | undefined {
    for (const [range, { upTo }] of rangesOf(meter, fn).entries()) {
      const { v } = this.with(ohmsAmps(upTo), OHMS_OPEN);
      const ohms = ohmsShown(v, upTo);
      if (Number.isFinite(ohms)) return { ohms, range };
    }
    return undefined;
  }

  volts(node: string): number {
    return this.#system.voltsAt(node);
  }
}
