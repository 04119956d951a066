/**
 * Probing a specimen in the course of a job: the machine is in the state that its log says, the bus
 * decays from the moment of isolation, and what is unsafe is told.
 */
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';
import type { MeterProfile } from '../../meter/profile';
import { formatQuantity } from '../../units/format';
import { pairsOf } from '../../conditions/pairs';
import { SOURCES, supplyVolts, type SourceKind } from '../../conditions/sources';
import { changed } from '../changes';
import { circuitOf, type Circuit } from '../circuit';
import { type Wave as SourceWave } from '../elements/element';
import { BENCH_METER, UPDATES } from '../meter/bench-meter';
import { EXACT, type Deviation } from '../meter/indicate';
import { measure } from '../meter/measure';
import { type Probing } from '../meter/probing';
import { AIR, remarksOf, type Hazard } from '../meter/shown';
import { chargesOf, voltsIn, withCharges } from '../meter/charged-as';
import { standingVolts } from '../meter/run';
import type { TrackOptions, Update } from '../meter/over-time';
import { track } from '../meter/track';
import { recentOf } from '../recent';
import { withoutWays } from '../solve/foresight';
import type { Stored } from '../solve/stored';
import { quieted } from '../solve/quieted';
import { System } from '../solve/system';
import { runTransient, startFromInitial } from '../solve/transient';
import type { BenchModel } from '../../sheet/schema';
import { restOf } from './at-rest';
import {
  build,
  circuitOfBench,
  flickers,
  situationChanges,
  type BenchedSheet,
  type Specimen,
} from './machine';
import { breaksFor, placed } from './probing';

/** What the job's log says of the machine. */
export interface MachineFacts {
  /** Seconds since it was isolated; undefined while it is live. */
  readonly isolatedFor?: number | undefined;
  /** Everything opened and unplugged. */
  readonly access: readonly string[];
}

/** Where the leads are and where the dial stands. */
export interface Placement {
  readonly function: MeterFunction;
  readonly red?: string | undefined;
  readonly black?: string | undefined;
  /** State wanted while it is live; the first live one where the sheet has no such. */
  readonly state?: string | undefined;
  readonly phase?: string | undefined;
  readonly observable?: string | undefined;
  readonly lowImpedance?: boolean | undefined;
}

/** Place of a known source that a meter is proven on. */
export const knownSource = (kind: SourceKind): string => `known-source/${kind}`;
/** Place of two tips pressed together, off the machine. */
export const LEADS_TOGETHER = 'leads-together';

/** Which known source a place is; undefined for a place of the machine. */
export const knownSourceAt = (place: string | undefined): SourceKind | undefined =>
  SOURCES.find((kind) => place === knownSource(kind));
/** Mark of the simulated proving unit. */
export const PROVING_UNIT_VOLTS = 240;

export interface Probed {
  /** One figure for each update of the meter from the moment of contact. */
  readonly updates: readonly Update[];
  readonly hazards: readonly Hazard[];
  /** The last figure stays; false where it goes on changing. */
  readonly rests: boolean;
}

const NOTHING: Probed = { updates: [], hazards: [], rests: true };

export interface ProbeOptions {
  readonly seconds: number;
  readonly meter?: MeterProfile;
  readonly deviation?: Deviation;
  /** For what comes and goes. */
  readonly roll?: () => number;
}

/**
 * @returns no updates where the probes lie on nothing the bench knows, as in the air.
 * @throws {CoreError} where the circuit cannot be solved.
 */
