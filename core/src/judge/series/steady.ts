/**
 * Steady: over a window the largest and smallest figure lie no further apart than allowed. A supply that
 * bounces points to its capacitors or regulator.
 *
 * Worked example: 5.02, 5.05, 4.98, 5.01 V over 10 s spread by 0.07 V: steady at 0.1 V, unsteady at 0.05.
 */
import { propagate } from '../../numeric/propagate';
import type { Unit } from '../../units/units';
import { formatQuantity } from '../../units/format';
import { judgeFigure, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { durationOf, type Series, values } from './samples';

export interface SteadyRule {
  readonly kind: 'steady';
  readonly spread: number;
  /** Seconds that must be covered. */
  readonly seconds: number;
  readonly unit: Unit;
}

export const STEADY_OUTCOMES = ['ok', 'unsteady'] as const;

export function judgeSteady(rule: SteadyRule, { samples }: Series, u: number): Judgement {
  if (samples.length < 3 || durationOf(samples) < rule.seconds)
    return unsettled(
      STEADY_OUTCOMES,
      `Watch it for ${rule.seconds} s, three figures at least: ${Math.round(durationOf(samples))} s so far.`,
    );
  const figure = propagate(
    (all) => Math.max(...all) - Math.min(...all),
    // The meter's error is nearly the same for every figure of a series: only its last digits differ.
    values(samples).map((value) => ({ value, u: u / 4 })),
  );
  return judgeFigure(
    figure,
    { low: -Infinity, high: rule.spread },
    { low: 'unsteady', high: 'unsteady' },
    `It moves by ${formatQuantity(figure.value, rule.unit, 3)}; ${formatQuantity(rule.spread, rule.unit)} is allowed.`,
  );
}
