/** Everything a test may expect at a point, and what it can find there. */
import { InvalidInputError } from '../errors';
import type { Curve } from '../curves/schema';
import { unionOf } from '../schema-words';
import { formatQuantity } from '../units/format';
import { expectationSchema, type Expectation } from './expectation';
import {
  askedBy,
  givenExpectationSchema,
  resolveExpectation,
  typicalGiven,
  type GivenExpectation,
} from './given';
import { possibleOutcomes } from './judge';
import {
  isSeries,
  seriesExpectWords,
  seriesOutcomes,
  seriesProblem,
  seriesSchemas,
  type SeriesExpectation,
} from './series/index';
import type { MeterFunctionLike } from './signs';
import { limitWords } from './words';

export const testExpectationSchema = unionOf([
  ...expectationSchema.anyOf,
  ...givenExpectationSchema.anyOf,
  ...seriesSchemas,
]);
export type TestExpectation = Expectation | GivenExpectation | SeriesExpectation;

/** Every class a test can yield at a point, `ok` first. */
export function outcomesOf(
  expect: TestExpectation,
  fn: MeterFunctionLike,
  curves: readonly Curve[],
): readonly string[] {
  if (isSeries(expect)) return seriesOutcomes(expect);
  // A sensor's limits follow from the temperature of the day; its classes do not.
  if (expect.kind === 'curve') return ['ok', 'low', 'short', 'high', 'open'];
  const plain = resolveExpectation(expect, typicalGiven(expect), curves);
  return possibleOutcomes(plain!, fn);
}

/** Problems with the limits themselves; undefined for sound ones. */
export function limitProblem(
  expect: TestExpectation,
  curves: readonly Curve[],
): string | undefined {
  if (isSeries(expect)) return seriesProblem(expect);
  if (
    expect.kind === 'label' &&
    !expect.printed &&
    !expect.bound &&
    expect.percent === undefined &&
    expect.plusMinus === undefined
  )
    return 'a label value needs percent or plusMinus, a printed tolerance, or a bound';
  if (expect.kind === 'curve' && expect.at === undefined)
    return curves.some((each) => each.id === expect.curve)
      ? undefined
      : `there is no curve “${expect.curve}”`;
  try {
    const plain = resolveExpectation(expect, typicalGiven(expect), curves);
    if (!plain) return 'the temperature lies beyond the ends of the curve';
    possibleOutcomes(plain);
    const { watch } = expect;
    if (watch && !(watch.low <= watch.high)) return 'the watch band is turned round';
    return undefined;
  } catch (error) {
    if (error instanceof InvalidInputError) return error.message;
    throw error;
  }
}

/** The expectation in words, for tables and papers: `0.33 to 0.62 V`, `steady within 0.1 V for 10 s`. */
export function expectWords(expect: TestExpectation): string {
  if (isSeries(expect)) return seriesExpectWords(expect);
  const show = (value: number) => formatQuantity(value, expect.unit);
  switch (expect.kind) {
    case 'label': {
      const within = expect.printed
        ? ' ± what it prints'
        : expect.plusMinus !== undefined
          ? ` ± ${show(expect.plusMinus)}`
          : expect.percent
            ? ` ± ${expect.percent} %`
            : '';
      const side = expect.bound && (expect.bound === 'atMost' ? 'at most the ' : 'at least the ');
      return `${side ?? ''}label${within}`;
    }
    case 'reference':
      return `reference ± ${show(expect.plusMinus)}`;
    case 'curve':
      return `${expect.curve} ± ${expect.within} K${expect.at === undefined ? '' : ` at ${expect.at} °C`}`;
    case 'count':
      return expect.plusMinus ? `${expect.value} ± ${expect.plusMinus}` : `exactly ${expect.value}`;
    case 'between':
    case 'nominal':
    case 'atLeast':
    case 'atMost':
    case 'open':
    case 'sounds':
    case 'silent':
      return limitWords(expect) + (expect.from === 'house' ? ' (house tolerance)' : '');
    default:
      expect satisfies never;
      return '';
  }
}

export { askedBy, isSeries };
