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
import { Capacitor } from '../elements/capacitor';
import { BENCH_METER, DANGEROUS, UPDATES } from '../meter/bench-meter';
import { EXACT, type Deviation } from '../meter/indicate';
import { measure } from '../meter/measure';
import { type Probing } from '../meter/probing';
import { AIR, type Hazard } from '../meter/shown';
import { chargedAs, track, type Update } from '../meter/track';
import { System } from '../solve/system';
import { runTransient, startFromInitial } from '../solve/transient';
import { build, inSituation, type BenchedSheet, type Specimen } from './machine';
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
  const standing = (state: string, circuit = make(roll)) =>
    changed(
      inSituation(sheet, circuit, {
        state,
        access: facts.access,
        ...(placement.phase !== undefined && { phase: placement.phase }),
        ...(placement.observable !== undefined && { observable: placement.observable }),
      }),
      breaks,
    );
  const { live, dead } = statesOf(sheet, placement.state);
  const isolated = facts.isolatedFor !== undefined;
  const circuit = standing(isolated ? dead : live);
  const { hazards } = measure(circuit, asked, options);
  if (hazards.length > 0) return { updates: [], hazards, rests: true };
  if (specimen.changes.some((change) => /^\s*flicker/i.test(change)))
    return flickering(() => standing(isolated ? dead : live), asked, options, seconds);
  if (isolated && stores(circuit)) {
    // Charged as the live machine left it, then left to itself until now.
    const rested = leftAlone(fullest(sheet, circuit, standing), facts.isolatedFor!);
    const charge = METER_FUNCTIONS[placement.function].deadOnly ? standingCharge(rested, asked) : 0;
    if (charge > DANGEROUS)
      return { updates: [], hazards: [{ kind: 'driven-live', volts: charge }], rests: false };
    const updates = track(rested, asked, { ...options, seconds, start: 'initial' });
    return { updates, hazards: [], rests: false };
  }
  const updates = track(circuit, asked, { ...options, seconds });
  return { updates, hazards: [], rests: !isolated };
}

function statesOf(sheet: BenchedSheet, wanted: string | undefined) {
  const live = sheet.states.filter(({ energy }) => energy === 'live');
  const dead = sheet.states.filter(({ energy }) => energy === 'dead');
  return {
    live: (live.find(({ id }) => id === wanted) ?? live[0])?.id ?? '',
    dead: (dead.find(({ id }) => id === wanted) ?? dead[0])?.id ?? '',
  };
}

/** As found, the machine may have been in any state: the one that leaves most on its stores is taken. */
function fullest(
  sheet: BenchedSheet,
  circuit: Circuit,
  standing: (state: string) => Circuit,
): Circuit {
  const charged = sheet.states
    .filter(({ energy }) => energy === 'live')
    .map(({ id }) => chargedAs(circuit, standing(id)));
  const across = pairsOf(sheet).flatMap(({ from, to, function: fn }) => {
    const [red, black] = [sheet.bench.nodes[from], sheet.bench.nodes[to]];
    return fn !== 'V=' || red === undefined || black === undefined
      ? []
      : [{ function: fn, red: red.toLowerCase(), black: black.toLowerCase() } as const];
  });
  const volts = charged.map((each) =>
    across.reduce((sum, pair) => sum + standingCharge(each, pair), 0),
  );
  return charged[volts.indexOf(Math.max(...volts))] ?? circuit;
}

const stores = ({ elements }: Circuit) => elements.some(({ kind }) => kind === 'capacitor');

function flickering(
  again: () => Circuit,
  probing: Probing,
  options: Parameters<typeof measure>[2],
  seconds: number,
): Probed {
  const updates = Array.from({ length: Math.floor(seconds * UPDATES) }, (_, i) => ({
    t: (i + 1) / UPDATES,
    value: measure(again(), probing, options).value,
  }));
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
  const { hazards } = measure(source, probing, options);
  return {
    updates: hazards.length > 0 ? [] : track(source, probing, { ...options, seconds }),
    hazards,
    rests: true,
  };
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
  return { updates: track(tips, probing, { ...options, seconds }), hazards: [], rests: true };
}

/** The same circuit with its capacitors as they stand after so long without a meter on them. */
function leftAlone(circuit: Circuit, seconds: number): Circuit {
  if (seconds <= 0) return circuit;
  const system = new System(circuit, { air: AIR });
  startFromInitial(system, 0);
  runTransient(system, { from: 0, to: seconds, most: seconds / 20 }, () => {});
  return {
    ...circuit,
    elements: circuit.elements.map((element) =>
      element.kind === 'capacitor' && system.device(element.name) instanceof Capacitor
        ? {
            ...element,
            initial: system.voltsAt(element.nodes[0]) - system.voltsAt(element.nodes[1]),
          }
        : element,
    ),
  };
}

/** Volts between the probes before the meter drives, from what is still stored. */
function standingCharge(circuit: Circuit, { red, black = '0' }: Probing): number {
  const system = new System(circuit, { air: AIR });
  startFromInitial(system, 0);
  return Math.abs(system.voltsAt(red) - system.voltsAt(black));
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
