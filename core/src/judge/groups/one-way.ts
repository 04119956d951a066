/**
 * One way only: a forward drop one way and OL the other. Either half alone proves nothing: a shorted
 * junction also conducts forward, an open one also blocks.
 *
 * Worked example: 0.52 V forward and OL in reverse is a sound diode; 0.00 V both ways is a short; 0.00 V one
 * way and OL the other contradict each other, and are repeated.
 */
import { judgeClasses, unsettled } from '../figure';
import { likeliest } from '../judge';
import { allOf, besides } from '../uncertainty/together';
import { blocks, forwardConduction } from './conduction';
import { twoOf } from './readings';
import { defineRule, Point } from './rule';

const WORDS: Readonly<Record<string, string>> = {
  ok: 'Conducts one way and blocks the other.',
  short: 'Conducts both ways, or too easily: shorted.',
  open: 'Blocks both ways: open.',
  reversed: 'Conducts the wrong way: leads swapped, or the part turned round.',
};
const OUTCOMES = ['ok', 'short', 'open', 'reversed'] as const;

export const oneWay = defineRule({
  kind: 'one-way',
  fields: { forward: Point, reverse: Point },
  title: 'Conducts one way only',
  outcomes: OUTCOMES,
  points: ({ forward, reverse }) => [forward, reverse],
  judge(_rule, readings) {
    const [forward, reverse] = twoOf(readings);
    const f = forwardConduction(forward.judgement);
    const b = blocks(reverse.judgement);
    // A short shows both ways: one that is seen one way only is a probe that slipped.
    if (f.easy * b > 0.5)
      return unsettled(
        OUTCOMES,
        'Nothing one way and OL the other contradict each other: lift the leads and repeat both.',
      );
    const p = besides(allOf([f.drop, b]), {
      short: f.easy + f.drop * (1 - b),
      open: f.hard * b,
      reversed: f.hard * (1 - b),
    });
    return judgeClasses(p, WORDS[likeliest(p)] ?? '');
  },
});
