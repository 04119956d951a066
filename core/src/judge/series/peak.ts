/**
 * Peak: the highest figure of the watch lies in its band: the inrush of a motor, the volts of an ignition,
 * the spike of a rail. What it is afterwards is another matter.
 *
 * Worked example: 31 A within the first second of a compressor; 24 to 40 A is right, 12 A is no start.
 */
import { formatQuantity } from '../../units/format';
import { classProbabilities, judgeClasses, unsettled } from '../figure';
import { durationOf, range } from './samples';
import { defineSeries, optional, seconds } from './series-kind';

const OUTCOMES = ['ok', 'low', 'high'] as const;

export const peak = defineSeries({
  kind: 'peak',
  fields: { low: optional, high: optional, seconds },
  outcomes: () => OUTCOMES,
  words: ({ low, high, seconds: watched }, { band }) => `peak ${band(low, high)} in ${watched} s`,
  seconds: (expect) => expect.seconds,
  limits: ({ low = -Infinity, high = Infinity }) => [[low, high]],
  wanted: ({ low, high }) => [{ low, high }],
  judge(rule, { samples }, errors) {
    if (samples.length === 0 || durationOf(samples) < rule.seconds)
      return unsettled(OUTCOMES, `Watch it for ${rule.seconds} s.`);
    const { max } = range(samples);
    return judgeClasses(
      classProbabilities(
        { value: max, errors: errors(max) },
        { low: rule.low ?? -Infinity, high: rule.high ?? Infinity },
        { low: 'low', high: 'high' },
      ),
      `Its peak is ${formatQuantity(max, rule.unit, 3)}.`,
    );
  },
});
