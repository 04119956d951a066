import { max } from '../arithmetic';
import type { Unknowns } from './device';
import { Nonlinear } from './nonlinear';
import { writeNumber as figure } from '../spice/number';
import type { TwoPole } from './element';
import { defineElement, never } from './element-kind';

/** A meter's drive for ohms and diodes: `amps` out of plus, giving way as the voltage nears `volts`. */
export interface DriveElement extends TwoPole<'drive'> {
  readonly amps: number;
  readonly volts: number;
}

/** Share of the open voltage over which the current gives way. */
const KNEE = 0.04;

/**
 * A meter's source for ohms, diodes and insulation: `amps` out of plus until the voltage nears
 * `volts`, then falling to none there.
 */
export class Drive extends Nonlinear {
  #amps: number;
  #volts: number;

  constructor(element: DriveElement, u: Unknowns) {
    super(element.name);
    this.p = u.node(element.nodes[0]);
    this.m = u.node(element.nodes[1]);
    this.#amps = element.amps;
    this.#volts = element.volts;
  }

  /** Another range of the meter. */
  set(amps: number, volts: number): void {
    this.#amps = amps;
    this.#volts = volts;
  }

  protected at(v: number) {
    const slope = max(this.#amps, 1e-15) / (KNEE * this.#volts);
    const beyond = slope * (v - this.#volts);
    // Two straight pieces, bent one way only: Newton's method cannot go round in circles on them.
    return beyond > -this.#amps ? { i: beyond, g: slope, v } : { i: -this.#amps, g: 0, v };
  }
}

export const drive = defineElement<DriveElement>({
  kind: 'drive',
  letter: 'i',
  linear: never,
  direct: () => 'blocks',
  device: (element, u) => new Drive(element, u),
  // Belongs to a meter, never to a netlist; a plain source is the nearest that SPICE has.
  write: ({ nodes, amps }, { name }) => [`${name} ${nodes[1]} ${nodes[0]} ${figure(amps)}`],
});
