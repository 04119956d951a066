/**
 * The energy state of the machine: LIVE, NOT PROVEN or DEAD.
 *
 * Dead means that every pair of the sheet was measured below its limit beyond the meter's own error,
 * after its wait, on its own function, by a meter that read a known source right before and after on that
 * same function, ten minutes apart at most. Time alone proves nothing, energising cancels every proof, and
 * a figure that comes back above a limit takes all of it away.
 */
import { judge, type Judgement } from '../judge/judge';
import { type Accuracy, type Figure } from '../judge/reading';
import type { Sheet } from '../sheet/schema';
import { elapsed, longestElapsed, shifted, type Moment } from './moment';
import { pairsFor, pairsOf, provingOf, type Pair, type VoltsFunction } from './pairs';
import type { Source } from './sources';

export type EnergyKind = 'live' | 'not-proven' | 'dead';

/** A meter held to a known source, with the figure that it showed. */
export interface MeterProof extends Moment {
  readonly entry: string;
  readonly function: VoltsFunction;
  readonly source: Source;
  readonly reading: Figure;
  /** The device, the meter and the way its figure came: another one is another meter. */
  readonly instrument: string;
}

/** A pair measured during this isolation. */
export interface PairReading extends Moment {
  readonly entry: string;
  readonly pair: string;
  readonly reading: Figure;
  readonly judgement: Judgement;
  /** Standard uncertainty, volts; undefined for OL. */
  readonly u?: number;
  /** Whether the pair's wait was over when it was taken. */
  readonly waited: boolean;
  /** The meter's proof before it; absent where there was none that counted. */
  readonly proof?: string;
}

/** Why a proof was lost: a figure that came back. */
export interface Lost {
  readonly entry: string;
  readonly at: string;
  readonly volts: number | 'OL';
  /** Limit that it lay above, volts. */
  readonly limit: number;
  /** The pair, or where else it was read. */
  readonly where: string;
}

export interface Energy {
  readonly kind: EnergyKind;
  /** Device time at which this state began; undefined before anything was recorded. */
  readonly since?: string;
  /** Live precautions acknowledged in this live spell. */
  readonly acknowledged: boolean;
  /** Who stands in reach during this live spell, where the sheet asks for somebody. */
  readonly second?: string;
  /** Isolated and locked; waits run from here. Undefined while it must be isolated again. */
  readonly isolated?: Moment;
  /** When it was last isolated, also after its proof was lost. */
  readonly isolatedAt?: string;
  /** The meter's latest proof on each function, open for the pairs that follow. */
  readonly proofs: Readonly<Partial<Record<VoltsFunction, MeterProof>>>;
  /** Every proof of a meter since it stood isolated, and those before it that still count, in order. */
  readonly held: readonly MeterProof[];
  /** Every pair reading of this isolation, in order. */
  readonly readings: readonly PairReading[];
  /** Pairs whose figure lies between two proofs of the meter, with that figure. */
  readonly proven: ReadonlyMap<string, PairReading>;
  readonly lost?: Lost;
}

/** Between the meter's two proofs lie ten minutes at most. */
export const BETWEEN_PROOFS_MS = 10 * 60_000;

/** As found: nothing may be taken for dead. */
export const AS_FOUND: Energy = {
  kind: 'live',
  acknowledged: false,
  proofs: {},
  held: [],
  readings: [],
  proven: new Map(),
};

export function energise(at: string, second?: string): Energy {
  return { ...AS_FOUND, since: at, acknowledged: true, ...(second !== undefined && { second }) };
}

/** A withdrawn “energised” may have been true: the proof does not come back with it. */
export function doubt(at: string): Energy {
  return { ...AS_FOUND, kind: 'not-proven', since: at };
}

/** Isolated and locked: nothing is proven yet; a meter proven a moment ago stays proven. */
export function isolate(energy: Energy, isolated: Moment): Energy {
  return {
    ...AS_FOUND,
    kind: 'not-proven',
    since: isolated.at,
    isolated,
    isolatedAt: isolated.at,
    proofs: energy.proofs,
    held: Object.values(energy.proofs),
  };
}

/** Another meter in hand: what was proven of the one before says nothing of it. */
export const otherMeter = (energy: Energy): Energy => ({ ...energy, proofs: {} });

/** A figure came back above its limit: all of it starts again, from the isolation. */
export function lose(energy: Energy, lost: Lost): Energy {
  return {
    ...AS_FOUND,
    kind: 'not-proven',
    since: lost.at,
    ...(energy.isolatedAt !== undefined && { isolatedAt: energy.isolatedAt }),
    lost,
  };
}

/** The device's clock was set: what was waited for is no nearer than it was. */
export function shiftClock(energy: Energy, ms: number): Energy {
  const { proofs } = energy;
  return {
    ...energy,
    ...(energy.isolated && { isolated: shifted(energy.isolated, ms) }),
    proofs: Object.fromEntries(
      Object.values(proofs).map((proof) => [proof.function, shifted(proof, ms)]),
    ),
    held: energy.held.map((proof) => shifted(proof, ms)),
    readings: energy.readings.map((reading) => shifted(reading, ms)),
    proven: new Map([...energy.proven].map(([id, reading]) => [id, shifted(reading, ms)])),
  };
}

