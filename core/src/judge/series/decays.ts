/**
 * Decays: a stored charge must fall below a limit within a time. The fall is fitted as an exponential,
 * v = v₀·e^(−t/τ), by least squares on ln v; from it follows the moment at which the limit is reached.
 *
 * Worked example: 310 V at 0 s and 114 V at 60 s give τ = 60/ln(310/114) = 60 s; 24 V is reached after
 * 60·ln(310/24) = 153.5 s.
 */
import { formatQuantity } from '../../units/format';
import { certain, unsettled } from '../figure';
import { standardUncertainty } from '../uncertainty/errors';
import { ONE_SIDED_95 } from '../uncertainty/level';
import { crossing, durationOf, slopeOf, type Sample } from './samples';
import { defineSeries, positive, seconds } from './series-kind';

const OUTCOMES = ['ok', 'slow', 'still'] as const;
/** A fall that would take so many times as long as allowed is none. */
const NO_FALL = 20;

export const decays = defineSeries({
  kind: 'decays',
  fields: { below: positive, /** From the first figure. */ seconds },
  outcomes: () => OUTCOMES,
  words: (expect, { show }) => `below ${show(expect.below)} within ${expect.seconds} s`,
  seconds: (expect) => expect.seconds,
  wanted: ({ below, seconds: from }) => [{ high: below, from }],
  judge(rule, { samples }, errors) {
    const below = formatQuantity(rule.below, rule.unit);
    const [first] = samples;
    if (!first) return unsettled(OUTCOMES, 'No figure yet.');
    // As sure as any verdict that it is below: by the meter's error at the limit, not at the charged store.
    const surely = rule.below - ONE_SIDED_95 * standardUncertainty(errors(rule.below));
    const reached = crossing(samples, surely, -1);
    if (reached !== undefined) {
      const after = reached - first.t;
      const words = `Below ${below} after ${Math.round(after)} s; ${rule.seconds} s is allowed.`;
      return certain(after <= rule.seconds ? 'ok' : 'slow', words);
    }
    const fit = fitDecay(samples);
    const waited = durationOf(samples);
    const expected = fit ? decayTime(fit, rule.below) : Infinity;
    if (waited < rule.seconds)
      return unsettled(
        OUTCOMES,
        fit
          ? `τ is ${Math.round(fit.tau)} s: it should reach ${below} ${Math.round(expected)} s after the first figure. Take one then.`
          : `It does not fall yet. Take another figure.`,
      );
    return expected < NO_FALL * rule.seconds
      ? certain('slow', `Still above ${below} after ${Math.round(waited)} s: it falls too slowly.`)
      : certain('still', `It does not fall: nothing drains it, or something still feeds it.`);
  },
});

export interface Decay {
  /** Time constant, seconds. */
  readonly tau: number;
  /** Fitted value at the time of the first sample. */
  readonly start: number;
}

/** @returns undefined for fewer than two positive figures, or where nothing falls. */
export function fitDecay(samples: readonly Sample[]): Decay | undefined {
  const above = samples.filter(({ value }) => value > 0);
  const [first] = above;
  if (!first || durationOf(above) <= 0) return undefined;
  const logs = above.map(({ t, value }) => ({ t, value: Math.log(value) }));
  const slope = slopeOf(logs);
  if (!(slope < 0)) return undefined;
  const mt = logs.reduce((sum, each) => sum + each.t, 0) / logs.length;
  const ml = logs.reduce((sum, each) => sum + each.value, 0) / logs.length;
  return { tau: -1 / slope, start: Math.exp(ml + slope * (first.t - mt)) };
}

/** Seconds from the first sample until the fitted fall reaches a level; 0 when it is there already. */
export function decayTime({ tau, start }: Decay, level: number): number {
  return level > 0 && start > level ? tau * Math.log(start / level) : 0;
}