export function probeMachine(
  sheet: BenchedSheet,
  specimen: Specimen,
  facts: MachineFacts,
  placement: Placement,
  { seconds, meter = BENCH_METER, deviation = EXACT, roll = () => 1 }: ProbeOptions,
): Probed {
  const options = { meter, deviation, air: AIR };
  const source = knownSourceAt(placement.red);
  if (source) return onKnownSource(sheet, source, placement, options, seconds);
  if (placement.red === LEADS_TOGETHER) return onEachOther(placement, options, seconds);
  const { bench } = sheet;
  const gauge = placement.observable && bench.gauges?.[placement.observable];
  const probing = gauge
    ? { function: placement.function, red: gauge.toLowerCase() }
    : placed(bench, placement.function, placement.red, placement.black);
  if (!probing) return NOTHING;
  const asked = { ...probing, ...(placement.lowImpedance && { lowImpedance: true }) };
  const make = build(sheet, specimen);
  const breaks = breaksFor(bench, placement.function, [placement.red, placement.black]);
  const { access } = facts;
  const { phase, observable } = placement;
  const done = (state: string) => [
    ...situationChanges(bench, { state, access, phase, observable }),
    ...breaks,
  ];
  const { live, dead } = statesOf(sheet, placement.state);
  const isolated = facts.isolatedFor !== undefined;
  const now = done(isolated ? dead : live);
  const standing = () => changed(make(roll), now);
  const circuit = standing();
  const probed =
    isolated && stores(circuit)
      ? onCharged(
          sheet,
          specimen,
          circuit,
          asked,
          { ...options, seconds },
          facts.isolatedFor!,
          done,
        )
      : onSettled(bench, circuit, asked, { ...options, seconds }, now, !isolated);
  if (probed.hazards.length > 0 || !flickers(specimen)) return probed;
  // On a dead machine volts come from what is stored, whatever comes and goes; and over a charge
  // nothing that drives shows anything worth its flickering.
  const charged = isolated && stores(circuit);
  if (charged && (!METER_FUNCTIONS[asked.function].deadOnly || isDisturbed(probed))) return probed;
  return flickering(standing, asked, options, seconds);
}

const isDisturbed = ({ updates }: Probed) =>
  updates.some(({ flags }) => flags?.includes('disturbed'));

type Options = TrackOptions & { readonly air: number };

function onSettled(
  bench: BenchModel,
  circuit: Circuit,
  asked: Probing,
  options: Options,
  changes: readonly string[],
  rests: boolean,
): Probed {
  const near = nearAtRest(bench, changes);
  return { ...track(circuit, asked, { ...options, near }), rests };
}

/** The machine that is probed may be a broken one. */
const nearAtRest = (bench: BenchModel, changes: readonly string[]) =>
  withoutWays(restOf(bench, changes.join('\n'), () => changed(circuitOfBench(bench), changes)));

/** Charged as the live machine left it, then left to itself until now. */
function onCharged(
  sheet: BenchedSheet,
  specimen: Specimen,
  circuit: Circuit,
  asked: Probing,
  options: Options,
  isolatedFor: number,
  done: (state: string) => string[],
): Probed {
  const left = sheet.states
    .filter(({ energy }) => energy === 'live')
    .map(({ id }) => withCharges(circuit, leftBy(sheet, specimen, done(id))));
  const rested = leftAlone(fullest(sheet, left) ?? circuit, isolatedFor);
  return { ...track(rested, asked, { ...options, start: 'initial' }), rests: false };
}

/** How many states of machines are remembered. */
const MOST_LEFT = 200;
const known = recentOf<Stored>(MOST_LEFT);

/** What a state of this specimen leaves on its capacitors: the same for every placement of the leads. */
const leftBy = (sheet: BenchedSheet, specimen: Specimen, changes: readonly string[]): Stored =>
  known(sheet.bench).of(JSON.stringify([specimen, changes]), () =>
    chargesOf(changed(build(sheet, specimen)(), changes), {
      near: nearAtRest(sheet.bench, changes),
    }),
  );

function statesOf(sheet: BenchedSheet, wanted: string | undefined) {
  const live = sheet.states.filter(({ energy }) => energy === 'live');
  const dead = sheet.states.filter(({ energy }) => energy === 'dead');
  return {
    live: (live.find(({ id }) => id === wanted) ?? live[0])?.id ?? '',
    dead: (dead.find(({ id }) => id === wanted) ?? dead[0])?.id ?? '',
  };
}

/** As found, the machine may have been in any state: the one that leaves most on its stores is taken. */
function fullest(sheet: BenchedSheet, charged: readonly Circuit[]): Circuit | undefined {
  const across = pairsOf(sheet).flatMap(({ from, to, function: fn }) => {
    const [red, black] = [sheet.bench.nodes[from], sheet.bench.nodes[to]];
    return fn !== 'V=' || red === undefined || black === undefined
      ? []
      : [{ function: fn, red: red.toLowerCase(), black: black.toLowerCase() } as const];
  });
  if (charged.length < 2) return charged[0];
  const volts = charged.map((each) =>
    across.reduce((sum, pair) => sum + standingVolts(each, pair, { air: AIR }), 0),
  );
  return charged[volts.indexOf(Math.max(...volts))];
}

