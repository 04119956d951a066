/**
 * Loaded ÷ unloaded: a source that gives way under its load. Below the band it sags, which is a weak
 * driver; above it nothing loads it, which points past the plug.
 *
 * Worked example: a command of 5.0 V unloaded and 2.0 V loaded has the ratio 0.40.
 */
import { Type } from '@sinclair/typebox';
import { certain, judgeFigure, unsettled } from '../figure';
import { mayBeNothing } from '../uncertainty/errors';
import { drawFigure, figuresOf, shortly } from './readings';
import { defineRule, Point, positive } from './rule';

const OUTCOMES = ['ok', 'sags', 'stiff'] as const;

export const ratio = defineRule({
  kind: 'ratio',
  fields: { loaded: Point, unloaded: Point, low: Type.Number({ minimum: 0 }), high: positive },
  title: 'Loaded against unloaded',
  outcomes: OUTCOMES,
  points: ({ loaded, unloaded }) => [loaded, unloaded],
  problem: ({ low, high }) =>
    low <= high ? undefined : 'The lower ratio is not below the upper one.',
  judge(rule, readings) {
    const figures = figuresOf(readings);
    const unloaded = figures?.[1];
    if (!figures || !unloaded)
      return certain('sags', 'An overload has no ratio: repeat it on a higher range.');
    // A ratio to something that may well be nothing says nothing.
    if (mayBeNothing(unloaded))
      return unsettled(
        OUTCOMES,
        'There is nothing without load either: no ratio. Look at what feeds this point first.',
      );
    const figure = drawFigure(rule, ([a = NaN, b = NaN]) => a / b, figures);
    return judgeFigure(
      figure,
      { low: rule.low, high: rule.high },
      { low: 'sags', high: 'stiff' },
      `Loaded it keeps ${shortly(figure.value)} of its unloaded figure; ${shortly(rule.low)} to ${shortly(rule.high)} is right.`,
    );
  },
});
