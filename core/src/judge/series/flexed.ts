/**
 * Flexed: the harness is moved along its whole length while the figure is watched. A figure that changes
 * when the harness is flexed points to the harness. Judged by smallest and largest.
 *
 * Worked example: 0.4 to 0.6 Ω while flexed, 1 Ω allowed: sound. 0.4 Ω to OL: broken inside.
 */
import type { Unit } from '../../units/units';
import { formatQuantity } from '../../units/format';
import { classProbabilities, judgeClasses, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { range, type Series } from './samples';

export interface FlexedRule {
  readonly kind: 'flexed';
  readonly low?: number | undefined;
  readonly high?: number | undefined;
  /** Largest change while flexed. */
  readonly spread: number;
  readonly unit: Unit;
}

export const FLEXED_OUTCOMES = ['ok', 'flex', 'low', 'high'] as const;

export function judgeFlexed(rule: FlexedRule, { samples }: Series, u: number): Judgement {
  if (samples.length < 2)
    return unsettled(FLEXED_OUTCOMES, 'Smallest and largest while flexed: two figures at least.');
  const { min, max } = range(samples);
  const steady = classProbabilities(
    { value: max - min, u: (u / 4) * Math.SQRT2 },
    { low: -Infinity, high: rule.spread },
    { low: '', high: 'flex' },
  ).ok!;
  const whole = classProbabilities(
    { value: (min + max) / 2, u },
    { low: rule.low ?? -Infinity, high: rule.high ?? Infinity },
    { low: 'low', high: 'high' },
  );
  const p = {
    ok: steady * whole.ok!,
    flex: 1 - steady,
    low: steady * (whole.low ?? 0),
    high: steady * (whole.high ?? 0),
  };
  const show = (value: number) => formatQuantity(value, rule.unit, 3);
  return judgeClasses(p, `${show(min)} to ${show(max)} while flexed.`);
}
