/**
 * Follows: rises and falls with what drives it (flame current with burner rate, pressure with fan
 * speed), by Pearson's correlation, and lies in its band at the upper end of the driver.
 *
 * Worked example: rate 20, 60, 100 % with 2.1, 3.4, 4.9 µA correlates with r = 0.999.
 */
import { Type } from '@sinclair/typebox';
import { formatQuantity } from '../../units/format';
import { certain, classProbabilities, judgeClasses, unsettled } from '../figure';
import type { Sample } from './samples';
import { defineSeries, optional } from './series-kind';

const OUTCOMES = ['ok', 'still', 'wrong-way', 'low', 'high'] as const;
/** Least correlation where the sheet states none. */
const LEAST = 0.8;

export const follows = defineSeries({
  kind: 'follows',
  fields: {
    /** What drives it, in words. */
    driver: Type.String({ minLength: 1, maxLength: 80 }),
    /** Least correlation. Negative where it must fall as the driver rises. */
    least: Type.Optional(Type.Number({ minimum: -1, maximum: 1 })),
    /** Band at the highest driver seen. */
    low: optional,
    high: optional,
  },
  outcomes: () => OUTCOMES,
  words: (expect, { band }) =>
    [`follows the ${expect.driver}`, band(expect.low, expect.high)].filter(Boolean).join(', '),
  seconds: () => 0,
  limits: ({ low = -Infinity, high = Infinity }) => [[low, high]],
  wanted: ({ low, high }) => (low === undefined && high === undefined ? [] : [{ low, high }]),
  judge(rule, { samples }, errors) {
    const driven = samples.flatMap(({ driver, value }) =>
      driver === undefined ? [] : [{ driver, value }],
    );
    const [first] = driven;
    if (!first || driven.length < 3 || driven.every(({ driver }) => driver === first.driver))
      return unsettled(
        OUTCOMES,
        `Three figures at two settings at least, each with its ${rule.driver}.`,
      );
    const least = rule.least ?? LEAST;
    const along = correlation(driven) * Math.sign(least);
    if (along < -0.5 && along < Math.abs(least))
      return certain('wrong-way', `It moves against the ${rule.driver}.`);
    if (along < Math.abs(least)) return certain('still', `It does not follow the ${rule.driver}.`);
    const { value } = driven.reduce((a, b) => (b.driver > a.driver ? b : a));
    const limits = { low: rule.low ?? -Infinity, high: rule.high ?? Infinity };
    return judgeClasses(
      classProbabilities({ value, errors: errors(value) }, limits, { low: 'low', high: 'high' }),
      `It follows the ${rule.driver}, ${formatQuantity(value, rule.unit, 3)} at the top.`,
    );
  },
});

/** Pearson's r of driver and value; 0 where either does not move. */
export function correlation(samples: readonly Pick<Sample, 'driver' | 'value'>[]): number {
  const n = samples.length;
  const mx = samples.reduce((sum, { driver = 0 }) => sum + driver, 0) / n;
  const my = samples.reduce((sum, { value }) => sum + value, 0) / n;
  let xx = 0;
  let yy = 0;
  let xy = 0;
  for (const { driver = 0, value } of samples) {
    xx += (driver - mx) ** 2;
    yy += (value - my) ** 2;
    xy += (driver - mx) * (value - my);
  }
  const r = xy / Math.sqrt(xx * yy);
  return Number.isFinite(r) ? Math.max(-1, Math.min(1, r)) : 0;
}
