/**
 * What a figure's error is made of. The meter's gain is common to all readings of one meter, its lead zero
 * to all readings that it was taken from; its counts each reading has by itself. Limits of error are taken
 * as rectangular distributions (JCGM 100:2008, 4.3.7).
 */
import type { Accuracy } from '../reading';
import { COVERAGE } from './level';

/** Half-widths, each in the unit of the figure. */
export interface ErrorParts {
  /** Which meter; readings of one share the sign and share of its gain. */
  readonly instrument: string;
  readonly gain: number;
  readonly counts: number;
  readonly lead: number;
}

/** A figure with the parts of its error. */
export interface Measured {
  readonly value: number;
  readonly errors: ErrorParts;
}

/** The errors of a meter at a figure, in the unit of the figure. */
export type ErrorsAt = (value: number) => ErrorParts;

/** A figure without error. */
export const EXACT: ErrorParts = { instrument: '', gain: 0, counts: 0, lead: 0 };
export const exactly: ErrorsAt = () => EXACT;

/**
 * @param indicated - What the meter showed, before any lead zero.
 * @param lead - Half-width of the lead zero that was taken off; 0 where none was.
 */
export const errorsOf = (
  { percent, absolute, instrument = '' }: Accuracy,
  indicated: number,
  lead = 0,
): ErrorParts => ({
  instrument,
  gain: (Math.abs(indicated) * percent) / 100,
  counts: absolute,
  lead,
});

/** The same standard uncertainty at every figure, each by itself. */
export const evenErrors = (u: number): ErrorsAt => {
  const errors = { ...EXACT, counts: u * Math.sqrt(3) };
  return () => errors;
};

/**
 * Standard uncertainty of one figure by itself. A data sheet states gain and counts as one limit of error,
 * so that they are one rectangle of their sum; the lead zero is another, independent of it.
 */
export const standardUncertainty = ({ gain, counts, lead }: ErrorParts): number =>
  Math.sqrt(((gain + counts) ** 2 + lead ** 2) / 3);

/** Whether a figure lies within its expanded uncertainty of nothing: no ratio to it says anything. */
export const mayBeNothing = ({ value, errors }: Measured): boolean =>
  Math.abs(value) <= COVERAGE * standardUncertainty(errors);
