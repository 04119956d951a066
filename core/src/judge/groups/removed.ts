/**
 * The same reading with one thing taken away: a supply that comes back when a load is unplugged was
 * dragged down by that load; one that stays down is bad by itself.
 *
 * Worked example: a 12 V rail reads 3.1 V with the fan plugged in and 12.1 V without: the fan drags it.
 */
import { Type } from '@sinclair/typebox';
import { judgeClasses } from '../figure';
import { likeliest } from '../judge';
import { allOf, besides } from '../uncertainty/together';
import { twoOf } from './readings';
import { defineRule, Point } from './rule';

export const removed = defineRule({
  kind: 'removed',
  fields: {
    inPlace: Point,
    without: Point,
    /** What is taken away, in words: “fan plug CN5”. */
    what: Type.Optional(Type.String({ minLength: 1, maxLength: 120 })),
  },
  title: 'With and without',
  outcomes: ['ok', 'load', 'source', 'needs-it'],
  byJudgement: true,
  points: ({ inPlace, without }) => [inPlace, without],
  judge(rule, readings) {
    const [first, second] = twoOf(readings);
    const inPlace = first.judgement.p.ok ?? 0;
    const without = second.judgement.p.ok ?? 0;
    const p = besides(allOf([inPlace, without]), {
      load: (1 - inPlace) * without,
      source: (1 - inPlace) * (1 - without),
      'needs-it': inPlace * (1 - without),
    });
    return judgeClasses(p, sentence(likeliest(p), rule.what ?? 'the part taken away'));
  },
});

function sentence(outcome: string, what: string): string {
  switch (outcome) {
    case 'load':
      return `Right only without it: ${what} drags it down.`;
    case 'source':
      return `Wrong with it and without it: ${what} is not to blame.`;
    case 'needs-it':
      return `Right only while ${what} is in place.`;
    default:
      return 'Right with it and right without it.';
  }
}
