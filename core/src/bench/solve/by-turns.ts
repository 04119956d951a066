/**
 * The steady state of a circuit that bends what swings in it: a transient, turn by turn of the common
 * period, until two turns look the same and nothing that is stored is still on its way.
 */
import { abs, max, min } from '../arithmetic';
import type { Circuit } from '../circuit';
import type { Solution } from '../elements/device';
import { nth } from '../../numeric/nth';
import { NoConvergenceError } from '../errors';
import { limitOf } from './extrapolate';
import { Guesses } from './guesses';
import { Footprints } from './footprints';
import { Foresight, type Rest } from './foresight';
import { Storage, type Arrival } from './periodic';
import { reader, type Quantity } from './quantity';
import type { Rhythm } from './rhythm';
import type { State } from './stored';
import { Stretch, type Settled } from './stretch';
import { System, type Precision, type SystemOptions } from './system';
import { runTransient, type Trodden } from './transient';

/** Turns of a search, by how long they take: 0.6 s of them, but so many at least and at most. */
const SEARCH = { seconds: 0.6, least: 40, most: 400 } as const;
/** What creeps is given so many turns, for a guess may bring it home. */
const HOPELESS = 6;
/** From the rest of one like it a search is over by then; if not, from nothing is shorter. */
const WARM = 10;
/** It creeps for so many turns at least; and how far a quantity may go in them, as a share of it. */
const CREEPS = 500;
const FAR = 0.02;
/** Two turns are the same within this share of the quantity, or this much. */
const SAME = 5e-4;
const SAME_ABSOLUTE = 1e-6;
/** After so many turns what is left is taken for the trembling of the steps, more and more of it. */
const PATIENCE = 7;
const MOST_PATIENCE = 4;
/** So near to where it is foretold to end, in ways that are near, it has arrived. */
const HOME = 0.3;
/** Foretelling goes on as long as each time brings it nearer by this share. */
const FORETOLD = 0.5;
/** States from which the next start is guessed. */
const WINDOW = 4;
/** Coarser than SPICE’s default: a meter’s own error is larger by far. */
const TOLERANCE = 2e-3;
/** How near a junction's turning on or off is met, as a share of the longest step. */
const CORNER = 0.25;
/** Where sources have no common period: how long they are looked at, s. */
const WITHOUT_PERIOD = 1;

const METERED: Precision = { amps: 1e-9, relative: 1e-3 };

export interface Turned {
  /** What was stored at the end, at a crest, and learned on the way; absent where no turn is like another. */
  readonly rest?: Rest;
  readonly values: readonly Settled[];
  /** False where turns still differed when the search ended, or where none is like another. */
  readonly settled: boolean;
}

/**
 * @param near - What a circuit like it held at rest: the search begins there. Where it does not come to
 *   rest from there it begins anew, for what only leaks away would stand for what is fed.
 */
export function byTurns(
  circuit: Circuit,
  quantities: readonly Quantity[],
  rhythm: Rhythm,
  { near, ...options }: SystemOptions & { readonly near?: Rest | undefined },
): Turned {
  const warm =
    near && rhythm.period && attempt(() => search(circuit, quantities, rhythm, options, near));
  return warm && warm.settled ? warm : search(circuit, quantities, rhythm, options, undefined);
}

/** Charges of another circuit may contradict this one. */
function attempt<T>(what: () => T): T | undefined {
  try {
    return what();
  } catch (error) {
    if (error instanceof NoConvergenceError) return undefined;
    throw error;
  }
}

function search(
  circuit: Circuit,
  quantities: readonly Quantity[],
  rhythm: Rhythm,
  options: SystemOptions,
  near: Rest | undefined,
): Turned {
  const system = new System(circuit, { ...options, precision: METERED });
  // At a crest, so that a rectifier's capacitor begins nearly full instead of being filled turn by turn.
  const t = rhythm.crest;
  system.operatingPoint(t);
  const readers = quantities.map((quantity) => reader(system, quantity));
  const { period, step } = rhythm;
  if (period === undefined) {
    turn(system, readers, t, WITHOUT_PERIOD, step);
    const values = turn(system, readers, t + WITHOUT_PERIOD, WITHOUT_PERIOD, step);
    return { values, settled: false };
  }
  return untilAlike(system, readers, t, period, step, near);
}

