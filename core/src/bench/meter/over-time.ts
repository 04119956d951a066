/** A reading over time, as it is asked for and as it comes. */
import type { Flag, Hazard, MeasureOptions } from './shown';

export interface Update {
  /** Seconds since the probes touched. */
  readonly t: number;
  /** null for OL. */
  readonly value: number | null;
  /** What the display says beside the figure; absent where nothing. */
  readonly flags?: readonly Flag[];
}

export interface Track {
  /** One for each moment from the first on; the display starts from 0. None after a hazard. */
  readonly updates: readonly Update[];
  readonly hazards: readonly Hazard[];
}

export interface TrackOptions extends MeasureOptions {
  readonly seconds: number;
  /** Seconds between updates; the meter's own rate where absent. */
  readonly every?: number;
  /**
   * `rest`: everything has settled before the probes touch. `initial`: capacitors begin with their
   * initial volts, as after switching off.
   */
  readonly start?: 'rest' | 'initial';
}

/** What an update sums up, before the display. */
export interface Seen {
  /** Infinite for an overload. */
  readonly value: number;
  readonly flags: readonly Flag[];
}
