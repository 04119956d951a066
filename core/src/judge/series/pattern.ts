/**
 * The pattern of a light, from samples of on and off: steady, regular, erratic, once then dark, or dark.
 * Regular means that the times between flashes differ from their mean by no more than a quarter; longer
 * gaps between groups are taken out first, so that a blinked code counts as regular.
 *
 * Worked example: flashes at 0, 1.0, 2.1, 3.0 s are regular; at 0, 0.4, 1.9, 2.1 s erratic.
 */
import { certain, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { durationOf, type Sample, type Series } from './samples';
import { risings } from './pulses';

export const PATTERNS = ['steady', 'regular', 'erratic', 'once-then-dark', 'dark'] as const;
export type Pattern = (typeof PATTERNS)[number];

export interface PatternRule {
  readonly kind: 'pattern';
  readonly is: Pattern;
  readonly seconds: number;
}

const IRREGULAR = 0.25;

export function patternOf(samples: readonly Sample[]): Pattern {
  const on = samples.filter(({ value }) => value >= 0.5).length;
  if (on === 0) return 'dark';
  if (on === samples.length) return 'steady';
  // A light that is on at the start has lit up once before the first sample.
  const first = samples[0]!;
  const moments = [...(first.value >= 0.5 ? [first.t] : []), ...risings(samples, 0.5)];
  if (moments.length === 1) return samples.at(-1)!.value < 0.5 ? 'once-then-dark' : 'steady';
  const gaps = moments.slice(1).map((t, i) => t - moments[i]!);
  const shortest = [...gaps].sort((a, b) => a - b)[Math.floor((gaps.length - 1) / 2)]!;
  const inGroups = gaps.filter((gap) => gap < 2 * shortest);
  const mean = inGroups.reduce((sum, gap) => sum + gap, 0) / inGroups.length;
  return inGroups.every((gap) => Math.abs(gap - mean) <= IRREGULAR * mean) ? 'regular' : 'erratic';
}

export function patternOutcomes({ is }: Pick<PatternRule, 'is'>): string[] {
  return ['ok', ...PATTERNS.filter((each) => each !== is)];
}

export function judgePattern(rule: PatternRule, { samples }: Series): Judgement {
  if (durationOf(samples) < rule.seconds)
    return unsettled(patternOutcomes(rule), `Watch the light for ${rule.seconds} s.`);
  const seen = patternOf(samples);
  const words = `The light is ${seen.replaceAll('-', ' ')}; ${rule.is.replaceAll('-', ' ')} is right.`;
  return certain(seen === rule.is ? 'ok' : seen, words);
}
