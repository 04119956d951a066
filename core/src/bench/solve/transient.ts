/**
 * A circuit over time: steps whose length and rule follow the truncation error, exact landings on
 * the corners of sources, and switches whose moment of change is closed in upon.
 */
import { abs, floor, max, min, NEVER } from '../arithmetic';
import { Capacitor } from '../elements/capacitor';
import type { Moment, Solution } from '../elements/device';
import { Inductor } from '../elements/inductor';
import { CircuitTooLargeError, NoConvergenceError } from '../errors';
import { GMIN, type System } from './system';

export interface TransientOptions {
  readonly from?: number;
  readonly to: number;
  /** Longest step, s. */
  readonly most: number;
  /** Tolerance of charges and fluxes; SPICE's default. */
  readonly tolerance?: number;
  /** A junction's turning on or off is met to within this share of the longest step. */
  readonly corner?: number;
  /** Moments to be met exactly, this far apart from 0 on, s. */
  readonly every?: number;
  /** Steps after which it gives up. */
  readonly mostSteps?: number;
  /**
   * The steps of a run much like this one. Its moments are met again as long as they will do: two runs that
   * begin alike then go alike. And Newton's method begins with what each step missed then.
   */
  readonly trodden?: Trodden | undefined;
  /** Where an earlier run of the same system ended, to go on as it went; brought up to date. */
  readonly pace?: Pace;
}

/** The steps of a run. */
export interface Trodden {
  /** After its beginning, s, ascending. */
  readonly moments: readonly number[];
  /**
   * For each, by unknown that bends, how far it ended from where going on as before would have led: most where a
   * junction turned on or off. Absent where nothing was foretold, or where the unknowns are others.
   */
  readonly missed: readonly (Missed | undefined)[];
}
export type Missed = Float32Array;

/** How the steps go: what a run hands on to the one that follows on it. */
export interface Pace {
  /** Length that the next step may have, s; 0 before the first. */
  h: number;
  /** Length of the last one, s. */
  last: number;
  /** Something jumped just now: the past foretells nothing. */
  jumped: boolean;
  /** The solution before the last step. */
  readonly earlier: Float64Array;
}

export const paceOf = ({ x }: System): Pace => ({
  h: 0,
  last: 0,
  jumped: true,
  earlier: new Float64Array(x.length),
});

/** Steps within the length of the longest one; a switch that works itself would take any number. */
const MOST_STEPS_AT_ONCE = 20_000;
/** Changes of switches in it. */
const MOST_CHANGES_AT_ONCE = 3000;
/** A change of a switch is met to within this share of the longest step. */
const EVENT = 1e-4;
/** How far beyond a foreseen corner a step goes, as a share of that. */
const BEYOND = 0.3;
/** How much longer a step may be than the last one: by less than 1 + √2 Gear’s rule stays stable however often. */
const GROWS = 2;
/** A step stands although its error allows only this share of it; one that was trodden before, this. */
const ENOUGH = 0.9;
const ENOUGH_AGAIN = 0.6;
/** A trodden moment so near, as a share of the last step, is not worth one. */
const SLIVER = 1e-3;
/** Iterations of a step; and from a good start, which does soon or not at all. */
const MOST = 25;
const MOST_FROM_GOOD = 8;
const UNTRODDEN: Trodden = { moments: [], missed: [] };
/** Two steps are equally long, but for the rounding of their moments. */
const EQUAL = 1e-9;
/** Rounding of a moment beside the longest step. */
const LONGER = 1 + 1e-9;
/** Where something jumps without a source having said so, no step is cut below this share. */
const FINEST = 1e-5;

/**
 * Go on from the present state of the system (an operating point, or where the last run ended).
 * @param seen - Called after every step that stands, with its moment and where it was foretold to end; return
 *   false to stop.
 * @throws {NoConvergenceError} with the moment; {CircuitTooLargeError} beyond `mostSteps`.
 */
