/**
 * Rises or falls: within the time stated a net change of at least a given size, most of the way in that
 * direction. A sensor that warms in the hand, a coil that warms in a forced defrost. A longer series is
 * judged by the stretch of that length in which it changed most: what takes 400 s is no rise in 60 s.
 *
 * Worked example: −6, −4, −1, 3, 8 °C rises by 14 K, every step upwards: share 1.
 */
import { Type } from '@sinclair/typebox';
import { formatDifference } from '../../units/format';
import { classProbabilitiesOf, judgeClasses, unsettled } from '../figure';
import type { Judgement } from '../judge';
import type { ErrorsAt } from '../uncertainty/errors';
import { DECISION_LEVEL } from '../uncertainty/level';
import {
  drawBetween,
  durationOf,
  monotoneShare,
  stretchOf,
  valueAt,
  type Sample,
  type Series,
} from './samples';
import { defineSeries, positive, seconds, type SeriesIn } from './series-kind';

const OUTCOMES = ['ok', 'still', 'wrong-way', 'unsteady'] as const;
/** Least share of the movement that goes the right way, where the sheet states none. */
const SHARE = 0.8;

const fields = {
  /** Least net change, in the unit. */
  by: positive,
  seconds,
  share: Type.Optional(Type.Number({ minimum: 0, maximum: 1 })),
};
type Trend = SeriesIn<typeof fields>;

const trend = <const K extends 'rises' | 'falls'>(kind: K, direction: 1 | -1) =>
  defineSeries({
    kind,
    fields,
    outcomes: () => OUTCOMES,
    words: (expect, { apart }) => `${kind} by ${apart(expect.by)} in ${expect.seconds} s`,
    seconds: (expect) => expect.seconds,
    judge: (expect, series, errors) => judgeTrend(expect, direction, series, errors),
  });

export const rises = trend('rises', 1);
export const falls = trend('falls', -1);

function judgeTrend(
  rule: Trend,
  direction: 1 | -1,
  { samples }: Series,
  errors: ErrorsAt,
): Judgement {
  const stretch = steepest(samples, rule.seconds, direction);
  const [first, last] = [stretch[0], stretch.at(-1)];
  if (!first || !last || samples.length < 3)
    return unsettled(OUTCOMES, 'Three figures at least make a trend.');
  const change = drawBetween(
    'trend',
    (from, to) => (to - from) * direction,
    [first.value, last.value],
    errors,
  );
  const p = classProbabilitiesOf(
    change,
    { low: rule.by, high: Infinity },
    { low: 'still', high: '' },
  );
  const enough = (p.ok ?? 0) >= DECISION_LEVEL;
  const show = (value: number) => formatDifference(value, rule.unit, 3);
  if (!enough && durationOf(samples) < rule.seconds)
    return unsettled(
      OUTCOMES,
      `${show(change.value)} of ${formatDifference(rule.by, rule.unit)} so far; watch it for ${rule.seconds} s.`,
    );
  const back = netChange(samples) * direction;
  const wanted = `${formatDifference(rule.by, rule.unit)} in ${rule.seconds} s is wanted.`;
  if (!enough && back < -rule.by / 2)
    return judgeClasses(
      { ok: 0, 'wrong-way': 1 },
      `It went the other way: changed by ${show(back)}; ${wanted}`,
    );
  const words = `It changed by ${show(change.value)}; ${wanted}`;
  const share = monotoneShare(stretch, direction);
  if (enough && share < (rule.share ?? SHARE))
    return judgeClasses(
      { ok: 0, unsteady: 1 },
      `${words} Only ${Math.round(share * 100)} % of the way was in that direction.`,
    );
  return judgeClasses(p, words);
}

function netChange(samples: readonly Sample[]): number {
  const [first, last] = [samples[0], samples.at(-1)];
  return first && last ? last.value - first.value : 0;
}

/**
 * The stretch of so many seconds with the largest change in a direction; the whole of a series that is not
 * longer. Between its figures a series runs straight.
 */
function steepest(
  samples: readonly Sample[],
  within: number,
  direction: 1 | -1,
): readonly Sample[] {
  const [first, last] = [samples[0], samples.at(-1)];
  if (!first || !last || last.t - first.t <= within) return samples;
  let best = { from: first.t, change: -Infinity };
  // The largest change begins or ends at a figure.
  for (const { t } of samples)
    for (const from of [t, t - within]) {
      if (from < first.t || from + within > last.t) continue;
      const change = (valueAt(samples, from + within) - valueAt(samples, from)) * direction;
      if (change > best.change) best = { from, change };
    }
  return stretchOf(samples, best.from, best.from + within);
}
