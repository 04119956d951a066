/**
 * A reading over time, update by update: how a display climbs on a capacitor, falls with a bus, or
 * stands. Slow circuits without a sine are followed in one run; with one, each update is a steady state.
 */
import { rangesOf } from '../../meter/profile';
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';
import type { Circuit } from '../circuit';
import type { Element } from '../elements/index';
import type { Drive } from '../elements/drive';
import { Capacitor } from '../elements/capacitor';
import { levelAt } from '../elements/wave';
import { reader, type Quantity } from '../solve/quantity';
import { alternates } from '../solve/rhythm';
import { System } from '../solve/system';
import { runTransient, startFromInitial } from '../solve/transient';
import { burden, drive, leads, METER, shunt } from './attach';
import {
  BENCH_METER,
  DIODE_OPEN,
  DRIVES,
  JACKS,
  OHMS_FULL_SCALE,
  OHMS_OPEN,
  UPDATES,
} from './bench-meter';
import { EXACT, indicate } from './indicate';
import { checkPlaces, measure, placesOf } from './measure';
import { type Probing } from './probing';
import type { MeasureOptions } from './shown';
import { nth } from '../../numeric/nth';

export interface Update {
  /** Seconds since the probes touched. */
  readonly t: number;
  /** null for OL. */
  readonly value: number | null;
}

export interface TrackOptions extends MeasureOptions {
  readonly seconds: number;
  /** Seconds between updates; the meter's own rate where absent. */
  readonly every?: number;
  /**
   * `rest`: everything has settled before the probes touch. `initial`: capacitors begin with their
   * initial volts, as after switching off.
   */
  readonly start?: 'rest' | 'initial';
}

/** Share of the way to a new value that the display goes with each update. */
const FOLLOWS = 0.85;

/**
 * @returns one update for each moment from the first on; the display starts from 0.
 * @throws {CoreError} as {@link measure} does.
 */
export function track(circuit: Circuit, probing: Probing, options: TrackOptions): Update[] {
  const { meter = BENCH_METER, deviation = EXACT, seconds, every = 1 / UPDATES } = options;
  checkPlaces(placesOf(circuit), probing, meter);
  const times = Array.from(
    { length: Math.floor(seconds / every + 1e-9) },
    (_, i) => (i + 1) * every,
  );
  const seen = followed(circuit, probing, options, times);
  let display = 0;
  return times.map((t, i) => {
    const now = nth(seen, i);
    if (!Number.isFinite(now)) return { t, value: null };
    // Samples far apart have long settled by the time they are written down.
    display = every > 1 ? now : display + FOLLOWS * (now - display);
    if (Math.abs(display - now) < 1e-4 * Math.abs(now)) display = now;
    return {
      t,
      value: METER_FUNCTIONS[probing.function].metered
        ? indicate(meter, probing.function, display, deviation).value
        : Number(display.toPrecision(5)),
    };
  });
}

/** Functions that show what swings, and nothing of what stands. */
const ALTERNATING: ReadonlySet<MeterFunction> = new Set(['V~', 'A~', 'clamp~']);

function followed(
  circuit: Circuit,
  probing: Probing,
  options: TrackOptions,
  times: readonly number[],
): number[] {
  const fn = probing.function;
  const slow =
    !alternates(circuit) && !ALTERNATING.has(fn) && fn !== 'capacitance' && fn !== 'insulation';
  if (slow && moves(circuit, options)) return inOneRun(circuit, probing, options, times);
  const { at = 0, ...rest } = options;
  // An AC input lets no direct voltage through: where nothing swings it shows nothing.
  if (!alternates(circuit) && ALTERNATING.has(fn)) return times.map(() => 0);
  if (!alternates(circuit) && !DRIVES.has(fn)) return atRest(circuit, probing, options, times);
  // Nothing remembers, so that the same levels of the slow sources give the same figure.
  const known = new Map<string, number>();
  return times.map((t) => {
    const key = slowLevels(circuit, at + t);
    const before = known.get(key);
    if (before !== undefined) return before;
    const now = measure(circuit, probing, { ...rest, at: at + t }).value ?? Infinity;
    known.set(key, now);
    return now;
  });
}

/** One system for all moments: only its slow sources move. */
function atRest(
  circuit: Circuit,
  probing: Probing,
  { at = 0, air = 1e-12 }: TrackOptions,
  times: readonly number[],
): number[] {
  const { attached, input } = probed(probing);
  const system = new System({ ...circuit, elements: [...circuit.elements, ...attached] }, { air });
  const read = reader(system, input);
  const known = new Map<string, number>();
  return times.map((t, i) => {
    const key = slowLevels(circuit, at + t);
    const before = known.get(key);
    if (before !== undefined) return before;
    system.operatingPoint(at + t, { keep: i > 0 });
    const now = read();
    known.set(key, now);
    return now;
  });
}

