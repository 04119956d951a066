/**
 * Acts at: a trend must trigger something near a threshold, and not late: a thermostat that opens, a
 * pressure switch that trips. Judged by the figure at the moment of the event.
 *
 * Worked example: a radiant sensor must open between 190 and 230 °C; the event was marked between
 * readings of 205 and 215 °C, so at 210: in.
 */
import { Type } from '@sinclair/typebox';
import { formatQuantity } from '../../units/format';
import { certain, classProbabilities, judgeClasses, unsettled } from '../figure';
import { standardUncertainty } from '../uncertainty/errors';
import { COVERAGE } from '../uncertainty/level';
import { range, slopeOf, valueAt } from './samples';
import { defineSeries, event } from './series-kind';

const OUTCOMES = ['ok', 'early', 'late', 'never'] as const;

export const actsAt = defineSeries({
  kind: 'acts-at',
  fields: { event, low: Type.Number(), high: Type.Number() },
  outcomes: () => OUTCOMES,
  words: (expect, { band }) => `${expect.event} at ${band(expect.low, expect.high)}`,
  seconds: () => 0,
  limits: ({ low, high }) => [[low, high]],
  wanted: ({ low, high }) => [{ low, high }],
  judge(rule, { samples, event: marked }, errors) {
    if (samples.length < 2) return unsettled(OUTCOMES, 'Two figures at least make a trend.');
    const upwards = slopeOf(samples) >= 0;
    const { min, max } = range(samples);
    const band = `${formatQuantity(rule.low, rule.unit)} to ${formatQuantity(rule.high, rule.unit)}`;
    if (marked === undefined) {
      const past = upwards ? max - rule.high : rule.low - min;
      const beyond = past > COVERAGE * standardUncertainty(errors(upwards ? max : min));
      return beyond
        ? certain('never', `Past ${band}, and it did not come: ${rule.event}.`)
        : unsettled(OUTCOMES, `Go on until it comes, or until it is past ${band}.`);
    }
    const value = valueAt(samples, marked);
    const classes = upwards ? { low: 'early', high: 'late' } : { low: 'late', high: 'early' };
    return judgeClasses(
      classProbabilities({ value, errors: errors(value) }, rule, classes),
      `It came at ${formatQuantity(value, rule.unit, 3)}; ${band} is right.`,
    );
  },
});
