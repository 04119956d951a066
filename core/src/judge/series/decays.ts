/**
 * Decays: a stored charge must fall below a limit within a time. The fall is fitted as an exponential,
 * v = v₀·e^(−t/τ), by least squares on ln v; from it follows the moment at which the limit is reached.
 *
 * Worked example: 310 V at 0 s and 114 V at 60 s give τ = 60/ln(310/114) = 60 s; 24 V is reached after
 * 60·ln(310/24) = 153.5 s.
 */
import type { Unit } from '../../units/units';
import { formatQuantity } from '../../units/format';
import { certain, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { crossing, durationOf, slopeOf, type Sample, type Series } from './samples';

export interface DecaysRule {
  readonly kind: 'decays';
  readonly below: number;
  /** Seconds from the first figure. */
  readonly seconds: number;
  readonly unit: Unit;
}

export const DECAYS_OUTCOMES = ['ok', 'slow', 'still'] as const;

export interface Decay {
  /** Time constant, seconds. */
  readonly tau: number;
  /** Fitted value at the time of the first sample. */
  readonly start: number;
}

/** @returns undefined for fewer than two positive figures, or where nothing falls. */
export function fitDecay(samples: readonly Sample[]): Decay | undefined {
  const positive = samples.filter(({ value }) => value > 0);
  if (positive.length < 2 || durationOf(positive) <= 0) return undefined;
  const logs = positive.map(({ t, value }) => ({ t, value: Math.log(value) }));
  const slope = slopeOf(logs);
  if (!(slope < 0)) return undefined;
  const mt = logs.reduce((sum, each) => sum + each.t, 0) / logs.length;
  const ml = logs.reduce((sum, each) => sum + each.value, 0) / logs.length;
  return { tau: -1 / slope, start: Math.exp(ml + slope * (positive[0]!.t - mt)) };
}

/** Seconds from the first sample until the fitted fall reaches a level; 0 when it is there already. */
export function decayTime({ tau, start }: Decay, level: number): number {
  return level > 0 && start > level ? tau * Math.log(start / level) : 0;
}

export function judgeDecays(rule: DecaysRule, { samples }: Series, u: number): Judgement {
  const below = formatQuantity(rule.below, rule.unit);
  const first = samples[0];
  if (!first) return unsettled(DECAYS_OUTCOMES, 'No figure yet.');
  const reached = crossing(samples, rule.below - u * 1.645, -1);
  if (reached !== undefined) {
    const after = reached - first.t;
    const words = `Below ${below} after ${Math.round(after)} s; ${rule.seconds} s is allowed.`;
    return certain(after <= rule.seconds ? 'ok' : 'slow', words);
  }
  const fit = fitDecay(samples);
  const waited = durationOf(samples);
  const expected = fit && decayTime(fit, rule.below);
  if (waited < rule.seconds)
    return unsettled(
      DECAYS_OUTCOMES,
      fit
        ? `τ is ${Math.round(fit.tau)} s: it should reach ${below} ${Math.round(expected!)} s after the first figure. Take one then.`
        : `It does not fall yet. Take another figure.`,
    );
  return fit && expected! < 20 * rule.seconds
    ? certain('slow', `Still above ${below} after ${Math.round(waited)} s: it falls too slowly.`)
    : certain('still', `It does not fall: nothing drains it, or something still feeds it.`);
}