const stores = ({ elements }: Circuit) => elements.some(({ kind }) => kind === 'capacitor');

function flickering(
  again: () => Circuit,
  probing: Probing,
  options: Parameters<typeof measure>[2],
  seconds: number,
): Probed {
  const updates = Array.from({ length: Math.floor(seconds * UPDATES) }, (_, i): Update => {
    const { value, flags } = measure(again(), probing, options);
    return { t: (i + 1) / UPDATES, value, flags: remarksOf(flags) };
  });
  return { updates, hazards: [], rests: false };
}

/** A known source of that kind, and what stands there whatever the dial says. */
function sourceWave(sheet: BenchedSheet, kind: SourceKind): SourceWave {
  const sine = (rms: number, hertz: number): SourceWave => ({
    kind: 'sin',
    offset: 0,
    amplitude: rms * Math.SQRT2,
    hertz,
    delay: 0,
    damping: 0,
    phase: 0,
  });
  const hertz = sheet.equipment.supply?.hertz || 60;
  switch (kind) {
    case 'supply':
      return sine(supplyVolts(sheet).at(-1) ?? 127, hertz);
    case 'battery':
      return { kind: 'dc', value: 9.2 };
    case 'proving-unit':
      return sine(PROVING_UNIT_VOLTS, hertz);
  }
}

/** A known source to prove the meter on: the supply before its isolator, a battery, a proving unit. */
function onKnownSource(
  sheet: BenchedSheet,
  kind: SourceKind,
  placement: Placement,
  options: { meter: MeterProfile; deviation: Deviation; air: number },
  seconds: number,
): Probed {
  const both = kind === 'proving-unit' && placement.function === 'V=';
  const source = circuitOf([
    {
      kind: 'voltage',
      name: 'v',
      nodes: ['a', '0'],
      // A proving unit has a DC outlet beside the AC one.
      wave: both ? { kind: 'dc', value: PROVING_UNIT_VOLTS } : sourceWave(sheet, kind),
      ac: { magnitude: 0, phase: 0 },
    },
    { kind: 'resistor', name: 'r', nodes: ['a', 'b'], ohms: 2 },
  ]);
  const probing = { function: placement.function, red: 'b', black: '0' };
  return { ...track(source, probing, { ...options, seconds }), rests: true };
}

/** What the tips touch of each other is next to nothing: the rest is the leads. */
const TIPS_OHMS = 1e-3;

function onEachOther(
  placement: Placement,
  options: { meter: MeterProfile; deviation: Deviation; air: number },
  seconds: number,
): Probed {
  const tips = circuitOf([{ kind: 'resistor', name: 'tips', nodes: ['b', '0'], ohms: TIPS_OHMS }]);
  const probing = { function: placement.function, red: 'b', black: '0' };
  return { ...track(tips, probing, { ...options, seconds }), rests: true };
}

/** The same circuit with its capacitors as they stand after so long without a meter on them. */
function leftAlone(circuit: Circuit, seconds: number): Circuit {
  if (seconds <= 0) return circuit;
  const system = new System(quieted(circuit, []), { air: AIR });
  startFromInitial(system, 0);
  runTransient(system, { from: 0, to: seconds, most: seconds / 20 }, () => {});
  return withCharges(circuit, voltsIn(circuit, system));
}

/** What an unsafe act would have done, for the technician. */
export function hazardWords(
  hazard: Hazard,
  placeName: (node: string) => string = (n) => n,
): string {
  switch (hazard.kind) {
    case 'driven-live':
      return `${formatQuantity(hazard.volts, 'V')} stand between the probes, and the meter was about to drive them. On a real machine: a dead meter, or an arc in your hand. Set it to volts, isolate, prove it dead.`;
    case 'meter-fuse':
      return `${formatQuantity(hazard.amps, 'A')} through the meter: its fuse has blown. Amps are measured in series, never across a supply. Replace the fuse before measuring amps again.`;
    case 'destroyed':
      return `${formatQuantity(hazard.volts, 'V')} on ${placeName(hazard.node)}: an insulation test reached electronics. On a real machine that board is dead now. Unplug the board before insulation is tested.`;
  }
}
