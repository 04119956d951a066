/**
 * Two places that must read the same: the ends of a harness (half-split), or a reading and a reference
 * instrument. Equal readings clear what lies between; unequal ones accuse it.
 *
 * Worked example: 119.8 V at the board plug, 119.6 V at the midway joint, ±1 V allowed: the piece
 * between is clear.
 */
import { propagate } from '../../numeric/propagate';
import { formatQuantity } from '../../units/format';
import { certain, judgeFigure } from '../figure';
import type { Judgement } from '../judge';
import { figuresOf, openOnes, type GroupReading } from './readings';

export interface SameRule {
  readonly kind: 'same';
  /** Allowed difference, in the unit of the readings. */
  readonly plusMinus?: number | undefined;
  /** Or in percent of the second reading, the reference. */
  readonly percent?: number | undefined;
}

export const SAME_OUTCOMES = ['ok', 'apart'] as const;

/** @param readings - Two; the second is the reference. */
export function judgeSame(rule: SameRule, readings: readonly GroupReading[]): Judgement {
  const [first, second] = readings as [GroupReading, GroupReading];
  const open = openOnes(readings);
  const figures = figuresOf(readings);
  if (!figures)
    return open.length === 2
      ? certain('ok', 'Both read OL: the same at both places.')
      : certain('apart', `${open[0]} reads OL, the other does not: something between is open.`);
  const figure = propagate(([a, b]) => a! - b!, figures);
  const allowed =
    rule.plusMinus ?? (Math.abs(second.judgement.corrected!) * (rule.percent ?? 0)) / 100;
  return judgeFigure(
    figure,
    { low: -allowed, high: allowed },
    { low: 'apart', high: 'apart' },
    `${first.id} and ${second.id} differ by ${formatQuantity(Math.abs(figure.value), first.unit, 3)}; ${formatQuantity(allowed, first.unit, 3)} is allowed.`,
  );
}
