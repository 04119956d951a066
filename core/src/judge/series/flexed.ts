/**
 * Flexed: the harness is moved along its whole length while the figure is watched. A figure that changes
 * when the harness is flexed points to the harness. Judged by smallest and largest.
 *
 * Worked example: 0.4 to 0.6 Ω while flexed, 1 Ω allowed: sound. 0.4 Ω to OL: broken inside.
 */
import { formatQuantity } from '../../units/format';
import { judgeClasses, tooCoarse, unsettled } from '../figure';
import { allOf, besides } from '../uncertainty/together';
import { drawBetween, range } from './samples';
import { defineSeries, optional, positive } from './series-kind';

const OUTCOMES = ['ok', 'flex', 'low', 'high'] as const;

export const flexed = defineSeries({
  kind: 'flexed',
  fields: { low: optional, high: optional, /** Largest change while flexed. */ spread: positive },
  outcomes: () => OUTCOMES,
  words: (expect, { show, band }) =>
    [`moves by ${show(expect.spread)} at most when flexed`, band(expect.low, expect.high)]
      .filter(Boolean)
      .join(', '),
  seconds: () => 0,
  limits: ({ low = -Infinity, high = Infinity }) => [[low, high]],
  wanted: ({ low, high }) => (low === undefined && high === undefined ? [] : [{ low, high }]),
  judge(rule, { samples }, errors) {
    if (samples.length < 2)
      return unsettled(OUTCOMES, 'Smallest and largest while flexed: two figures at least.');
    const { min, max } = range(samples);
    const ends = [min, max] as const;
    const moved = drawBetween('flexed', (low, high) => Math.abs(high - low), ends, errors);
    const middle = drawBetween('flexed', (low, high) => (low + high) / 2, ends, errors);
    const flex = moved.above(rule.spread);
    const low = middle.below(rule.low ?? -Infinity);
    const high = middle.above(rule.high ?? Infinity);
    const p = besides(allOf([1 - flex, 1 - low - high]), {
      flex,
      low: (1 - flex) * low,
      high: (1 - flex) * high,
    });
    const show = (value: number) => formatQuantity(value, rule.unit, 3);
    const judgement = judgeClasses(p, `${show(min)} to ${show(max)} while flexed.`);
    // Moved no further than it may, as it stands: then it is the meter that cannot tell.
    const coarse = flex > 0.5 && moved.value <= rule.spread;
    return coarse ? tooCoarse(judgement) : judgement;
  },
});
