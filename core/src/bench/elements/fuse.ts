import { abs } from '../arithmetic';
import type { Moment, Solution, Unknowns } from './device';
import { VariableResistor } from './variable-resistor';
import { writeNumber as figure } from '../spice/number';
import type { TwoPole } from './element';
import { defineElement, never } from './element-kind';
import { resistorOf } from './resistor';

/** Opens once the integral of i² passes `i2t`, counted while |i| is above `hold`. */
export interface FuseElement extends TwoPole<'fuse'> {
  readonly ohms: number;
  readonly hold: number;
  readonly i2t: number;
}

/** What a blown fuse still conducts, Ω. */
const BLOWN_OHMS = 1e9;

/**
 * Opens once ∫ i² dt, counted while |i| is above what it holds for ever, passes its melting value.
 * For an operating point, which lasts, any current above the held one opens it.
 */
export class Fuse extends VariableResistor {
  readonly #element: FuseElement;
  #melted = 0;
  #blown = false;

  constructor(element: FuseElement, u: Unknowns) {
    super(element.name, element.nodes, u);
    this.#element = element;
  }

  override get blown(): boolean {
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

export const fuse = defineElement<FuseElement>({
  kind: 'fuse',
  letter: 'r',
  linear: never,
  direct: () => 'passes',
  device: (element, u) => new Fuse(element, u),
  withValue: (element, change, above) => ({ ...element, ohms: above(change(element.ohms)) }),
  block: {
    word: 'fuse',
    read(element, words) {
      const { name, nodes, ohms } = resistorOf(element, words);
      const hold = words.positive('hold', words.demand('hold'));
      return {
        kind: 'fuse',
        name,
        nodes,
        ohms,
        hold,
        i2t: words.positive('i2t', words.demand('i2t')),
      };
    },
  },
  write: ({ ohms, hold, i2t }, { name, head }) => [
    `${head} ${figure(ohms)}`,
    `*@ fuse ${name} hold=${figure(hold)} i2t=${figure(i2t)}`,
  ],
});
