/**
 * The difference of two figures within its own limits: water in and out, superheat off two pipes, the
 * pressure across a filter. Each by itself may lie anywhere.
 *
 * Worked example: 12.3 °C in and 7.1 °C out are 5.2 K apart; 4 to 7 K is right.
 */
import { Type } from '@sinclair/typebox';
import { formatDifference } from '../../units/format';
import { judgeFigure, unsettled } from '../figure';
import { bandApartWords } from '../words';
import { drawFigure, figuresOf, twoOf } from './readings';
import { defineRule, Point } from './rule';

const OUTCOMES = ['ok', 'low', 'high'] as const;

export const difference = defineRule({
  kind: 'difference',
  fields: {
    /** What is taken away is `less`: first − less. */
    first: Point,
    less: Point,
    low: Type.Optional(Type.Number()),
    high: Type.Optional(Type.Number()),
  },
  title: 'The difference',
  outcomes: OUTCOMES,
  points: ({ first, less }) => [first, less],
  problem: ({ low, high }) =>
    low === undefined && high === undefined
      ? 'A difference needs low or high.'
      : (low ?? -Infinity) <= (high ?? Infinity)
        ? undefined
        : 'The lower limit is not below the upper one.',
  judge(rule, readings) {
    const { low = -Infinity, high = Infinity } = rule;
    const [first] = twoOf(readings);
    const figures = figuresOf(readings);
    if (!figures)
      return unsettled(OUTCOMES, 'An overload has no difference: repeat it on a higher range.');
    const figure = drawFigure(rule, ([a = NaN, b = NaN]) => a - b, figures);
    return judgeFigure(
      figure,
      { low, high },
      { low: 'low', high: 'high' },
      `The difference is ${formatDifference(figure.value, first.unit, 3)}; ${bandApartWords(rule.low, rule.high, first.unit)} is right.`,
    );
  },
});