export function runTransient(
  system: System,
  {
    from = 0,
    to,
    most,
    tolerance = 1e-3,
    corner = 0.05,
    every = NEVER,
    mostSteps = 2_000_000,
    trodden: { moments: trodden, missed } = UNTRODDEN,
    pace = paceOf(system),
  }: TransientOptions,
  seen: (t: number, ahead?: Solution) => boolean | void,
): void {
  const { x, bending: bends, cornered, storing, junctions, minding } = system;
  const least = max(1e-15, min(most, to - from) * 1e-9);
  const before = new Float64Array(x.length);
  let t = from;
  // Where what bends will be if it goes on as it went: Newton's method begins there.
  const ahead = new Float64Array(x.length);
  const start = new Float64Array(x.length);
  const { earlier } = pace;
  let { last, jumped } = pace;
  let h = pace.h > 0 ? min(pace.h, most) : min(most, to - from) / 100;
  // The moment from which one longest step is being made, and how many it has taken.
  let reached = from;
  let since = 0;
  let changes = 0;
  // The next moment that was trodden before, and whether the last one was met.
  let trod = 0;
  let follows = trodden.length > 0;
  for (let steps = 0; t < to - least; steps += 1) {
    if (t - reached >= most || steps === 0) {
      reached = t;
      since = steps;
      changes = 0;
    } else if (steps - since >= MOST_STEPS_AT_ONCE || changes >= MOST_CHANGES_AT_ONCE)
      throw new NoConvergenceError(system.worst, t, 'time hardly moves on: something chatters');
    if (steps >= mostSteps)
      throw new CircuitTooLargeError('steps in time or more', steps, mostSteps);
    let next = NEVER;
    for (const device of cornered) next = min(next, device.corner(t));
    // A switch that works by the clock changes at that moment, and not before.
    let timed = NEVER;
    for (const device of system.discrete) timed = min(timed, device.corner(t));
    const mark = every < NEVER ? every * (floor(t / every + 1e-6) + 1) : NEVER;
    while (from + (trodden[trod] ?? NEVER) <= t + max(least, SLIVER * last)) trod += 1;
    const print = from + (trodden[trod] ?? NEVER);
    const end = min(to, next, mark);
    // As before, where that leads no further than a step may.
    const again = follows && print <= end + least && print - t <= most * LONGER;
    let step = again ? min(print, end) - t : min(h, most, end - t);
    // Two steps rather than one and a sliver.
    if (!again && end - t < 2 * step && end - t > step) step = (end - t) / 2;
    // Back to where it was trodden.
    if (!again && print < t + step) step = print - t;
    if (abs(step - last) <= EQUAL * last) step = last;
    const foreseen = !jumped && last > 0;
    let bend = 1;
    if (foreseen) {
      goOn(ahead, bends, x, earlier, step / last);
      for (const device of junctions) bend = min(bend, device.willBend(x, ahead, step / last));
      if (bend < 1 && !(again && (1 - bend) * step <= most * corner)) {
        // Just beyond the corner, so that it lies behind.
        step = min(step, step * bend + most * corner * BEYOND);
        goOn(ahead, bends, x, earlier, step / last);
      }
    }
    const miss = foreseen && again && abs(t + step - print) <= least ? missed[trod] : undefined;
    before.set(x);
    const method = jumped ? 'euler' : 'gear';
    let at: Moment = { t: t + step, h: step, method, scale: 1, settled: false, gmin: GMIN };
    let found = false;
    if (miss) {
      for (let k = 0; k < bends.length; k += 1) {
        const i = bends[k] ?? 0;
        start[i] = (ahead[i] ?? 0) + (miss[k] ?? 0);
      }
      found = system.newton(at, { most: MOST_FROM_GOOD, start, good: true });
      if (!found) x.set(before);
    }
    found ||= system.newton(at, { most: MOST, ...(foreseen && { start: ahead }) });
    if (!found) {
      x.set(before);
      follows = false;
      if (step < least * 8)
        throw new NoConvergenceError(system.worst, t, 'the step has become too short');
      h = step / 8;
      // Junctions start from where the last step left them only if that is not what failed.
      if (h < least * 1e3) jumped = true;
      continue;
    }
    let allowed = NEVER;
    for (const device of storing) allowed = min(allowed, device.longest(x, at, tolerance));
    const finest = max(least * 8, most * FINEST);
    if (allowed < (again ? ENOUGH_AGAIN : ENOUGH) * step && step > finest) {
      x.set(before);
      follows = false;
      h = max(allowed, step / 8, finest);
      continue;
    }
    if (bend === 1 && step > most * corner && junctions.some((device) => device.bent(x))) {
      x.set(before);
      follows = false;
      h = step / 4;
      continue;
    }
    const flips = follow(system, at);
    if (flips && step > max(EVENT * most, least * 8) && at.t < timed - least) {
      flips.undo();
      x.set(before);
      follows = false;
      h = step / 4;
      continue;
    }
    at = end - at.t < least ? { ...at, t: end } : at;
    for (const device of minding) device.accept(x, at);
    earlier.set(before);
    last = step;
    t = at.t;
    follows = abs(t - print) <= least;
    if (flips) changes += 1;
    jumped = flips !== undefined || abs(t - next) <= least;
    h = jumped ? min(most / 50, step) : min(GROWS * step, allowed, most);
    if (jumped) h = max(h, least * 16);
    pace.h = h;
    pace.last = last;
    pace.jumped = jumped;
    if (seen(t, foreseen ? ahead : undefined) === false) return;
  }
}

