/**
 * The same reading with one thing taken away: a supply that comes back when a load is unplugged was
 * dragged down by that load; one that stays down is bad by itself.
 *
 * Worked example: a 12 V rail reads 3.1 V with the fan plugged in and 12.1 V without: the fan drags it.
 */
import { judgeClasses } from '../figure';
import type { Judgement } from '../judge';
import type { GroupReading } from './readings';

export interface RemovedRule {
  readonly kind: 'removed';
  /** What is taken away, in words: “fan plug CN5”. */
  readonly what?: string | undefined;
}

export const REMOVED_OUTCOMES = ['ok', 'load', 'source', 'needs-it'] as const;

/** @param readings - Two: with it in place, then without. */
export function judgeRemoved(rule: RemovedRule, readings: readonly GroupReading[]): Judgement {
  const [inPlace, without] = readings.map(({ judgement }) => judgement.p.ok ?? 0) as [
    number,
    number,
  ];
  const p = {
    ok: inPlace * without,
    load: (1 - inPlace) * without,
    source: (1 - inPlace) * (1 - without),
    'needs-it': inPlace * (1 - without),
  };
  const what = rule.what ?? 'the part taken away';
  const judgement = judgeClasses(p, '');
  const words = {
    ok: 'Right with it and right without it.',
    load: `Right only without it: ${what} drags it down.`,
    source: `Wrong with it and without it: ${what} is not to blame.`,
    'needs-it': `Right only while ${what} is in place.`,
  }[judgement.outcome as 'ok' | 'load' | 'source' | 'needs-it'];
  return { ...judgement, sentence: words + (judgement.sentence ?? '') };
}
