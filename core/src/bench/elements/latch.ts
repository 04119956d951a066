import { abs } from '../arithmetic';
import type { Condition } from './element';
import type { Solution, Unknowns } from './device';

/** A condition with a little hysteresis, so that a level just touched does not chatter. */
export class Latch {
  on = false;
  readonly #plus: number;
  readonly #minus: number;
  readonly #condition: Condition;

  constructor(condition: Condition, u: Unknowns) {
    this.#condition = condition;
    this.#plus = u.node(condition.plus);
    this.#minus = u.node(condition.minus);
  }

  reset(): void {
    this.on = false;
  }

  keep(): () => void {
    const { on } = this;
    return () => {
      this.on = on;
    };
  }

  /** @returns whether it changed. */
  follow(x: Solution): boolean {
    const changed = this.restless(x);
    if (changed) this.on = !this.on;
    return changed;
  }

  /** Whether it would change. */
  restless(x: Solution): boolean {
    const { sense, level } = this.#condition;
    const margin = 0.01 * abs(level);
    const over =
      ((x[this.#plus] ?? 0) - (x[this.#minus] ?? 0) - level) * (sense === 'above' ? 1 : -1);
    return this.on !== (this.on ? over > -margin : over > margin);
  }
}