/** Moment, ms, from which a figure of this pair may prove it; undefined before it is isolated. */
export const waitUntil = (pair: Pair, { isolated }: Energy): number | undefined =>
  isolated && isolated.time + pair.waitMinutes * 60_000;

/** The meter's proof that still counts for a figure taken then by this instrument. */
export function openProof(
  { proofs }: Energy,
  fn: VoltsFunction,
  moment: Moment,
  instrument?: string,
): MeterProof | undefined {
  const proof = proofs[fn];
  if (!proof || (instrument !== undefined && proof.instrument !== instrument)) return undefined;
  return longestElapsed(proof, moment) <= BETWEEN_PROOFS_MS ? proof : undefined;
}

/** A figure of a pair, judged. Only its size counts: on a charged bus the leads may be swapped. */
export function readPair(
  energy: Energy,
  pair: Pair,
  taken: Moment & { readonly entry: string; readonly reading: Figure },
  instrument: string,
  accuracy: Accuracy | undefined,
): PairReading {
  const { reading } = taken;
  const judgement = judge({
    expect: { kind: 'atMost', high: pair.deadBelow, unit: 'V' },
    reading: reading.kind === 'value' ? { kind: 'value', value: Math.abs(reading.value) } : reading,
    function: pair.function,
    ...(accuracy && { meter: accuracy }),
  });
  const proof = openProof(energy, pair.function, taken, instrument);
  const waited =
    energy.isolated !== undefined && elapsed(energy.isolated, taken) >= pair.waitMinutes * 60_000;
  return {
    ...taken,
    pair: pair.id,
    judgement,
    ...(judgement.u !== undefined && { u: judgement.u }),
    waited,
    ...(proof && { proof: proof.entry }),
  };
}

/** Below the limit, after the wait, with a meter proven before: only its proof after is wanting. */
export const passes = (reading: PairReading): boolean =>
  reading.waited && reading.proof !== undefined && reading.judgement.verdict === 'in';

/** The latest reading of a pair in this isolation. */
export const latestOf = ({ readings }: Energy, pair: string): PairReading | undefined =>
  readings.findLast((reading) => reading.pair === pair);

/** The pair's latest figure, where it passes and this proof of the meter stands before it. */
export function passedUnder(
  energy: Energy,
  pair: string,
  proof: MeterProof | undefined,
): PairReading | undefined {
  const latest = latestOf(energy, pair);
  return proof && latest?.proof === proof.entry && passes(latest) ? latest : undefined;
}

/** Volts read on the pairs of this isolation, for a meter on DC: no source of them proves it. */
export const storeVolts = ({ readings }: Energy, fn: VoltsFunction): number[] =>
  fn === 'V='
    ? readings.flatMap(({ reading }) => (reading.kind === 'value' ? [Math.abs(reading.value)] : []))
    : [];

export function withReading(energy: Energy, reading: PairReading): Energy {
  return { ...energy, readings: [...energy.readings, reading] };
}

/** The meter held to its source: this proves what was measured since the proof before, and opens the next. */
export function withProof(sheet: Sheet, energy: Energy, proof: MeterProof): Energy {
  const before = openProof(energy, proof.function, proof, proof.instrument);
  const proven = new Map(energy.proven);
  const { pairs, gap } = provingOf(sheet);
  for (const pair of pairs) {
    const passed = passedUnder(energy, pair.id, before);
    if (passed && pair.function === proof.function) proven.set(pair.id, passed);
  }
  const next = {
    ...energy,
    proofs: { ...energy.proofs, [proof.function]: proof },
    held: [...energy.held, proof],
    proven,
  };
  const whole = !gap && energy.isolated !== undefined && pairs.every(({ id }) => proven.has(id));
  return whole && energy.kind !== 'dead' ? { ...next, kind: 'dead', since: proof.at } : next;
}

/**
 * Whether hands and driving meters may go to these boards: every pair that concerns them is proven.
 * @param boards - Undefined for the whole machine.
 */
export function deadFor(sheet: Sheet, energy: Energy, boards?: readonly string[]): boolean {
  if (energy.kind === 'dead') return true;
  if (energy.kind === 'live' || provingOf(sheet).gap !== undefined) return false;
  const wanted = pairsFor(sheet, boards);
  return wanted.length > 0 && wanted.every(({ id }) => energy.proven.has(id));
}

/**
 * Whether a plug may be pulled although not all is proven: every pair is proven, or is a store read below
 * its looser limit beyond the meter's own error.
 */
export function mayUnplug(sheet: Sheet, energy: Energy): boolean {
  if (energy.kind !== 'not-proven' || provingOf(sheet).gap !== undefined) return false;
  return pairsOf(sheet).every((pair) => {
    if (energy.proven.has(pair.id)) return true;
    const latest = latestOf(energy, pair.id);
    if (pair.unplugBelow === undefined || latest?.proof === undefined) return false;
    if (latest.reading.kind !== 'value' || latest.u === undefined) return false;
    // As for every limit: only below it beyond the meter's own doubt.
    return Math.abs(latest.reading.value) + 1.645 * latest.u < pair.unplugBelow;
  });
}
