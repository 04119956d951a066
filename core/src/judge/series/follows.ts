/**
 * Follows: rises and falls with what drives it (flame current with burner rate, pressure with fan
 * speed), by Pearson's correlation, and lies in its band at the upper end of the driver.
 *
 * Worked example: rate 20, 60, 100 % with 2.1, 3.4, 4.9 µA correlates with r = 0.999.
 */
import type { Unit } from '../../units/units';
import { formatQuantity } from '../../units/format';
import { certain, classProbabilities, judgeClasses, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { type Sample, type Series } from './samples';

export interface FollowsRule {
  readonly kind: 'follows';
  /** What drives it, in words. */
  readonly driver: string;
  /** Least correlation; 0.8 where absent. Negative where it must fall as the driver rises. */
  readonly least?: number | undefined;
  /** Band at the highest driver seen. */
  readonly low?: number | undefined;
  readonly high?: number | undefined;
  readonly unit: Unit;
}

export const FOLLOWS_OUTCOMES = ['ok', 'still', 'wrong-way', 'low', 'high'] as const;

/** Pearson's r of driver and value; 0 where either does not move. */
export function correlation(samples: readonly Sample[]): number {
  const n = samples.length;
  const x = samples.map((each) => each.driver ?? 0);
  const y = samples.map((each) => each.value);
  const mx = x.reduce((a, b) => a + b, 0) / n;
  const my = y.reduce((a, b) => a + b, 0) / n;
  let xx = 0;
  let yy = 0;
  let xy = 0;
  for (let i = 0; i < n; i += 1) {
    xx += (x[i]! - mx) ** 2;
    yy += (y[i]! - my) ** 2;
    xy += (x[i]! - mx) * (y[i]! - my);
  }
  const r = xy / Math.sqrt(xx * yy);
  return Number.isFinite(r) ? Math.max(-1, Math.min(1, r)) : 0;
}

export function judgeFollows(rule: FollowsRule, { samples }: Series, u: number): Judgement {
  const driven = samples.filter(({ driver }) => driver !== undefined);
  const drivers = new Set(driven.map(({ driver }) => driver));
  if (driven.length < 3 || drivers.size < 2)
    return unsettled(
      FOLLOWS_OUTCOMES,
      `Three figures at two settings at least, each with its ${rule.driver}.`,
    );
  const least = rule.least ?? 0.8;
  const r = correlation(driven);
  const signed = r * Math.sign(least);
  if (signed < Math.abs(least))
    return certain(
      signed < -0.5 ? 'wrong-way' : 'still',
      signed < -0.5
        ? `It moves against the ${rule.driver}.`
        : `It does not follow the ${rule.driver}.`,
    );
  const top = driven.reduce((a, b) => (b.driver! > a.driver! ? b : a));
  const p = classProbabilities(
    { value: top.value, u },
    { low: rule.low ?? -Infinity, high: rule.high ?? Infinity },
    { low: 'low', high: 'high' },
  );
  return judgeClasses(
    p,
    `It follows the ${rule.driver}, ${formatQuantity(top.value, rule.unit, 3)} at the top.`,
  );
}
