/** Everything a test may expect at a point, and what it can find there. */
import { Type } from '@sinclair/typebox';
import { InvalidInputError } from '../errors';
import type { Curve } from '../curves/schema';
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
import { isSeries, seriesOutcomes, seriesSchema, type SeriesExpectation } from './series/rules';
import type { MeterFunctionLike } from './signs';
import { limitWords } from './words';

export const testExpectationSchema = Type.Union([
  ...expectationSchema.anyOf,
  ...givenExpectationSchema.anyOf,
  ...seriesSchema.anyOf,
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
  if (expect.kind === 'label' && expect.percent === undefined && expect.plusMinus === undefined)
    return 'a label value needs percent or plusMinus';
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

function seriesProblem(expect: SeriesExpectation): string | undefined {
  const bands: [number, number][] = [];
  if ('low' in expect && 'high' in expect)
    bands.push([expect.low ?? -Infinity, expect.high ?? Infinity]);
  if (expect.kind === 'step') bands.push(expect.before, expect.after);
  if (expect.kind === 'within') bands.push(expect.after);
  if (expect.kind === 'pulses')
    for (const band of [expect.count, expect.period]) if (band) bands.push(band);
  const bad = bands.find(([low, high]) => !(low <= high));
  return bad && `the lower limit ${bad[0]} is not below the upper ${bad[1]}`;
}

/** The expectation in words, for tables and papers: `0.33 to 0.62 V`, `steady within 0.1 V for 10 s`. */
export function expectWords(expect: TestExpectation): string {
  const show = (value: number) => formatQuantity(value, expect.unit);
  const band = (low?: number, high?: number) =>
    low === undefined && high === undefined
      ? ''
      : limitWords(
          low === undefined
            ? { kind: 'atMost', high: high!, unit: expect.unit }
            : high === undefined
              ? { kind: 'atLeast', low, unit: expect.unit }
              : { kind: 'between', low, high, unit: expect.unit },
        );
  switch (expect.kind) {
    case 'label':
      return `label ± ${expect.plusMinus === undefined ? `${expect.percent} %` : show(expect.plusMinus)}`;
    case 'reference':
      return `reference ± ${show(expect.plusMinus)}`;
    case 'curve':
      return `${expect.curve} ± ${expect.within} K${expect.at === undefined ? '' : ` at ${expect.at} °C`}`;
    case 'count':
      return expect.plusMinus ? `${expect.value} ± ${expect.plusMinus}` : `exactly ${expect.value}`;
    case 'steady':
      return `steady within ${show(expect.spread)} for ${expect.seconds} s`;
    case 'decays':
      return `below ${show(expect.below)} within ${expect.seconds} s`;
    case 'rises':
    case 'falls':
      return `${expect.kind} by ${show(expect.by)} in ${expect.seconds} s`;
    case 'holds':
      return `holds ${band(expect.low, expect.high)} for ${expect.seconds} s`;
    case 'pulses':
      return [
        `pulses over ${show(expect.threshold)}`,
        expect.count && `${expect.count[0]} to ${expect.count[1]} in ${expect.seconds} s`,
        expect.period && `every ${expect.period[0]} to ${expect.period[1]} s`,
      ]
        .filter(Boolean)
        .join(', ');
    case 'step':
      return `${band(...expect.before)}, then ${band(...expect.after)} (${expect.event})`;
    case 'follows':
      return [`follows the ${expect.driver}`, band(expect.low, expect.high)]
        .filter(Boolean)
        .join(', ');
    case 'acts-at':
      return `${expect.event} at ${band(expect.low, expect.high)}`;
    case 'within':
      return `${expect.side} ${show(expect.level)} ${expect.after[0]} to ${expect.after[1]} s after: ${expect.event}`;
    case 'flexed':
      return [`moves by ${show(expect.spread)} at most when flexed`, band(expect.low, expect.high)]
        .filter(Boolean)
        .join(', ');
    case 'pattern':
      return `light ${expect.is.replaceAll('-', ' ')} for ${expect.seconds} s`;
    default:
      return limitWords(expect) + (expect.from === 'house' ? ' (house tolerance)' : '');
  }
}

export { askedBy, isSeries };
