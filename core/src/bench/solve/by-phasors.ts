/**
 * The steady state of a circuit without anything nonlinear, exactly: the sines of each frequency
 * become phasors and are solved together, everything else gives the mean.
 */
import { abs, hypot, max, min, sqrt } from '../arithmetic';
import { circuitOf, type Circuit } from '../circuit';
import { definitionOf, isTwoPole, type Element } from '../elements/index';
import { nth } from '../../numeric/nth';
import { PhasorSolver, type Phasors } from './phasors';
import { reader, type Quantity } from './quantity';
import { swings, type Rhythm } from './rhythm';
import { Stretch, type Settled } from './stretch';
import { System, type SystemOptions } from './system';

/** Whether the small-signal model is exact at any size of signal. */
const isLinear = (element: Element): boolean =>
  !isTwoPole(element) || definitionOf(element).linear(element);

/** Whether phasors say all: nothing bends a wave, and no wave has corners. */
export const isForPhasors = (elements: readonly Element[]): boolean =>
  elements.every(
    (element) =>
      isLinear(element) &&
      !('wave' in element && swings(element.wave) && element.wave.kind !== 'sin'),
  );

/** One frequency of a quantity. */
interface Part {
  readonly hertz: number;
  readonly re: number;
  readonly im: number;
}

/** @returns undefined where a contact might be worked by the swing: then it is not linear after all. */
export function byPhasors(
  circuit: Circuit,
  quantities: readonly Quantity[],
  rhythm: Rhythm,
  options: SystemOptions,
): readonly Settled[] | undefined {
  let means: number[] | undefined;
  const parts: Part[][] = quantities.map(() => []);
  const swing = new Map<Element, number>();
  for (const hertz of rhythm.hertz) {
    const system = new System(circuitOf(atHertz(circuit.elements, hertz)), options);
    system.operatingPoint();
    const found = new PhasorSolver(system).at(hertz);
    for (const element of circuit.elements)
      if (element.kind === 'switch')
        swing.set(element, (swing.get(element) ?? 0) + atControl(element.control, system, found));
    means ??= quantities.map((quantity) => reader(system, quantity)());
    for (const element of circuit.elements)
      if (element.kind === 'switch' && isWorked(element, system, swing.get(element) ?? 0))
        return undefined;
    // A device's current is linear in the solution, so its two parts are read in turn.
    const [re, im] = [found.re, found.im].map((part) => {
      system.x.set(part);
      return quantities.map((quantity) => reader(system, quantity)());
    });
    for (const [i, list] of parts.entries())
      list.push({ hertz, re: re?.[i] ?? 0, im: im?.[i] ?? 0 });
  }
  return parts.map((list, i) => summed(nth(means ?? [], i), list, rhythm));
}

/** Sines of one frequency as phasors; of the others only their offsets. */
const atHertz = (elements: readonly Element[], hertz: number): Element[] =>
  elements.map((element): Element => {
    if (!('wave' in element)) return element;
    const { wave } = element;
    const silent = { magnitude: 0, phase: 0 };
    if (wave.kind !== 'sin' || !swings(wave)) return { ...element, ac: silent };
    const { offset, amplitude, phase, delay } = wave;
    return {
      ...element,
      wave: { kind: 'dc', value: offset },
      ac:
        wave.hertz === hertz
          ? { magnitude: amplitude, phase: phase - 90 - 360 * hertz * delay }
          : silent,
    };
  });

function atControl(control: readonly [string, string], system: System, { re, im }: Phasors) {
  const [plus, minus] = control.map((node) => system.unknowns.node(node));
  const part = (of: Float64Array) => (of[plus ?? 0] ?? 0) - (of[minus ?? 0] ?? 0);
  return hypot(part(re), part(im));
}

/** Whether the alternating part at a contact's control could move it. */
function isWorked(
  { control, model }: Extract<Element, { kind: 'switch' }>,
  system: System,
  swing: number,
): boolean {
  const rests = system.voltsAt(control[0]) - system.voltsAt(control[1]);
  return swing > 0.5 * abs(rests - model.vt);
}

/** Points on the fastest sine in which the sum of several is drawn; and points at most. */
const POINTS = 24;
const MOST_POINTS = 20_000;

/** Powers of different frequencies add up; how often the sum rises is seen by drawing it. */
function summed(mean: number, parts: readonly Part[], { period }: Rhythm): Settled {
  const square = parts.reduce((sum, { re, im }) => sum + (re * re + im * im) / 2, 0);
  const rms = sqrt(square);
  if (!(rms > 0)) return { mean, rms: 0, hertz: 0 };
  const live = parts.filter(({ re, im }) => hypot(re, im) > 1e-9 * rms);
  const largest = live.reduce((a, b) => (hypot(b.re, b.im) > hypot(a.re, a.im) ? b : a));
  if (live.length === 1 || period === undefined) return { mean, rms, hertz: largest.hertz };
  const fastest = live.reduce((most, { hertz }) => max(most, hertz), 0);
  const points = min(MOST_POINTS, Math.ceil(POINTS * fastest * period));
  const at = (t: number) =>
    live.reduce((sum, { hertz, re, im }) => {
      const angle = 2 * Math.PI * hertz * t;
      return sum + re * Math.cos(angle) - im * Math.sin(angle);
    }, 0);
  const drawn = new Stretch(0, at(0));
  for (let i = 1; i <= points; i += 1) drawn.take((i * period) / points, at((i * period) / points));
  return { mean, rms, hertz: drawn.summary().hertz };
}
