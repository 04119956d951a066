/**
 * Rises or falls: a net change of at least a given size, most of the way in that direction. A sensor that
 * warms in the hand, a coil that warms in a forced defrost.
 *
 * Worked example: −6, −4, −1, 3, 8 °C rises by 14 K, every step upwards: share 1.
 */
import type { Unit } from '../../units/units';
import { formatQuantity } from '../../units/format';
import { classProbabilities, judgeClasses, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { durationOf, monotoneShare, type Series } from './samples';

export interface TrendRule {
  readonly kind: 'rises' | 'falls';
  /** Least net change, in the unit. */
  readonly by: number;
  readonly seconds: number;
  /** Least share of the movement that goes the right way; 0.8 where absent. */
  readonly share?: number | undefined;
  readonly unit: Unit;
}

export const TREND_OUTCOMES = ['ok', 'still', 'wrong-way', 'unsteady'] as const;

export function judgeTrend(rule: TrendRule, { samples }: Series, u: number): Judgement {
  const direction = rule.kind === 'rises' ? 1 : -1;
  const first = samples[0];
  const last = samples.at(-1);
  if (!first || !last || samples.length < 3)
    return unsettled(TREND_OUTCOMES, 'Three figures at least make a trend.');
  const change = (last.value - first.value) * direction;
  // Both ends share the meter's scale error; what is left between them is taken as half of it each.
  const figure = { value: change, u: (u / 2) * Math.SQRT2 };
  const p = classProbabilities(
    figure,
    { low: rule.by, high: Infinity },
    { low: 'still', high: '' },
  );
  if (p.ok! < 0.95 && durationOf(samples) < rule.seconds)
    return unsettled(
      TREND_OUTCOMES,
      `${formatQuantity(change, rule.unit, 3)} of ${formatQuantity(rule.by, rule.unit)} so far; watch it for ${rule.seconds} s.`,
    );
  const share = monotoneShare(samples, direction);
  const smooth = share >= (rule.share ?? 0.8);
  const moved = Math.abs(change) > rule.by / 2 && change < 0;
  const words = `It ${change >= 0 ? '' : 'went the other way: '}changed by ${formatQuantity(change, rule.unit, 3)}; ${formatQuantity(rule.by, rule.unit)} is wanted.`;
  if (moved) return judgeClasses({ ok: 0, 'wrong-way': 1 }, words);
  if (p.ok! >= 0.95 && !smooth)
    return judgeClasses(
      { ok: 0, unsteady: 1 },
      `${words} Only ${Math.round(share * 100)} % of the way was in that direction.`,
    );
  return judgeClasses(p, words);
}
