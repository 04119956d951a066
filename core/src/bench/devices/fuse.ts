import { abs } from '../arithmetic';
import type { Element } from '../circuit';
import type { Moment, Solution, Unknowns } from './device';
import { VariableResistor } from './variable-resistor';

/** What a blown fuse still conducts, Ω. */
const BLOWN_OHMS = 1e9;

/**
 * Opens once ∫ i² dt, counted while |i| is above what it holds for ever, passes its melting value.
 * For an operating point, which lasts, any current above the held one opens it.
 */
export class Fuse extends VariableResistor {
  readonly #element: Extract<Element, { kind: 'fuse' }>;
  #melted = 0;
  #blown = false;

  constructor(element: Extract<Element, { kind: 'fuse' }>, u: Unknowns) {
    super(element.name, element.nodes, u);
    this.#element = element;
  }

  get blown(): boolean {
    return this.#blown;
  }

  protected siemens(): number {
    return 1 / (this.#blown ? BLOWN_OHMS : this.#element.ohms);
  }
  override reset(): void {
    this.#blown = false;
    this.#melted = 0;
  }
  override accept(x: Solution, at: Moment): void {
    const amps = abs(this.current(x));
    if (amps > this.#element.hold) this.#melted += amps * amps * at.h;
  }
  override get discrete(): boolean {
    return true;
  }
  override keep(): () => void {
    const blown = this.#blown;
    return () => {
      this.#blown = blown;
    };
  }
  override restless(x: Solution): boolean {
    return !this.#blown && abs(this.current(x)) > this.#element.hold;
  }
  override flip(x: Solution, at: Moment): boolean {
    if (this.#blown) return false;
    const amps = abs(this.current(x));
    const gone =
      at.h === 0
        ? at.settled && at.scale === 1 && amps > this.#element.hold
        : amps > this.#element.hold && this.#melted + amps * amps * at.h >= this.#element.i2t;
    this.#blown = gone;
    return gone;
  }
}