function untilAlike(
  system: System,
  readers: readonly (() => number)[],
  from: number,
  period: number,
  step: number,
  near: Rest | undefined,
): Turned {
  const storage = new Storage(system);
  if (near) storage.fill(near.stored, from);
  const foresight = new Foresight(storage.names, near?.ways);
  let foretold = foresight.knows ? Infinity : 0;
  let t = from;
  let states: State[] = [storage.read()];
  let before: readonly Settled[] | undefined;
  let lately: Arrival = 'no';
  const guess = new Guesses();
  const prints = new Footprints(system, near?.prints);
  const most = min(SEARCH.most, max(SEARCH.least, SEARCH.seconds / period));
  for (let n = 0; ; n += 1) {
    // What only creeps, from nothing, is guessed home: exact turns would tell of nothing but its creeping.
    const alike = near !== undefined || storage.slowing();
    storage.beginTurn();
    const now = turn(
      system,
      readers,
      t,
      period,
      step,
      (at, ahead) => {
        storage.watch();
        prints.take(at - t, system.x, ahead);
      },
      alike ? prints.lastTurn() : undefined,
    );
    prints.endTurn(period, storage.unrest());
    t += period;
    const patience = min(MOST_PATIENCE, max(1, n / PATIENCE));
    const arrived = storage.arrived(patience);
    foresight.add({ ...storage.pass(), again: prints.again });
    const ahead = foretold > 0 ? foresight.ahead(storage.sizes(), storage.trifles()) : undefined;
    const reach = ahead ? storage.reach(ahead.limit) : Infinity;
    const home = ahead?.explained && reach <= HOME;
    const settled =
      // Begun at the rest of one like it, and back where it began: one turn is the whole of it.
      (near !== undefined && storage.closed()) ||
      (before !== undefined &&
        now.every((each, i) => same(each, nth(before!, i), SAME * patience)) &&
        (home ||
          arrived === 'yes' ||
          (arrived === 'nearly' && (lately === 'yes' || lately === 'nearly'))));
    // From there what creeps is given up at once: from nothing it is seen whether all else stands.
    const lost = near !== undefined && (n >= WARM || (prints.again && storage.creeping()));
    const hopeless = lost || (arrived === 'never' && lately === 'never' && n >= HOPELESS);
    if (settled || hopeless || n >= most) {
      // What is looked at may stand although something else creeps. From the rest of a like circuit it
      // is not known whether that something is anywhere near its end.
      const stands = settled || (hopeless && !near && before !== undefined && !creeps(now, before));
      return {
        values: now,
        settled: stands,
        rest: { stored: storage.named(), ways: foresight.ways(), prints: prints.lastTurn() },
      };
    }
    before = now;
    lately = arrived;
    // It seems to be there, and only shows so after a turn or two without a start in it.
    if (home || (reach <= HOME && n < WINDOW)) continue;
    if (ahead && reach < FORETOLD * foretold) {
      storage.set(ahead.limit, t);
      foretold = reach;
      states = [];
      continue;
    }
    foretold = 0;
    if (!guess.allowed(storage.unrest())) {
      states = [];
      continue;
    }
    states.push(storage.read(states.length === 0));
    if (states.length < WINDOW) continue;
    const limit = limitOf(states);
    if (limit) storage.write(limit, t);
    if (limit) guess.made();
    states = [limit ?? states.at(-1)!];
  }
}

/** Whether a quantity is seen to move, little by little. */
const creeps = (now: readonly Settled[], before: readonly Settled[]): boolean =>
  now.some(({ mean, rms }, i) => {
    const last = nth(before, i);
    const went = max(abs(mean - last.mean), abs(rms - last.rms));
    return CREEPS * went > FAR * max(abs(mean), rms) + SAME_ABSOLUTE * CREEPS;
  });

function same(a: Settled, b: Settled, share: number): boolean {
  const size = max(abs(a.mean), a.rms);
  const allowed = share * size + SAME_ABSOLUTE;
  return abs(a.mean - b.mean) <= allowed && abs(a.rms - b.rms) <= allowed;
}

/** One turn of the transient, and what each quantity did in it. */
function turn(
  system: System,
  readers: readonly (() => number)[],
  from: number,
  period: number,
  step: number,
  watch: (t: number, ahead?: Solution) => void = () => {},
  trodden?: Trodden,
): Settled[] {
  const stretches = readers.map((read) => new Stretch(from, read()));
  runTransient(
    system,
    { from, to: from + period, most: step, tolerance: TOLERANCE, corner: CORNER, trodden },
    (t, ahead) => {
      watch(t, ahead);
      for (const [i, stretch] of stretches.entries()) stretch.take(t, nth(readers, i)());
    },
  );
  return stretches.map((stretch) => stretch.summary());
}
