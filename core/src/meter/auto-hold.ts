/**
 * Auto-hold: a reading is taken by itself once it has stood still for a while, is not what the meter
 * shows in the air, and something has changed since the last one, so that neither thin air nor the
 * same placement is recorded twice.
 *
 * Worked example, ohms, 0.8 s: OL, OL, 7.31, 7.24, 7.22, 7.22, 7.22, 7.22 is held at the last figure;
 * it is held again only after the probes were lifted (OL) or the figure moved by more than 5 %.
 */
import type { MeterFunction } from './functions';
import { spoiledBy, type MeterLine } from './stream';
import { nth } from '../numeric/nth';

export interface HoldSettings {
  /** Seconds that the figure must stand. */
  readonly still: number;
  /** Share of the figure within which it counts as standing. */
  readonly noise: number;
  /** Share by which it must have differed from the last held figure to be armed. */
  readonly change: number;
}

export const HOLD: HoldSettings = { still: 0.8, noise: 0.004, change: 0.05 };

/** What stands on an open meter, or below what counts as a figure at all. */
const FLOOR: Partial<Record<MeterFunction, number>> = {
  'V=': 0.02,
  'V~': 2,
  'A=': 5e-8,
  'A~': 1e-3,
  'clamp=': 0.1,
  'clamp~': 0.05,
  capacitance: 2e-9,
};

export type HoldState =
  /** In the air, or overloaded: nothing to hold. */
  | { readonly kind: 'air' }
  /** Still the placement that was held last. */
  | { readonly kind: 'held' }
  /** Moving; `since` seconds still so far. */
  | { readonly kind: 'settling'; readonly still: number }
  /** Take it. Said once. */
  | { readonly kind: 'take'; readonly line: MeterLine };

export const inTheAir = (line: MeterLine): boolean =>
  line.value === null ||
  line.flags.includes('OL') ||
  spoiledBy(line) !== undefined ||
  Math.abs(line.value) < (FLOOR[line.fn] ?? 0);

export class AutoHold {
  readonly #settings: HoldSettings;
  #window: MeterLine[] = [];
  #last: { fn: MeterFunction; value: number } | undefined;
  #armed = true;

  /** @param before - What this one goes on from: its last figure is still in the leads. */
  constructor(settings: HoldSettings = HOLD, before?: AutoHold) {
    this.#settings = settings;
    if (!before) return;
    this.#last = before.#last;
    this.#armed = before.#armed;
  }

  /** Lines in the order of their time. */
  feed(line: MeterLine): HoldState {
    const { still, noise, change } = this.#settings;
    if (this.#window.at(-1)?.fn !== line.fn) this.#window = [];
    if (inTheAir(line)) {
      this.#window = [];
      this.#armed = true;
      return { kind: 'air' };
    }
    const value = line.value!;
    const last = this.#last;
    if (
      last &&
      (last.fn !== line.fn || Math.abs(value - last.value) > change * Math.abs(last.value))
    )
      this.#armed = true;
    this.#window.push(line);
    // The newest stretch within the noise of its end.
    const band = noise * Math.abs(value);
    const moved = this.#window.findLastIndex((each) => Math.abs(each.value! - value) > band);
    this.#window = this.#window.slice(moved + 1);
    const stood = line.t - nth(this.#window, 0).t;
    if (!this.#armed) return { kind: 'held' };
    if (stood < still) return { kind: 'settling', still: stood };
    this.#armed = false;
    this.#last = { fn: line.fn, value };
    return { kind: 'take', line };
  }

  /** The figure was taken by hand, or taken back: this placement is done with. */
  taken(line: MeterLine): void {
    this.#armed = false;
    this.#last = line.value === null ? undefined : { fn: line.fn, value: line.value };
  }
}
