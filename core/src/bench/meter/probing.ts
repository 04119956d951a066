/** Where the meter stands on the bench, and on which function. */
import type { MeterFunction } from '../../meter/functions';

export interface Probing {
  readonly function: MeterFunction;
  /** Node under the red probe; a quantity's node for a gauge. */
  readonly red: string;
  /** Node under the black probe; absent for clamps and gauges. */
  readonly black?: string;
  /** Element around which a clamp lies. */
  readonly clamp?: string;
  /** The volts position that loads the circuit, for ghosts. */
  readonly lowImpedance?: boolean;
  /** Volts of an insulation test. */
  readonly testVolts?: number;
}

/** Nodes that the leads are on. */
export const touchedBy = ({ red, black }: Probing): string[] =>
  black === undefined ? [red] : [red, black];
