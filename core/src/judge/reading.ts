/** What a meter showed, and how far that figure may be off. */

/** A figure that came from somewhere else and took so long. */
export interface Climb {
  /** Where it began, SI. */
  readonly from: number;
  readonly seconds: number;
}

/** A figure, or more than the range holds. */
export type Figure =
  /** `to`: the other end of a figure that wanders; `value` is the one farther from 0. */
  | {
      kind: 'value';
      value: number;
      to?: number;
      /** It did not stand there at once. */
      climb?: Climb;
      /** The highest that was shown (max-hold): what stands there is at most this. */
      peak?: true;
    }
  | { kind: 'overload'; climb?: Climb };

/** Of continuity there may be no figure: it sounded, or it did not. */
export type Tone = { kind: 'tone' } | { kind: 'silence' };

export type Reading = Figure | Tone;

export const isTone = (reading: Reading): reading is Tone =>
  reading.kind === 'tone' || reading.kind === 'silence';

/** Meter limits of error: `percent` of reading plus `absolute`, in the unit of the reading. */
export interface Accuracy {
  readonly percent: number;
  readonly absolute: number;
  /** Which meter: readings of one share its gain. Absent, all share one. */
  readonly instrument?: string;
}

/** What the leads alone showed, shorted together: subtracted from resistances. Ohms. */
export interface LeadZero {
  readonly value: number;
  /** Half-width of that figure's own uncertainty. */
  readonly half: number;
}
