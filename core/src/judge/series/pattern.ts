/**
 * The pattern of a light, from samples of on and off: steady, regular, erratic, once then dark, or dark.
 * Regular means that the times between flashes differ from their mean by no more than a quarter; longer
 * gaps between groups are taken out first, so that a blinked code counts as regular.
 *
 * Worked example: flashes at 0, 1.0, 2.1, 3.0 s are regular; at 0, 0.4, 1.9, 2.1 s erratic.
 */
import { words } from '../../schema-words';
import { certain, unsettled } from '../figure';
import { risings } from './pulses';
import { durationOf, type Sample } from './samples';
import { defineSeries, seconds } from './series-kind';

const PATTERNS = ['steady', 'regular', 'erratic', 'once-then-dark', 'dark'] as const;
export type Pattern = (typeof PATTERNS)[number];

export const pattern = defineSeries({
  kind: 'pattern',
  fields: { is: words(PATTERNS), seconds },
  outcomes: ({ is }) => outcomesOf(is),
  words: (expect) => `light ${expect.is.replaceAll('-', ' ')} for ${expect.seconds} s`,
  seconds: (expect) => expect.seconds,
  judge(rule, { samples }) {
    if (durationOf(samples) < rule.seconds)
      return unsettled(outcomesOf(rule.is), `Watch the light for ${rule.seconds} s.`);
    const seen = patternOf(samples);
    const said = `The light is ${seen.replaceAll('-', ' ')}; ${rule.is.replaceAll('-', ' ')} is right.`;
    return certain(seen === rule.is ? 'ok' : seen, said);
  },
});

const outcomesOf = (is: Pattern): string[] => ['ok', ...PATTERNS.filter((each) => each !== is)];

const IRREGULAR = 0.25;

export function patternOf(samples: readonly Sample[]): Pattern {
  const on = samples.filter(({ value }) => value >= 0.5).length;
  const [first, last] = [samples[0], samples.at(-1)];
  if (on === 0 || !first || !last) return 'dark';
  if (on === samples.length) return 'steady';
  // A light that is on at the start has lit up once before the first sample.
  const moments = [...(first.value >= 0.5 ? [first.t] : []), ...risings(samples, 0.5)];
  if (moments.length === 1) return last.value < 0.5 ? 'once-then-dark' : 'steady';
  const gaps = moments.slice(1).map((t, i) => t - (moments[i] ?? t));
  const typical = [...gaps].sort((a, b) => a - b)[Math.floor((gaps.length - 1) / 2)] ?? 0;
  const inGroups = gaps.filter((gap) => gap < 2 * typical);
  const mean = inGroups.reduce((sum, gap) => sum + gap, 0) / inGroups.length;
  return inGroups.every((gap) => Math.abs(gap - mean) <= IRREGULAR * mean) ? 'regular' : 'erratic';
}
