/**
 * Follows: rises and falls with what drives it (flame current with burner rate, pressure with fan
 * speed), by Pearson's correlation, and lies in its band at the upper end of the driver.
 *
 * Worked example: rate 20, 60, 100 % with 2.1, 3.4, 4.9 µA correlates with r = 0.999. With “low fire” at
 * 20 % wanted from 2.5 µA it follows, and is low at low fire.
 */
import { Type } from '@sinclair/typebox';
import { formatQuantity } from '../../units/format';
import { certain, classProbabilities, judgeClasses, unsettled } from '../figure';
import { bandWords } from '../words';
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
    /** Bands at named settings of the driver: low fire, high fire; the nearest figure is judged. */
    at: Type.Optional(
      Type.Array(
        Type.Object({
          name: Type.String({ minLength: 1, maxLength: 80 }),
          driver: Type.Number(),
          low: optional,
          high: optional,
        }),
        { minItems: 1, maxItems: 12 },
      ),
    ),
  },
  outcomes: () => OUTCOMES,
  words: (expect, { band }) =>
    [
      `follows the ${expect.driver}`,
      band(expect.low, expect.high),
      ...(expect.at ?? []).map(({ name, low, high }) => `${name} ${band(low, high)}`),
    ]
      .filter(Boolean)
      .join(', '),
  seconds: () => 0,
  limits: ({ low = -Infinity, high = Infinity, at = [] }) => [
    [low, high],
    ...at.map((each) => [each.low ?? -Infinity, each.high ?? Infinity] as const),
  ],
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
    const settings = settingsOf(rule.at ?? [], driven);
    const unseen = settings.find(({ nearest }) => nearest === undefined);
    if (unseen)
      return unsettled(OUTCOMES, `A figure at ${unseen.name} is missing: ${rule.driver} there.`);
    for (const { name, low = -Infinity, high = Infinity, nearest } of settings) {
      const { value } = nearest!;
      const p = classProbabilities(
        { value, errors: errors(value) },
        { low, high },
        { low: 'low', high: 'high' },
      );
      if ((p.ok ?? 0) < 0.5)
        return judgeClasses(
          p,
          `At ${name} it reads ${formatQuantity(value, rule.unit, 3)}; ${bandWords(finite(low), finite(high), rule.unit)} is right.`,
        );
    }
    const { value } = driven.reduce((a, b) => (b.driver > a.driver ? b : a));
    const limits = { low: rule.low ?? -Infinity, high: rule.high ?? Infinity };
    return judgeClasses(
      classProbabilities({ value, errors: errors(value) }, limits, { low: 'low', high: 'high' }),
      `It follows the ${rule.driver}, ${formatQuantity(value, rule.unit, 3)} at the top.`,
    );
  },
});

interface Setting {
  readonly name: string;
  readonly driver: number;
  readonly low?: number | undefined;
  readonly high?: number | undefined;
}

const finite = (limit: number): number | undefined => (Number.isFinite(limit) ? limit : undefined);

/** Share of the driver's whole way within which a figure is one of that setting. */
const NEAR = 0.1;

/** Each named setting with the figure taken nearest to it; none where nobody was there. */
function settingsOf(
  at: readonly Setting[],
  driven: readonly { readonly driver: number; readonly value: number }[],
) {
  const drivers = [...driven, ...at].map(({ driver }) => driver);
  const way = Math.max(...drivers) - Math.min(...drivers);
  return at.map((setting) => {
    const off = ({ driver }: { readonly driver: number }) => Math.abs(driver - setting.driver);
    const nearest = driven.reduce((a, b) => (off(b) < off(a) ? b : a));
    return { ...setting, nearest: off(nearest) <= NEAR * way ? nearest : undefined };
  });
}

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
