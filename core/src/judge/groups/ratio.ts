/**
 * Loaded ÷ unloaded: a source that gives way under its load. Below the band it sags, which is a weak
 * driver; above it nothing loads it, which points past the plug.
 *
 * Worked example: a command of 5.0 V unloaded and 2.0 V loaded has the ratio 0.40.
 */
import { propagate } from '../../numeric/propagate';
import { certain, judgeFigure, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { figuresOf, type GroupReading } from './readings';

export interface RatioRule {
  readonly kind: 'ratio';
  readonly low: number;
  readonly high: number;
}

export const RATIO_OUTCOMES = ['ok', 'sags', 'stiff'] as const;

/** @param readings - Two: loaded, then unloaded. */
export function judgeRatio(rule: RatioRule, readings: readonly GroupReading[]): Judgement {
  const figures = figuresOf(readings);
  if (!figures) return certain('sags', 'An overload has no ratio: repeat it on a higher range.');
  const figure = propagate(([loaded, unloaded]) => loaded! / unloaded!, figures);
  // A ratio to something that may well be nothing says nothing.
  const nothing = Math.abs(figures[1]!.value) <= 2 * figures[1]!.u;
  if (nothing || !Number.isFinite(figure.value) || !Number.isFinite(figure.u))
    return unsettled(
      RATIO_OUTCOMES,
      'There is nothing without load either: no ratio. Look at what feeds this point first.',
    );
  const shown = (value: number) => String(Number(value.toPrecision(3)));
  return judgeFigure(
    figure,
    { low: rule.low, high: rule.high },
    { low: 'sags', high: 'stiff' },
    `Loaded it keeps ${shown(figure.value)} of its unloaded figure; ${shown(rule.low)} to ${shown(rule.high)} is right.`,
  );
}
