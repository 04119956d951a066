/**
 * What stays when everything has settled, as a meter sees it: mean, RMS of the alternating part and
 * frequency. Without a sine it is the operating point; with one and nothing nonlinear, phasors; else
 * a transient, turn by turn, until two turns look the same.
 */
import { abs, hypot, max, sqrt } from '../arithmetic';
import type { Circuit } from '../circuit';
import type { Wave } from '../elements/element';
import { definitionOf, isTwoPole, type Element } from '../elements/index';
import { limitOf } from './extrapolate';
import { PhasorSolver } from './phasors';
import { Storage } from './periodic';
import { System, type Precision, type SystemOptions } from './system';
import { fastestSine, runTransient } from './transient';
import { nth } from '../../numeric/nth';

/** Volts between two nodes, or amps through an element. */
export type Quantity =
  | { readonly kind: 'volts'; readonly plus: string; readonly minus: string }
  | { readonly kind: 'amps'; readonly element: string };

export interface Settled {
  readonly mean: number;
  /** RMS of what is left without the mean. */
  readonly rms: number;
  /** 0 where nothing swings. */
  readonly hertz: number;
}

export interface SteadyState {
  readonly values: readonly Settled[];
  /** False where turns still differed when the search ended. */
  readonly settled: boolean;
}

const MOST_TURNS = 60;
/** Two turns are the same within this share of the quantity, or this much. */
const SAME = 5e-4;
const SAME_ABSOLUTE = 1e-6;
/** After so many turns what is left is taken for the trembling of the steps, more and more of it. */
const PATIENCE = 6;
/** States from which the next start is guessed. */
const WINDOW = 4;
const STEPS_A_TURN = 48;
/** Coarser than SPICE’s default: a meter’s own error is larger by far. */
const TOLERANCE = 4e-3;

const METERED: Precision = { amps: 1e-9, relative: 1e-3 };

/** Whether the small-signal model is exact at any size of signal. */
const isLinear = (element: Element): boolean =>
  !isTwoPole(element) || definitionOf(element).linear(element);

const swings = (wave: Wave): wave is Extract<Wave, { kind: 'sin' }> =>
  wave.kind === 'sin' && wave.amplitude !== 0;

/** Whether any source alternates. */
export const alternates = ({ elements }: Pick<Circuit, 'elements'>): boolean =>
  elements.some((element) => 'wave' in element && swings(element.wave));

/**
 * @param at - Moment at which slow sources stand, s.
 * @throws {CoreError} as the solver does.
 */
export function steadyState(
  circuit: Circuit,
  quantities: readonly Quantity[],
  options: SystemOptions & { readonly at?: number } = {},
): SteadyState {
  if (!alternates(circuit)) return atRest(circuit, quantities, options);
  const linear = circuit.elements.every(isLinear);
  return (
    (linear ? byPhasors(circuit, quantities, options) : undefined) ??
    byTurns(circuit, quantities, options)
  );
}

/** Reads a quantity off the present solution. */
export function reader(system: System, quantity: Quantity): () => number {
  const { x, unknowns } = system;
  if (quantity.kind === 'volts') {
    const plus = unknowns.node(quantity.plus);
    const minus = unknowns.node(quantity.minus);
    return () => (x[plus] ?? 0) - (x[minus] ?? 0);
  }
  const device = system.device(quantity.element)!;
  return () => device.current(x);
}

function atRest(
  circuit: Circuit,
  quantities: readonly Quantity[],
  { at = 0, ...options }: SystemOptions & { readonly at?: number },
): SteadyState {
  const system = new System(circuit, options);
  system.operatingPoint(at);
  const values = quantities.map((quantity) => ({
    mean: reader(system, quantity)(),
    rms: 0,
    hertz: 0,
  }));
  return { values, settled: true };
}

