import type { Element } from '../circuit';
import type { Unknowns } from './device';
import { VariableResistor } from './variable-resistor';

/** A meter's lead: on its node, or lifted off it. */
export class Lead extends VariableResistor {
  readonly #siemens: number;
  down: boolean;

  constructor(element: Extract<Element, { kind: 'lead' }>, u: Unknowns) {
    super(element.name, element.nodes, u);
    this.#siemens = 1 / element.ohms;
    this.down = element.down;
  }

  protected siemens(): number {
    return this.down ? this.#siemens : 0;
  }
}
