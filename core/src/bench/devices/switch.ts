import { abs } from '../arithmetic';
import type { Element } from '../circuit';
import type { Moment, Solution, Unknowns } from './device';
import { VariableResistor } from './variable-resistor';

/**
 * A contact that a voltage closes, with hysteresis. As a relay (`hold`) its coil pulls on either sign
 * and lets go only after the coil has been too weak for so long, so that AC does not make it buzz.
 */
export class Switch extends VariableResistor {
  readonly #element: Extract<Element, { kind: 'switch' }>;
  readonly #plus: number;
  readonly #minus: number;
  #on: boolean;
  /** The last moment at which the coil was strong enough, s. */
  #strong = -Infinity;

  constructor(element: Extract<Element, { kind: 'switch' }>, u: Unknowns) {
    super(element.name, element.nodes, u);
    this.#element = element;
    this.#plus = u.node(element.control[0]);
    this.#minus = u.node(element.control[1]);
    this.#on = element.on ?? false;
  }

  protected siemens(): number {
    const { ron, roff } = this.#element.model;
    return 1 / (this.#on ? ron : roff);
  }
  override reset(): void {
    this.#on = this.#element.on ?? false;
    this.#strong = -Infinity;
  }
  override begin(_x: Solution, at: Moment): void {
    if (this.#on) this.#strong = at.t;
  }
  override get discrete(): boolean {
    return true;
  }
  override keep(): () => void {
    const [on, strong] = [this.#on, this.#strong];
    return () => {
      this.#on = on;
      this.#strong = strong;
    };
  }
  override restless(x: Solution): boolean {
    const { model, hold } = this.#element;
    // A relay remembers when its coil was last strong enough.
    if (hold !== undefined) return true;
    const control = x[this.#plus]! - x[this.#minus]!;
    return this.#on ? control < model.vt - model.vh : control > model.vt + model.vh;
  }
  override flip(x: Solution, at: Moment): boolean {
    const { model, hold } = this.#element;
    const across = x[this.#plus]! - x[this.#minus]!;
    const control = hold === undefined ? across : abs(across);
    let now = this.#on;
    if (control > model.vt + model.vh) {
      now = true;
      this.#strong = at.t;
    } else if (control < model.vt - model.vh)
      now = this.#on && hold !== undefined && at.h > 0 && at.t - this.#strong < hold;
    const changed = now !== this.#on;
    this.#on = now;
    return changed;
  }
}