/** Where the unknowns that bend will be if they go on as they went. @param longer - The coming step over the last. */
function goOn(
  ahead: Solution,
  bends: Int32Array,
  x: Solution,
  earlier: Solution,
  longer: number,
): void {
  for (const i of bends) ahead[i] = (x[i] ?? 0) + ((x[i] ?? 0) - (earlier[i] ?? 0)) * longer;
}

/** Let switches follow; undefined where none changed. */
function follow(system: System, at: Moment): { undo: () => void } | undefined {
  if (system.discrete.length === 0) return undefined;
  // Most steps change nothing: only what is about to change is remembered.
  if (!system.discrete.some((device) => device.restless(system.x, at))) return undefined;
  const kept = system.discrete.map((device) => device.keep());
  if (!system.flip(at)) return undefined;
  return { undo: () => kept.forEach((back) => back()) };
}

/** Start from the elements' own initial values instead of the operating point. */
export function startFromInitial(system: System, t: number): void {
  system.x.fill(0);
  const stored = new Map<Capacitor | Inductor, number>();
  for (const device of system.devices) {
    device.reset();
    device.begin(system.x, { t, h: 0, method: 'euler', scale: 1, settled: false, gmin: GMIN });
    if (device instanceof Capacitor || device instanceof Inductor)
      stored.set(device, device.initial ?? 0);
  }
  restart(system, t, stored);
}

/** Volts of capacitors, amps of coils. */
export type Charges = ReadonlyMap<Capacitor | Inductor, number>;

/**
 * Go on from the moment `t` with other volts on the capacitors and other amps in the coils; switches
 * stay as they are.
 * @throws {NoConvergenceError} where the values contradict each other.
 */
export function restart(system: System, t: number, stored: Charges): void {
  if (
    !instant(system, t, stored, 1, (at) => system.arrive(at)) &&
    !littleByLittle(system, t, stored)
  )
    throw new NoConvergenceError(system.worst, t, 'the initial values contradict each other');
  for (const device of system.devices) device.refill(system.x, t);
}

/** A step of next to no length, s: charges and fluxes stand, and every other voltage follows from them. */
const INSTANT = 1e-8;

/** @param share - Of what is stored. */
function instant(
  system: System,
  t: number,
  stored: Charges,
  share: number,
  solve: (at: Moment) => boolean,
): boolean {
  const at: Moment = { t, h: 0, method: 'euler', scale: 1, settled: false, gmin: GMIN };
  const { x } = system;
  // Coupled coils: all currents stand before any flux is reckoned. Then the solution is as it was.
  const kept = new Map<number, number>();
  for (const [device, value] of stored)
    if (device instanceof Inductor) {
      kept.set(device.branch, x[device.branch] ?? 0);
      x[device.branch] = value * share;
    }
  for (const [device, value] of stored)
    if (device instanceof Capacitor) device.charge(value * share, t);
    else device.begin(x, at);
  for (const [branch, value] of kept) x[branch] = value;
  return solve({ ...at, h: INSTANT });
}

/** The shortest share by which it is filled. */
const DROP = 1e-4;

/** From empty stores to full ones: what hangs on them wakes up one after the other. */
function littleByLittle(system: System, t: number, stored: Charges): boolean {
  const { x } = system;
  x.fill(0);
  for (const device of system.devices) device.restart(x);
  let share = 0;
  let step = 0.1;
  const kept = new Float64Array(x.length);
  while (share < 1 && step > DROP) {
    const next = min(1, share + step);
    if (instant(system, t, stored, next, (at) => system.newton(at))) {
      kept.set(x);
      share = next;
      step *= 1.5;
    } else {
      x.set(kept);
      step /= 4;
    }
  }
  return share >= 1;
}
