import type { Unknowns } from './device';
import { VariableResistor } from './variable-resistor';
import { writeNumber as figure } from '../spice/number';
import type { TwoPole } from './element';
import { defineElement, never } from './element-kind';

/** A meter's lead, laid on its node or lifted off. */
export interface LeadElement extends TwoPole<'lead'> {
  readonly ohms: number;
  readonly down: boolean;
}

/** A meter's lead: on its node, or lifted off it. */
export class Lead extends VariableResistor {
  readonly #siemens: number;
  down: boolean;

  constructor(element: LeadElement, u: Unknowns) {
    super(element.name, element.nodes, u);
    this.#siemens = 1 / element.ohms;
    this.down = element.down;
  }

  protected siemens(): number {
    return this.down ? this.#siemens : 0;
  }
}

export const lead = defineElement<LeadElement>({
  kind: 'lead',
  letter: 'r',
  linear: never,
  direct: ({ down }) => (down ? 'passes' : 'blocks'),
  device: (element, u) => new Lead(element, u),
  write: ({ down, ohms }, { head }) => (down ? [`${head} ${figure(ohms)}`] : []),
});