/** Sines become phasors, at their own frequency; their offsets and all else give the mean. */
function byPhasors(
  circuit: Circuit,
  quantities: readonly Quantity[],
  { at = 0, ...options }: SystemOptions & { readonly at?: number },
): SteadyState | undefined {
  const rest = circuit.elements.map((element): Element => {
    if (!('wave' in element)) return element;
    const silent = { magnitude: 0, phase: 0 };
    if (!swings(element.wave)) return { ...element, ac: silent };
    const { offset, amplitude, phase } = element.wave;
    return {
      ...element,
      wave: { kind: 'dc', value: offset },
      ac: { magnitude: amplitude, phase: phase - 90 },
    };
  });
  const system = new System({ ...circuit, elements: rest }, options);
  system.operatingPoint(at);
  const means = quantities.map((quantity) => reader(system, quantity)());
  const hertz = max(
    ...circuit.elements.map((each) => ('wave' in each && swings(each.wave) ? each.wave.hertz : 0)),
  );
  const { re, im } = new PhasorSolver(system).at(hertz);
  if (circuit.elements.some((element) => isWorked(element, system, re, im))) return undefined;
  // A device's current is linear in the solution, so its two parts are read in turn.
  const parts = [re, im].map((part) => {
    system.x.set(part);
    return quantities.map((quantity) => reader(system, quantity)());
  });
  const values = means.map((mean, i) => {
    const rms = hypot(nth(parts, 0)[i] ?? 0, nth(parts, 1)[i] ?? 0) / Math.SQRT2;
    return { mean, rms, hertz: rms > 0 ? hertz : 0 };
  });
  return { values, settled: true };
}

/** Whether the alternating part at a contact's control could move it. */
function isWorked(element: Element, system: System, re: Float64Array, im: Float64Array): boolean {
  if (element.kind !== 'switch') return false;
  const plus = system.unknowns.node(element.control[0]);
  const minus = system.unknowns.node(element.control[1]);
  const swing = hypot((re[plus] ?? 0) - (re[minus] ?? 0), (im[plus] ?? 0) - (im[minus] ?? 0));
  const rests = (system.x[plus] ?? 0) - (system.x[minus] ?? 0);
  return swing > 0.5 * abs(rests - element.model.vt);
}

function byTurns(
  circuit: Circuit,
  quantities: readonly Quantity[],
  { at = 0, ...options }: SystemOptions & { readonly at?: number },
): SteadyState {
  const system = new System(circuit, { ...options, precision: METERED });
  const turn = 1 / fastestSine(system);
  // At a crest, so that a rectifier's capacitor begins nearly full instead of being filled turn by turn.
  let t = at + turn / 4;
  system.operatingPoint(t);
  const readers = quantities.map((quantity) => reader(system, quantity));
  const storage = new Storage(system);
  let states = [storage.read()];
  let before: readonly Settled[] | undefined;
  for (let n = 0; ; n += 1) {
    storage.beginTurn();
    const now = oneTurn(system, readers, t, turn, () => storage.watch());
    t += turn;
    const allowed = SAME * max(1, n / PATIENCE);
    const settled =
      before !== undefined &&
      now.every((each, i) => same(each, nth(before!, i), allowed)) &&
      storage.arrived();
    if (settled || n >= MOST_TURNS) return { values: now, settled };
    before = now;
    states.push(storage.read());
    if (states.length < WINDOW) continue;
    const limit = limitOf(states);
    if (limit) storage.write(limit, t);
    states = [limit ?? states.at(-1)!];
  }
}

function same(a: Settled, b: Settled, share: number): boolean {
  const size = max(abs(a.mean), a.rms);
  const allowed = share * size + SAME_ABSOLUTE;
  return abs(a.mean - b.mean) <= allowed && abs(a.rms - b.rms) <= allowed;
}

/** Integrates each quantity over one turn, straight between the solver's steps. */
function oneTurn(
  system: System,
  readers: readonly (() => number)[],
  from: number,
  turn: number,
  watch: () => void,
): Settled[] {
  const sums = readers.map((read) => ({ last: read(), area: 0, square: 0, ups: 0 }));
  const tracks: number[][] = readers.map((read) => [read()]);
  let last = from;
  runTransient(
    system,
    { from, to: from + turn, most: turn / STEPS_A_TURN, tolerance: TOLERANCE },
    (t) => {
      const h = t - last;
      last = t;
      watch();
      for (const [i, sum] of sums.entries()) {
        const now = nth(readers, i)();
        sum.area += (h * (sum.last + now)) / 2;
        sum.square += (h * (sum.last * sum.last + sum.last * now + now * now)) / 3;
        sum.last = now;
        nth(tracks, i).push(now);
      }
    },
  );
  return sums.map(({ area, square }, i) => {
    const mean = area / turn;
    const rms = sqrt(max(0, square / turn - mean * mean));
    return { mean, rms, hertz: rms > 0 ? rises(nth(tracks, i), mean, rms) / turn : 0 };
  });
}

/** How often a track rises through its mean, with a margin against ripple on ripple. */
function rises(track: readonly number[], mean: number, rms: number): number {
  let count = 0;
  let below = (track[0] ?? 0) < mean;
  for (const value of track) {
    if (value < mean - 0.1 * rms) below = true;
    else if (below && value > mean + 0.1 * rms) {
      below = false;
      count += 1;
    }
  }
  return count;
}
