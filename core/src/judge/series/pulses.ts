/**
 * Pulses: how often a figure rises above a threshold, and how far apart. A valve that is stepped, a fan
 * tacho, an output that hunts.
 *
 * Worked example: rises above 6 V at 0, 2.1, 3.9 and 6.0 s are four pulses of period 2.0 s.
 */
import type { Unit } from '../../units/units';
import { certain, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { durationOf, type Sample, type Series } from './samples';

export interface PulsesRule {
  readonly kind: 'pulses';
  readonly threshold: number;
  readonly seconds: number;
  /** Allowed count within the time watched. */
  readonly count?: readonly [number, number] | undefined;
  /** Allowed mean period, seconds. */
  readonly period?: readonly [number, number] | undefined;
  readonly unit: Unit;
}

export const PULSES_OUTCOMES = ['ok', 'none', 'few', 'many', 'slow', 'fast'] as const;

/** Moments at which the series rises through the threshold, along straight lines between samples. */
export function risings(samples: readonly Sample[], threshold: number): number[] {
  const moments: number[] = [];
  samples.forEach((sample, i) => {
    const before = samples[i - 1];
    if (!before || !(before.value < threshold && sample.value >= threshold)) return;
    const share = (threshold - before.value) / (sample.value - before.value);
    moments.push(before.t + share * (sample.t - before.t));
  });
  return moments;
}

export function judgePulses(rule: PulsesRule, { samples }: Series): Judgement {
  if (durationOf(samples) < rule.seconds)
    return unsettled(PULSES_OUTCOMES, `Watch it for ${rule.seconds} s.`);
  const moments = risings(samples, rule.threshold);
  const n = moments.length;
  if (n === 0) return certain('none', 'No pulse was seen.');
  const [least, most] = rule.count ?? [1, Infinity];
  if (n < least) return certain('few', `${n} pulses; ${least} at least are right.`);
  if (n > most) return certain('many', `${n} pulses; ${most} at most are right.`);
  if (!rule.period) return certain('ok', `${n} pulses.`);
  if (n < 2) return unsettled(PULSES_OUTCOMES, 'One pulse has no period: watch it longer.');
  const period = (moments[n - 1]! - moments[0]!) / (n - 1);
  const shown = `${n} pulses, ${Number(period.toPrecision(3))} s apart; ${rule.period[0]} to ${rule.period[1]} s is right.`;
  if (period < rule.period[0]) return certain('fast', shown);
  return certain(period > rule.period[1] ? 'slow' : 'ok', shown);
}