/** What a function puts into the circuit, and what it looks at there. */
function probed(probing: Probing): { attached: Element[]; input: Quantity } {
  const fn = probing.function;
  if (fn === 'clamp=' || fn === 'clamp~')
    return { attached: [], input: { kind: 'amps', element: probing.clamp! } };
  if (METER_FUNCTIONS[fn].placing !== 'two' || probing.black === undefined)
    return { attached: [], input: { kind: 'volts', plus: probing.red, minus: '0' } };
  const inside: Element[] = DRIVES.has(fn)
    ? [drive(0, OHMS_OPEN)]
    : fn === 'A=' || fn === 'A~'
      ? shunt(JACKS[0].ohms)
      : [burden(10e6)];
  const attached = [...leads(probing.red, probing.black), ...inside];
  return fn === 'A=' || fn === 'A~'
    ? { attached, input: { kind: 'amps', element: METER.burden } }
    : { attached, input: { kind: 'volts', plus: METER.red, minus: METER.black } };
}

/** Where every source that is neither steady nor a sine stands, as a key. */
const slowLevels = ({ elements }: Circuit, t: number): string =>
  elements
    .map((each) =>
      'wave' in each && (each.wave.kind === 'pwl' || each.wave.kind === 'pulse')
        ? levelAt(each.wave, t).toPrecision(6)
        : each.kind === 'sequencer'
          ? String(t)
          : '',
    )
    .join('');

/** Whether anything remembers, so that one moment follows from another. */
const moves = ({ elements }: Circuit, { start }: TrackOptions) =>
  start === 'initial' ||
  elements.some(({ kind }) => kind === 'capacitor' || kind === 'inductor' || kind === 'sequencer');

/** One transient with the meter in place; ohms change their range as a meter does, between updates. */
function inOneRun(
  circuit: Circuit,
  probing: Probing,
  { meter = BENCH_METER, air = 1e-12, at = 0, start = 'rest', seconds }: TrackOptions,
  times: readonly number[],
): number[] {
  const fn = probing.function;
  const ohms = fn === 'ohm' || fn === 'continuity';
  const { attached, input } = probed(probing);
  const system = new System({ ...circuit, elements: [...circuit.elements, ...attached] }, { air });
  const source = system.device(METER.drive) as Drive | undefined;
  if (start === 'initial') startFromInitial(system, at);
  else system.operatingPoint(at, { settled: false });
  const read = reader(system, input);
  const ranges = rangesOf(meter, fn);
  let range = 0;
  const set = () => {
    if (fn === 'diode') source?.set(1e-3, DIODE_OPEN);
    else if (ohms) source?.set(OHMS_FULL_SCALE / nth(ranges, range).upTo, OHMS_OPEN);
  };
  set();
  const seen: number[] = [];
  let from = at;
  // A run for each update: between two of them the range may change.
  for (const [i, time] of times.entries()) {
    const to = at + time;
    runTransient(system, { from, to, most: Math.min(to - from, seconds / 50) }, () => {});
    from = to;
    const v = read();
    if (!ohms) seen[i] = v;
    else {
      const upTo = nth(ranges, range).upTo;
      const value = (v / OHMS_FULL_SCALE) * upTo;
      if (v > OHMS_FULL_SCALE && range < ranges.length - 1) {
        range += 1;
        set();
        seen[i] = seen[i - 1] ?? Infinity;
      } else if (v < 0.08 * OHMS_FULL_SCALE && range > 0) {
        range -= 1;
        set();
        seen[i] = Math.max(0, value);
      } else seen[i] = v > OHMS_FULL_SCALE ? Infinity : Math.max(0, value);
    }
  }
  return seen;
}

/** The same circuit with its capacitors charged as another left them: after the switch was thrown. */
export function chargedAs(circuit: Circuit, before: Circuit, air = 1e-12, at = 0): Circuit {
  const charges = charge(before, air, at);
  return {
    ...circuit,
    elements: circuit.elements.map((element) =>
      element.kind === 'capacitor'
        ? { ...element, initial: charges.get(element.name) ?? element.initial ?? 0 }
        : element,
    ),
  };
}

function charge(circuit: Circuit, air: number, at: number): Map<string, number> {
  const capacitors = circuit.elements.filter(({ kind }) => kind === 'capacitor') as Extract<
    Element,
    { kind: 'capacitor' }
  >[];
  const system = new System(circuit, { air });
  // At a crest, where a rectifier has filled them.
  const sine = circuit.elements.find((each) => 'wave' in each && each.wave.kind === 'sin');
  const quarter = sine && 'wave' in sine && sine.wave.kind === 'sin' ? 0.25 / sine.wave.hertz : 0;
  system.operatingPoint(at + quarter);
  return new Map(
    capacitors
      .filter(({ name }) => system.device(name) instanceof Capacitor)
      .map(({ name, nodes }) => [name, system.voltsAt(nodes[0]) - system.voltsAt(nodes[1])]),
  );
}
