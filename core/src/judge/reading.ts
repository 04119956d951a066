/** What a meter showed, and how far that figure may be off. */

export type Reading =
  /** `to`: the other end of a figure that wanders; `value` is the one farther from 0. */
  { kind: 'value'; value: number; to?: number } | { kind: 'overload' };

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
