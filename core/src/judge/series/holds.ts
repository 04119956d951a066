/**
 * Holds: stays within a band for a time, as a charged bus capacitor on volts, or flame current in
 * operation. The hold test of a capacitor allows a slow sag: the band does.
 *
 * Worked example: 2.9, 2.8, 2.7 V over 30 s holds in 2.4 to 3.1 V; 2.9, 1.1, 0.3 V leaves it low.
 */
import type { Unit } from '../../units/units';
import { formatQuantity } from '../../units/format';
import { classProbabilities, judgeClasses, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { durationOf, range, type Series } from './samples';

export interface HoldsRule {
  readonly kind: 'holds';
  readonly low: number;
  readonly high: number;
  readonly seconds: number;
  readonly unit: Unit;
}

export const HOLDS_OUTCOMES = ['ok', 'low', 'none', 'high'] as const;

export function judgeHolds(rule: HoldsRule, { samples }: Series, u: number): Judgement {
  if (samples.length === 0) return unsettled(HOLDS_OUTCOMES, 'No figure yet.');
  const { min, max } = range(samples);
  const lowest = classProbabilities(
    { value: min, u },
    { low: rule.low, high: Infinity },
    { low: 'low', high: '' },
  );
  const highest = classProbabilities(
    { value: max, u },
    { low: -Infinity, high: rule.high },
    { low: '', high: 'high' },
  );
  const inside = lowest.ok! * highest.ok!;
  if (inside > 0.05 && durationOf(samples) < rule.seconds)
    return unsettled(
      HOLDS_OUTCOMES,
      `In so far; it must hold for ${rule.seconds} s, ${Math.round(durationOf(samples))} s are seen.`,
    );
  const lowName = rule.low > 0 && Math.abs(min) < rule.low / 10 ? 'none' : 'low';
  const left = 1 - inside;
  const bad = 1 - lowest.ok! + (1 - highest.ok!);
  const p: Record<string, number> =
    bad > 0
      ? {
          ok: inside,
          [lowName]: (left * (1 - lowest.ok!)) / bad,
          high: (left * (1 - highest.ok!)) / bad,
        }
      : { ok: 1 };
  return judgeClasses(
    p,
    `It stays between ${formatQuantity(min, rule.unit, 3)} and ${formatQuantity(max, rule.unit, 3)} over ${Math.round(durationOf(samples))} s.`,
  );
}
