/**
 * Pulses: how often a figure rises above a threshold, and how far apart. A valve that is stepped, a fan
 * tacho, an output that hunts.
 *
 * Worked example: rises above 6 V at 0, 2.1, 3.9 and 6.0 s are four pulses of period 2.0 s.
 */
import { Type } from '@sinclair/typebox';
import { formatQuantity } from '../../units/format';
import { certain, unsettled } from '../figure';
import { bandWords } from '../words';
import { durationOf, type Sample } from './samples';
import { defineSeries, pair, seconds } from './series-kind';

const OUTCOMES = ['ok', 'none', 'few', 'many', 'slow', 'fast'] as const;

/** Where the sheet asks for it: pulses too small or too large, and a pause too long between two. */
const outcomesOf = ({ height, gap }: { height?: unknown; gap?: unknown }): readonly string[] => [
  ...OUTCOMES,
  ...(height === undefined ? [] : ['small', 'large']),
  ...(gap === undefined ? [] : ['gap']),
];

export const pulses = defineSeries({
  kind: 'pulses',
  fields: {
    threshold: Type.Number(),
    seconds,
    /** Allowed count within the time watched. */
    count: Type.Optional(pair),
    /** Allowed mean period, seconds. */
    period: Type.Optional(pair),
    /** Band in which every pulse must reach its height. */
    height: Type.Optional(pair),
    /** Longest time without a pulse, seconds, also before the first and after the last. */
    gap: Type.Optional(seconds),
  },
  outcomes: outcomesOf,
  words: ({ threshold, count, period, height, gap, seconds: watched }, { show, band }) =>
    [
      `pulses over ${show(threshold)}`,
      count && `${count[0]} to ${count[1]} in ${watched} s`,
      period && `every ${period[0]} to ${period[1]} s`,
      height && `each ${band(...height)}`,
      gap !== undefined && `no pause over ${gap} s`,
    ]
      .filter(Boolean)
      .join(', '),
  seconds: (expect) => expect.seconds,
  limits: ({ count, period, height }) =>
    [count, period, height].flatMap((band) => (band ? [band] : [])),
  wanted: ({ threshold }) => [{ low: threshold, high: threshold }],
  judge(rule, { samples }) {
    const outcomes = outcomesOf(rule);
    if (durationOf(samples) < rule.seconds)
      return unsettled(outcomes, `Watch it for ${rule.seconds} s.`);
    const moments = risings(samples, rule.threshold);
    const n = moments.length;
    const [first, last] = [moments[0], moments.at(-1)];
    if (first === undefined || last === undefined) return certain('none', 'No pulse was seen.');
    const [least, most] = rule.count ?? [1, Infinity];
    if (n < least) return certain('few', `${n} pulses; ${least} at least are right.`);
    if (n > most) return certain('many', `${n} pulses; ${most} at most are right.`);
    const pause = rule.gap === undefined ? undefined : pauseOver(rule.gap, moments, samples);
    if (pause !== undefined)
      return certain('gap', `${shortly(pause)} s without a pulse; ${rule.gap} s at most is right.`);
    const odd = rule.height && oddHeight(rule.height, rule.threshold, samples);
    if (odd !== undefined)
      return certain(
        odd < rule.height![0] ? 'small' : 'large',
        `A pulse reaches ${formatQuantity(odd, rule.unit, 3)}; ${bandWords(...rule.height!, rule.unit)} is right.`,
      );
    if (!rule.period) return certain('ok', `${n} pulses.`);
    if (n < 2) return unsettled(outcomes, 'One pulse has no period: watch it longer.');
    const [shortest, longest] = rule.period;
    const period = (last - first) / (n - 1);
    const shown = `${n} pulses, ${Number(period.toPrecision(3))} s apart; ${shortest} to ${longest} s is right.`;
    if (period < shortest) return certain('fast', shown);
    return certain(period > longest ? 'slow' : 'ok', shown);
  },
});

const shortly = (value: number): string => String(Number(value.toPrecision(3)));

/** The longest time without a pulse, where it is longer than allowed; the watch’s own ends count. */
function pauseOver(
  longest: number,
  moments: readonly number[],
  samples: readonly Sample[],
): number | undefined {
  const ends = [samples[0]?.t ?? 0, ...moments, samples.at(-1)?.t ?? 0];
  const worst = ends.reduce((most, t, i) => Math.max(most, t - (ends[i - 1] ?? t)), 0);
  return worst > longest ? worst : undefined;
}

/** The first height outside its band; a pulse that the end of the watch cut off has none yet. */
function oddHeight(
  [low, high]: readonly [number, number],
  threshold: number,
  samples: readonly Sample[],
): number | undefined {
  let height: number | undefined;
  // One that had begun before the watch is not looked at: its height may lie before it.
  let begun = false;
  for (const { value } of samples) {
    if (value >= threshold) {
      if (begun) height = Math.max(height ?? value, value);
    } else {
      if (height !== undefined && (height < low || height > high)) return height;
      height = undefined;
      begun = true;
    }
  }
  return undefined;
}

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
