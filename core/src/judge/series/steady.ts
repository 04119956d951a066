/**
 * Steady: over a window the largest and smallest figure lie no further apart than allowed. A supply that
 * bounces points to its capacitors or regulator.
 *
 * Worked example: 5.02, 5.05, 4.98, 5.01 V over 10 s spread by 0.07 V: steady at 0.1 V, unsteady at 0.05.
 */
import { formatDifference } from '../../units/format';
import { judgeApart, unsettled } from '../figure';
import { drawBetween, durationOf, range } from './samples';
import { defineSeries, positive, seconds } from './series-kind';

const OUTCOMES = ['ok', 'unsteady'] as const;

export const steady = defineSeries({
  kind: 'steady',
  fields: { spread: positive, /** That must be covered. */ seconds },
  outcomes: () => OUTCOMES,
  words: (expect, { apart }) => `steady within ${apart(expect.spread)} for ${expect.seconds} s`,
  seconds: (expect) => expect.seconds,
  wanted({ spread }, { samples }) {
    const { min, max } = range(samples);
    const middle = (min + max) / 2;
    return [{ low: middle - spread / 2, high: middle + spread / 2 }];
  },
  judge(rule, { samples }, errors) {
    if (samples.length < 3 || durationOf(samples) < rule.seconds)
      return unsettled(
        OUTCOMES,
        `Watch it for ${rule.seconds} s, three figures at least: ${Math.round(durationOf(samples))} s so far.`,
      );
    // The two ends alone: thousands of figures that each flicker by a count are no movement.
    const { min, max } = range(samples);
    const figure = drawBetween('steady', (low, high) => Math.abs(high - low), [min, max], errors);
    return judgeApart(
      figure,
      rule.spread,
      'unsteady',
      `It moves by ${formatDifference(figure.value, rule.unit, 3)}; ${formatDifference(rule.spread, rule.unit)} is allowed.`,
    );
  },
});
