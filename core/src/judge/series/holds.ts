/**
 * Holds: stays within a band for a time, as a charged bus capacitor on volts, or flame current in
 * operation. The hold test of a capacitor allows a slow sag: the band does.
 *
 * Worked example: 2.9, 2.8, 2.7 V over 30 s holds in 2.4 to 3.1 V; 2.9, 1.1, 0.3 V leaves it low.
 */
import { Type } from '@sinclair/typebox';
import { formatQuantity } from '../../units/format';
import { classProbabilities, judgeClasses, unsettled } from '../figure';
import { DECISION_LEVEL } from '../uncertainty/level';
import { allOf, besides } from '../uncertainty/together';
import { durationOf, range } from './samples';
import { defineSeries, seconds } from './series-kind';

const OUTCOMES = ['ok', 'low', 'none', 'high'] as const;

export const holds = defineSeries({
  kind: 'holds',
  fields: { low: Type.Number(), high: Type.Number(), seconds },
  outcomes: () => OUTCOMES,
  words: (expect, { band }) => `holds ${band(expect.low, expect.high)} for ${expect.seconds} s`,
  seconds: (expect) => expect.seconds,
  limits: ({ low, high }) => [[low, high]],
  wanted: ({ low, high }) => [{ low, high }],
  judge(rule, { samples }, errors) {
    if (samples.length === 0) return unsettled(OUTCOMES, 'No figure yet.');
    const { min, max } = range(samples);
    const lowest = classProbabilities(
      { value: min, errors: errors(min) },
      { low: rule.low, high: Infinity },
      { low: 'low', high: '' },
    );
    const highest = classProbabilities(
      { value: max, errors: errors(max) },
      { low: -Infinity, high: rule.high },
      { low: '', high: 'high' },
    );
    const inside = allOf([lowest.ok ?? 0, highest.ok ?? 0]);
    if (inside > 1 - DECISION_LEVEL && durationOf(samples) < rule.seconds)
      return unsettled(
        OUTCOMES,
        `In so far; it must hold for ${rule.seconds} s, ${Math.round(durationOf(samples))} s are seen.`,
      );
    const lowName = rule.low > 0 && Math.abs(min) < rule.low / 10 ? 'none' : 'low';
    const p = besides(inside, { [lowName]: lowest.low ?? 0, high: highest.high ?? 0 });
    return judgeClasses(
      p,
      `It stays between ${formatQuantity(min, rule.unit, 3)} and ${formatQuantity(max, rule.unit, 3)} over ${Math.round(durationOf(samples))} s.`,
    );
  },
});
