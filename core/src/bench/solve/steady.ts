/**
 * What stays when everything has settled, as a meter sees it: mean, RMS of the alternating part and
 * frequency. Where nothing swings it is the operating point; where nothing is nonlinear, phasors; else
 * a transient, turn by turn, until two turns look the same.
 */
import type { Circuit } from '../circuit';
import { byPhasors, isForPhasors } from './by-phasors';
import { byTurns } from './by-turns';
import type { Rest } from './foresight';
import { reader, type Quantity } from './quantity';
import { frozen, rhythmOf } from './rhythm';
import type { Settled } from './stretch';
import { System, type SystemOptions } from './system';

export interface SteadyState {
  readonly values: readonly Settled[];
  /** What was stored at the end, and learned on the way, for a circuit like this one to begin with. */
  readonly rest?: Rest;
  /** False where turns still differed when the search ended, or where none is like another. */
  readonly settled: boolean;
}

export interface SteadyOptions extends SystemOptions {
  readonly at?: number;
  readonly near?: Rest | undefined;
}

/**
 * @param near - What a circuit much like this one held in the end: the search begins there.
 * @param at - Moment at which slow sources stand, s.
 * @throws {CoreError} as the solver does.
 */
export function steadyState(
  circuit: Circuit,
  quantities: readonly Quantity[],
  { at = 0, near, ...options }: SteadyOptions = {},
): SteadyState {
  const held = { ...circuit, elements: circuit.elements.map((each) => frozen(each, at)) };
  const rhythm = rhythmOf(held);
  if (!rhythm) return atRest(held, quantities, options);
  if (isForPhasors(held.elements)) {
    const values = byPhasors(held, quantities, rhythm, options);
    if (values) return { values, settled: true };
  }
  return byTurns(held, quantities, rhythm, { near, ...options });
}

function atRest(
  circuit: Circuit,
  quantities: readonly Quantity[],
  options: SystemOptions,
): SteadyState {
  const system = new System(circuit, options);
  system.operatingPoint();
  const values = quantities.map((quantity) => ({
    mean: reader(system, quantity)(),
    rms: 0,
    hertz: 0,
  }));
  return { values, settled: true };
}
