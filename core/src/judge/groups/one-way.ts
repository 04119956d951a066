/**
 * One way only: a forward drop one way and OL the other. Either half alone proves nothing: a shorted
 * junction also conducts forward, an open one also blocks.
 *
 * Worked example: 0.52 V forward and OL in reverse is a sound diode; 0.00 V both ways is a short.
 */
import { judgeClasses } from '../figure';
import type { Judgement } from '../judge';
import { blocks, forwardConduction } from './conduction';
import type { GroupReading } from './readings';

export interface OneWayRule {
  readonly kind: 'one-way';
}

export const ONE_WAY_OUTCOMES = ['ok', 'short', 'open', 'reversed'] as const;

/** @param readings - Two: forward, then reverse. */
export function judgeOneWay(_rule: OneWayRule, readings: readonly GroupReading[]): Judgement {
  const [forward, reverse] = readings as [GroupReading, GroupReading];
  const f = forwardConduction(forward.judgement);
  const b = blocks(reverse.judgement);
  const p = {
    ok: f.drop * b,
    short: f.easy + f.drop * (1 - b),
    open: f.hard * b,
    reversed: f.hard * (1 - b),
  };
  const judgement = judgeClasses(p, '');
  return {
    ...judgement,
    sentence: WORDS[judgement.outcome as keyof typeof WORDS] + (judgement.sentence ?? ''),
  };
}

const WORDS: Record<(typeof ONE_WAY_OUTCOMES)[number], string> = {
  ok: 'Conducts one way and blocks the other.',
  short: 'Conducts both ways, or too easily: shorted.',
  open: 'Blocks both ways: open.',
  reversed: 'Conducts the wrong way: leads swapped, or the part turned round.',
};
