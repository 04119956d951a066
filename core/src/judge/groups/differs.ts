/**
 * Two figures that must not be equal: suction and discharge of a compressor that pumps, water in and out of
 * an exchanger at work. Equal ones accuse what should keep them apart.
 *
 * Worked example: 9.8 bar on both sides of a running compressor, 2 bar at least wanted: it does not pump.
 */
import { formatDifference } from '../../units/format';
import { judgeFigure, unsettled } from '../figure';
import { drawFigure, figuresOf, twoOf, readingsWanted } from './readings';
import { defineRule, pointList, positive } from './rule';
import { Type } from '@sinclair/typebox';

const OUTCOMES = ['ok', 'equal'] as const;

export const differs = defineRule({
  kind: 'differs',
  fields: {
    /** Least difference, in the unit of the readings. */
    least: positive,
    points: Type.Optional(pointList(2)),
  },
  title: 'Not equal',
  outcomes: OUTCOMES,
  points: ({ points }, all) => points ?? all,
  problem: (_, points) => readingsWanted(2, points),
  judge({ id, least }, readings) {
    const [first, second] = twoOf(readings);
    const figures = figuresOf(readings);
    if (!figures)
      return unsettled(OUTCOMES, 'An overload has no difference: repeat it on a higher range.');
    const figure = drawFigure({ id }, ([a = NaN, b = NaN]) => Math.abs(a - b), figures);
    return judgeFigure(
      figure,
      { low: least, high: Infinity },
      { low: 'equal', high: 'equal' },
      `${first.id} and ${second.id} lie ${formatDifference(figure.value, first.unit, 3)} apart; ${formatDifference(least, first.unit)} at least is right.`,
    );
  },
});
