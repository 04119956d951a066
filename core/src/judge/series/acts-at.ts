/**
 * Acts at: a trend must trigger something near a threshold, and not late: a thermostat that opens, a
 * pressure switch that trips. Judged by the figure at the moment of the event.
 *
 * Worked example: a radiant sensor must open between 190 and 230 °C; the event was marked between
 * readings of 205 and 215 °C, so at 210: in.
 */
import type { Unit } from '../../units/units';
import { formatQuantity } from '../../units/format';
import { certain, classProbabilities, judgeClasses, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { range, slopeOf, type Sample, type Series } from './samples';

export interface ActsAtRule {
  readonly kind: 'acts-at';
  readonly event: string;
  readonly low: number;
  readonly high: number;
  readonly unit: Unit;
}

export const ACTS_AT_OUTCOMES = ['ok', 'early', 'late', 'never'] as const;

/** Value at a moment, along the straight line between its neighbours. */
export function valueAt(samples: readonly Sample[], t: number): number {
  const i = samples.findIndex((each) => each.t >= t);
  if (i < 0) return samples.at(-1)!.value;
  if (i === 0) return samples[0]!.value;
  const [a, b] = [samples[i - 1]!, samples[i]!];
  return b.t === a.t ? b.value : a.value + ((b.value - a.value) * (t - a.t)) / (b.t - a.t);
}

export function judgeActsAt(rule: ActsAtRule, { samples, event }: Series, u: number): Judgement {
  if (samples.length < 2) return unsettled(ACTS_AT_OUTCOMES, 'Two figures at least make a trend.');
  const upwards = slopeOf(samples) >= 0;
  const { min, max } = range(samples);
  const band = `${formatQuantity(rule.low, rule.unit)} to ${formatQuantity(rule.high, rule.unit)}`;
  if (event === undefined) {
    const beyond = upwards ? max > rule.high + 2 * u : min < rule.low - 2 * u;
    return beyond
      ? certain('never', `Past ${band}, and it did not come: ${rule.event}.`)
      : unsettled(ACTS_AT_OUTCOMES, `Go on until it comes, or until it is past ${band}.`);
  }
  const at = valueAt(samples, event);
  const classes = upwards ? { low: 'early', high: 'late' } : { low: 'late', high: 'early' };
  return judgeClasses(
    classProbabilities({ value: at, u }, { low: rule.low, high: rule.high }, classes),
    `It came at ${formatQuantity(at, rule.unit, 3)}; ${band} is right.`,
  );
}
