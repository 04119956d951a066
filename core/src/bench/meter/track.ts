/**
 * A reading over time, update by update: how a display climbs on a capacitor, falls with a bus, or
 * stands. It is the meter of {@link measure}: the same input, ranges, flags and hazards. Where the
 * circuit itself moves it is followed in one run, and each update sums up what the input saw since the
 * last; else each update is what stands when the slow sources are where they are at that moment.
 */
import type { MeterFunction } from '../../meter/functions';
import type { Circuit } from '../circuit';
import { levelAt } from '../elements/wave';
import { quieted } from '../solve/quieted';
import { alternates, isPassing } from '../solve/rhythm';
import { BENCH_METER, DANGEROUS, DISTURBING, DRIVES, UPDATES } from './bench-meter';
import { checkPlaces, measure, placesOf } from './measure';
import { touchedBy, type Probing } from './probing';
import { runOf, standingVolts } from './run';
import type { Seen, Track, TrackOptions, Update } from './over-time';
import { figureOf, remarksOf, type Flag, type Hazard } from './shown';

/** @throws {CoreError} as {@link measure} does. */
export function track(drawn: Circuit, probing: Probing, options: TrackOptions): Track {
  const { meter = BENCH_METER, seconds, every = 1 / UPDATES } = options;
  checkPlaces(placesOf(drawn), probing, meter);
  const circuit = quieted(drawn, touchedBy(probing));
  const times = Array.from(
    { length: Math.floor(seconds / every + 1e-9) },
    (_, i) => (i + 1) * every,
  );
  const { seen, hazards } = follow(circuit, probing, options, times);
  return { updates: displayed(probing.function, seen, times, every, options), hazards };
}

/** Share of the way to a new value that the display goes with each update. */
const FOLLOWS = 0.85;

function displayed(
  fn: MeterFunction,
  seen: readonly Seen[],
  times: readonly number[],
  every: number,
  options: TrackOptions,
): Update[] {
  let display = 0;
  return seen.map(({ value: now, flags }, i) => {
    const more = flags.length > 0 && { flags };
    const t = times[i] ?? 0;
    if (!Number.isFinite(now)) return { t, value: null, ...more };
    // Samples far apart have long settled by the time they are written down.
    display = every > 1 ? now : display + FOLLOWS * (now - display);
    if (Math.abs(display - now) < 1e-4 * Math.abs(now)) display = now;
    return { t, value: figureOf(fn, display, options), ...more };
  });
}

interface Followed {
  readonly seen: readonly Seen[];
  readonly hazards: readonly Hazard[];
}

function follow(
  circuit: Circuit,
  probing: Probing,
  options: TrackOptions,
  times: readonly number[],
): Followed {
  const fn = probing.function;
  const charged = options.start === 'initial' && stores(circuit);
  if (charged && DRIVES.has(fn)) {
    const volts = standingVolts(circuit, probing, options);
    if (volts > DANGEROUS) return { seen: [], hazards: [{ kind: 'driven-live', volts }] };
    if (volts > DISTURBING && !RUNS.has(fn)) {
      const value = fn === 'capacitance' ? Infinity : undefined;
      return disturbed(standing(circuit, probing, options, times), value);
    }
  }
  const runs = (charged && !(DRIVES.has(fn) && !RUNS.has(fn))) || moves(circuit, fn);
  if (!runs) return standing(circuit, probing, options, times);
  // What drives looks first; at a charge it has looked, but not at what still swings beside it.
  const looks = DRIVES.has(fn) && (!charged || alternates(circuit));
  const first = looks ? measure(circuit, probing, options) : undefined;
  if (first && first.hazards.length > 0) return { seen: [], hazards: first.hazards };
  const run = runOf(circuit, probing, options, times);
  return first?.flags.includes('disturbed') ? disturbed(run, undefined) : run;
}

/** What drives a circuit little by little, so that its figure can be watched. */
const RUNS: ReadonlySet<MeterFunction> = new Set(['ohm', 'continuity', 'diode']);

/** @param value - What is shown instead, if anything. */
const disturbed = ({ seen, hazards }: Followed, value: number | undefined): Followed => ({
  seen: seen.map((each) => ({
    value: value ?? each.value,
    flags: [...new Set<Flag>([...each.flags, 'disturbed'])],
  })),
  hazards,
});

const stores = ({ elements }: Circuit) =>
  elements.some(({ kind }) => kind === 'capacitor' || kind === 'inductor');

/** Whether one moment follows from another, in ways that a display shows. */
function moves(circuit: Circuit, fn: MeterFunction): boolean {
  if (alternates(circuit) || (DRIVES.has(fn) && !RUNS.has(fn))) return false;
  const { elements } = circuit;
  if (elements.some(({ kind }) => kind === 'sequencer')) return true;
  return stores(circuit) && (DRIVES.has(fn) || elements.some(isPassing));
}

/** Nothing remembers, or only within a turn: the same levels of the slow sources give the same figure. */
function standing(
  circuit: Circuit,
  probing: Probing,
  { at = 0, ...rest }: TrackOptions,
  times: readonly number[],
): Followed {
  const known = new Map<string, Seen>();
  const seen: Seen[] = [];
  const goes = circuit.elements.some((each) => isPassing(each) || each.kind === 'sequencer');
  for (const t of times) {
    const key = goes ? slowLevels(circuit, at + t) : '';
    let now = known.get(key);
    if (!now) {
      const moment = goes ? at + t : at;
      const { value, flags, hazards } = measure(circuit, probing, { ...rest, at: moment });
      if (hazards.length > 0) return { seen, hazards };
      now = { value: value ?? Infinity, flags: remarksOf(flags) };
      known.set(key, now);
    }
    seen.push(now);
  }
  return { seen, hazards: [] };
}

/** Where every source that goes somewhere stands, as a key. */
const slowLevels = ({ elements }: Circuit, t: number): string =>
  elements
    .map((each) =>
      'wave' in each && isPassing(each)
        ? levelAt(each.wave, t).toPrecision(6)
        : each.kind === 'sequencer'
          ? String(t)
          : '',
    )
    .join('');
