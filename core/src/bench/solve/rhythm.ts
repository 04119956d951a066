/**
 * How the sources of a circuit swing. What repeats itself faster than a meter's eye is a rhythm, and
 * settles into a steady state; what moves slower, or once, is a level that the eye can follow.
 */
import { abs, max, min, round } from '../arithmetic';
import type { Circuit } from '../circuit';
import type { Wave } from '../elements/element';
import type { Element } from '../elements/index';
import { levelAt } from '../elements/wave';

/** A source that takes longer than this for a turn is seen to move, s. */
const SLOW = 0.5;
/** A common period longer than this is not waited for, s. */
const LONGEST = 1;
/** How far a source may be from a whole number of turns at the end of a common period, turns. */
const OFF = 1e-5;

export interface Rhythm {
  /** Every frequency among the sources, each once, rising, Hz. */
  readonly hertz: readonly number[];
  /** The common period of all of them, s; undefined where there is none worth waiting for. */
  readonly period: number | undefined;
  /** The longest step that shows every source its shape, s. */
  readonly step: number;
  /** A moment at which the first sine stands at its crest, s from 0. */
  readonly crest: number;
}

/** Turns a second of a wave that goes on for ever, fast; undefined for any other. */
function beat(wave: Wave): number | undefined {
  if (wave.kind === 'sin')
    return wave.amplitude !== 0 && wave.damping === 0 && wave.hertz * SLOW > 1
      ? wave.hertz
      : undefined;
  if (wave.kind !== 'pulse' || wave.low === wave.high) return undefined;
  return wave.period < SLOW ? 1 / wave.period : undefined;
}

/** Whether a wave swings fast and for ever. */
export const swings = (wave: Wave): boolean => beat(wave) !== undefined;

/** Whether any source alternates. */
export const alternates = ({ elements }: Pick<Circuit, 'elements'>): boolean =>
  elements.some((element) => 'wave' in element && swings(element.wave));

/** Whether a source goes somewhere: a slow wave, a ramp, a single pulse, a ring that dies away. */
const passes = (wave: Wave): boolean => wave.kind !== 'dc' && !swings(wave) && !stands(wave);
const stands = (wave: Wave): boolean =>
  (wave.kind === 'sin' && wave.amplitude === 0) ||
  (wave.kind === 'pulse' && wave.low === wave.high);

export const isPassing = (element: Element): boolean => 'wave' in element && passes(element.wave);

/** Steps that a sine is given in one turn, and a pulse, whose corners are met anyway. */
const STEPS = { sin: 80, pulse: 16 } as const;

/** @returns undefined where nothing swings. */
export function rhythmOf({ elements }: Pick<Circuit, 'elements'>): Rhythm | undefined {
  const found = new Set<number>();
  let step = Infinity;
  let crest: number | undefined;
  for (const element of elements) {
    if (!('wave' in element)) continue;
    const { wave } = element;
    const hertz = beat(wave);
    if (hertz === undefined) continue;
    found.add(hertz);
    step = min(step, 1 / (hertz * STEPS[wave.kind as 'sin' | 'pulse']));
    if (wave.kind === 'sin') crest ??= (90 - wave.phase) / (360 * hertz) + wave.delay;
  }
  if (found.size === 0) return undefined;
  const hertz = [...found].sort((a, b) => a - b);
  return { hertz, period: commonPeriod(hertz), step, crest: max(0, crest ?? 0) };
}

/** The fastest sine of any source, one that dies away too, Hz; 0 where there is none. */
export const fastestSine = ({ elements }: Pick<Circuit, 'elements'>): number =>
  elements.reduce(
    (most, element) =>
      'wave' in element && element.wave.kind === 'sin' && !stands(element.wave)
        ? max(most, element.wave.hertz)
        : most,
    0,
  );

/** @param hertz - Rising. */
function commonPeriod(hertz: readonly number[]): number | undefined {
  const [slowest = 0] = hertz;
  for (let turns = 1; turns <= LONGEST * slowest * (1 + OFF); turns += 1) {
    const period = turns / slowest;
    // What is off by less than this share of a turn slips by nothing that a meter shows.
    if (
      hertz.every((each) => abs(each * period - round(each * period)) <= OFF * (1 + each * period))
    )
      return period;
  }
  return undefined;
}

/** Slow sources stay where they are at a moment; what rings out has done so. */
export function frozen<E extends Element>(element: E, at: number): Element {
  if (!('wave' in element) || !passes(element.wave)) return element;
  const { wave } = element;
  const value = wave.kind === 'sin' && wave.damping > 0 ? wave.offset : levelAt(wave, at);
  return { ...element, wave: { kind: 'dc', value } };
}
