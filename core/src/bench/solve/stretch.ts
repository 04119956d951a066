/** A quantity over a stretch of time, as a meter's eye sums it up: mean, RMS of the rest, turns a second. */
import { max, sqrt } from '../arithmetic';

export interface Settled {
  readonly mean: number;
  /** RMS of what is left without the mean. */
  readonly rms: number;
  /** 0 where nothing swings. */
  readonly hertz: number;
}

/** Share of the RMS by which a track must pass its mean to count: ripple on ripple does not. */
const MARGIN = 0.1;

/** Integrates between the solver's steps, which are joined by straight lines. */
export class Stretch {
  readonly #from: number;
  /** The moments and the values seen. */
  readonly #times: number[];
  readonly #values: number[];
  #last: number;
  #before: number;
  #area = 0;
  #square = 0;
  /** First moment about the start, for the slope of the whole. */
  #moment = 0;

  constructor(t: number, value: number) {
    this.#from = t;
    this.#before = t;
    this.#last = value;
    this.#times = [t];
    this.#values = [value];
  }

  take(t: number, value: number): void {
    const last = this.#last;
    const h = t - this.#before;
    const since = this.#before - this.#from;
    this.#area += (h * (last + value)) / 2;
    this.#square += (h * (last * last + last * value + value * value)) / 3;
    this.#moment += since * ((h * (last + value)) / 2) + (h * h * (last + 2 * value)) / 6;
    this.#before = t;
    this.#last = value;
    this.#times.push(t);
    this.#values.push(value);
  }

  /**
   * @param level - Leave a steady drift out of the RMS, as an input that lets no direct voltage through
   *   does. For a stretch that is no whole number of turns.
   */
  summary({ level = false } = {}): Settled {
    const length = this.#before - this.#from;
    if (!(length > 0)) return { mean: this.#last, rms: 0, hertz: 0 };
    const mean = this.#area / length;
    const drift = level ? (12 * (this.#moment - (mean * length * length) / 2)) / length ** 3 : 0;
    const variance = this.#square / length - mean * mean - (drift * length) ** 2 / 12;
    // What is left of equal squares is rounding.
    const rms = variance > 1e-13 * mean * mean ? sqrt(max(0, variance)) : 0;
    const middle = this.#from + length / 2;
    const turns = rms > 0 ? this.#rises((t) => mean + drift * (t - middle), rms) : 0;
    return { mean, rms, hertz: turns / length };
  }

  #rises(line: (t: number) => number, rms: number): number {
    let count = 0;
    let below = false;
    const walk = () => {
      for (let i = 0; i < this.#times.length; i += 1) {
        const over = (this.#values[i] ?? 0) - line(this.#times[i] ?? 0);
        if (over < -MARGIN * rms) below = true;
        else if (over > MARGIN * rms) {
          if (below) count += 1;
          below = false;
        }
      }
    };
    // Turns follow on each other: it begins where it will have ended.
    walk();
    count = 0;
    walk();
    return count;
  }
}
