/**
 * Pulses: how often a figure rises above a threshold, and how far apart. A valve that is stepped, a fan
 * tacho, an output that hunts.
 *
 * Worked example: rises above 6 V at 0, 2.1, 3.9 and 6.0 s are four pulses of period 2.0 s.
 */
import { Type } from '@sinclair/typebox';
import { certain, unsettled } from '../figure';
import { durationOf, type Sample } from './samples';
import { defineSeries, pair, seconds } from './series-kind';

const OUTCOMES = ['ok', 'none', 'few', 'many', 'slow', 'fast'] as const;

export const pulses = defineSeries({
  kind: 'pulses',
  fields: {
    threshold: Type.Number(),
    seconds,
    /** Allowed count within the time watched. */
    count: Type.Optional(pair),
    /** Allowed mean period, seconds. */
    period: Type.Optional(pair),
  },
  outcomes: () => OUTCOMES,
  words: ({ threshold, count, period, seconds: watched }, { show }) =>
    [
      `pulses over ${show(threshold)}`,
      count && `${count[0]} to ${count[1]} in ${watched} s`,
      period && `every ${period[0]} to ${period[1]} s`,
    ]
      .filter(Boolean)
      .join(', '),
  seconds: (expect) => expect.seconds,
  limits: ({ count, period }) => [count, period].flatMap((band) => (band ? [band] : [])),
  wanted: ({ threshold }) => [{ low: threshold, high: threshold }],
  judge(rule, { samples }) {
    if (durationOf(samples) < rule.seconds)
      return unsettled(OUTCOMES, `Watch it for ${rule.seconds} s.`);
    const moments = risings(samples, rule.threshold);
    const n = moments.length;
    const [first, last] = [moments[0], moments.at(-1)];
    if (first === undefined || last === undefined) return certain('none', 'No pulse was seen.');
    const [least, most] = rule.count ?? [1, Infinity];
    if (n < least) return certain('few', `${n} pulses; ${least} at least are right.`);
    if (n > most) return certain('many', `${n} pulses; ${most} at most are right.`);
    if (!rule.period) return certain('ok', `${n} pulses.`);
    if (n < 2) return unsettled(OUTCOMES, 'One pulse has no period: watch it longer.');
    const [shortest, longest] = rule.period;
    const period = (last - first) / (n - 1);
    const shown = `${n} pulses, ${Number(period.toPrecision(3))} s apart; ${shortest} to ${longest} s is right.`;
    if (period < shortest) return certain('fast', shown);
    return certain(period > longest ? 'slow' : 'ok', shown);
  },
});

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
