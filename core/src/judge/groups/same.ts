/**
 * Two places that must read the same: the ends of a harness (half-split), or a reading and a reference
 * instrument. Equal readings clear what lies between; unequal ones accuse it.
 *
 * Worked example: 119.8 V at the board plug, 119.6 V at the midway joint, ±1 V allowed: the piece
 * between is clear.
 */
import { Type } from '@sinclair/typebox';
import { formatDifference } from '../../units/format';
import { certain, judgeFigure } from '../figure';
import { drawFigure, figuresOf, openOnes, twoOf, readingsWanted } from './readings';
import { defineRule, pointList, positive } from './rule';

export const same = defineRule({
  kind: 'same',
  fields: {
    /** Allowed difference, in the unit of the readings. */
    plusMinus: Type.Optional(positive),
    /** Or in percent of the second reading, the reference. */
    percent: Type.Optional(positive),
    points: Type.Optional(pointList(2)),
  },
  title: 'Same at both places',
  outcomes: ['ok', 'apart'],
  points: ({ points }, all) => points ?? all,
  problem: ({ percent, plusMinus }, points) =>
    percent === undefined && plusMinus === undefined
      ? 'Two equal places need plusMinus or percent.'
      : readingsWanted(2, points),
  judge(rule, readings) {
    const [first, second] = twoOf(readings);
    const open = openOnes(readings);
    const figures = figuresOf(readings);
    if (!figures)
      return open.length === 2
        ? certain('ok', 'Both read OL: the same at both places.')
        : certain('apart', `${open[0]} reads OL, the other does not: something between is open.`);
    const figure = drawFigure(rule, ([a = NaN, b = NaN]) => a - b, figures);
    const reference = second.judgement.corrected ?? 0;
    const allowed = rule.plusMinus ?? (Math.abs(reference) * (rule.percent ?? 0)) / 100;
    return judgeFigure(
      figure,
      { low: -allowed, high: allowed },
      { low: 'apart', high: 'apart' },
      `${first.id} and ${second.id} differ by ${formatDifference(Math.abs(figure.value), first.unit, 3)}; ${formatDifference(allowed, first.unit, 3)} is allowed.`,
    );
  },
});
