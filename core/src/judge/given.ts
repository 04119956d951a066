/**
 * Expectations that need one more figure, taken on site: a value copied off this very unit's label, the
 * temperature by a reference thermometer, the pressure by a gauge. Until it is given the reading has no
 * limits.
 */
import { Type, type Static } from '@sinclair/typebox';
import { curveProblem, resistanceAt, temperatureAt } from '../curves/curve';
import type { Curve } from '../curves/schema';
import { InvalidInputError } from '../errors';
import { words } from '../schema-words';
import type { Unit } from '../units/units';
import { expectationCommon, type Expectation } from './expectation';

const positive = Type.Number({ exclusiveMinimum: 0 });

export const givenExpectationSchema = Type.Union([
  /** Limits around a value printed on the unit itself. */
  Type.Object({
    ...expectationCommon,
    kind: Type.Literal('label'),
    asks: Type.String({ minLength: 1, maxLength: 200, description: 'What to copy off the label.' }),
    percent: Type.Optional(Type.Number({ minimum: 0 })),
    plusMinus: Type.Optional(Type.Number({ minimum: 0 })),
    /** The label prints its own tolerance, to be copied with the value: `4.7k ±5%`. */
    printed: Type.Optional(Type.Literal(true)),
    /** The label is a limit on one side: at most what the plate says. */
    bound: Type.Optional(words(['atMost', 'atLeast'])),
  }),
  /** A second instrument at the same place and time. */
  Type.Object({
    ...expectationCommon,
    kind: Type.Literal('reference'),
    asks: Type.String({ minLength: 1, maxLength: 200 }),
    plusMinus: positive,
  }),
  /** A sensor's resistance, compared as a temperature. */
  Type.Object({
    ...expectationCommon,
    kind: Type.Literal('curve'),
    curve: Type.String({ minLength: 1, maxLength: 80 }),
    within: Type.Number({ exclusiveMinimum: 0, description: 'Kelvin, either way.' }),
    at: Type.Optional(
      Type.Number({ description: '°C, where it is known, as in an ice bath; else it is asked.' }),
    ),
    asks: Type.Optional(Type.String({ minLength: 1, maxLength: 200 })),
  }),
  /** A whole number of clicks, blinks or attempts. */
  Type.Object({
    ...expectationCommon,
    kind: Type.Literal('count'),
    value: Type.Integer({ minimum: 0 }),
    plusMinus: Type.Optional(Type.Integer({ minimum: 0 })),
  }),
]);
export type GivenExpectation = Static<typeof givenExpectationSchema>;

export interface Asked {
  readonly asks: string;
  readonly unit: Unit;
  /** It wants its tolerance beside it. */
  readonly printed?: true;
}

/**
 * A figure given on site, SI, with what stands beside it: of a label its printed tolerance, of a reference
 * instrument how far that may be off.
 */
export type Given = number | { readonly value: number; readonly plusMinus: number };
export const givenValue = (given: Given): number =>
  typeof given === 'number' ? given : given.value;
const givenHalf = (given: Given): number | undefined =>
  typeof given === 'number' ? undefined : given.plusMinus;

/** What must be given before this can be judged; undefined where nothing is missing. */
export function askedBy(expect: Expectation | GivenExpectation): Asked | undefined {
  switch (expect.kind) {
    case 'label':
      return { asks: expect.asks, unit: expect.unit, ...(expect.printed && { printed: true }) };
    case 'reference':
      return { asks: expect.asks, unit: expect.unit };
    case 'curve':
      if (expect.at !== undefined) return undefined;
      return { asks: expect.asks ?? 'Temperature by a reference thermometer', unit: 'degC' };
    default:
      return undefined;
  }
}

/**
 * Plain limits, in the unit of the reading.
 * @param given - The asked figure, SI; °C for a curve. A tolerance printed on the label takes the place of
 *   the sheet's; what a reference may be off blurs the limits.
 * @param curves - Those of the sheet.
 * @returns undefined while the asked figure is missing, or where it lies beyond the ends of the curve.
 * @throws {InvalidInputError} for an unknown or broken curve; a checked sheet has none.
 */
export function resolveExpectation(
  expect: Expectation | GivenExpectation,
  given: Given | undefined,
  curves: readonly Curve[],
): Expectation | undefined {
  const { kind, floor, watch, peak } = expect;
  const kept = {
    ...(floor !== undefined && { floor }),
    ...(watch && { watch }),
    ...(peak && { peak }),
  };
  const { unit } = expect;
  switch (kind) {
    case 'label': {
      if (given === undefined) return undefined;
      const value = givenValue(given);
      const half =
        givenHalf(given) ??
        (expect.printed
          ? undefined
          : (expect.plusMinus ?? (Math.abs(value) * (expect.percent ?? 0)) / 100));
      if (half === undefined) return undefined;
      const common = { unit, ...kept, from: 'label' as const };
      if (expect.bound === 'atMost') return { kind: 'atMost', high: value + half, ...common };
      if (expect.bound === 'atLeast') return { kind: 'atLeast', low: value - half, ...common };
      const tolerance =
        givenHalf(given) === undefined && expect.plusMinus === undefined
          ? { percent: expect.percent ?? 0 }
          : { plusMinus: half };
      return { kind: 'nominal', value, ...tolerance, ...common };
    }
    case 'reference': {
      if (given === undefined) return undefined;
      const from = expect.from && { from: expect.from };
      const value = givenValue(given);
      const { plusMinus } = expect;
      return { kind: 'nominal', value, plusMinus, unit, ...kept, ...from, ...blurred(given) };
    }
    case 'curve': {
      const known = expect.at ?? given;
      if (known === undefined) return undefined;
      const at = givenValue(known);
      const curve = curves.find((each) => each.id === expect.curve);
      if (!curve) throw new InvalidInputError(`there is no curve “${expect.curve}”`);
      const problem = curveProblem(curve);
      if (problem) throw new InvalidInputError(`curve “${curve.id}”: ${problem}`);
      // Along a monotone curve, comparing ohms with these limits is comparing temperatures.
      const ohms = (within: number) =>
        [at - within, at + within].map((t) => resistanceAt(curve, t)) as [number, number];
      const ends = ohms(expect.within);
      if (ends.some(Number.isNaN)) return undefined;
      const from = expect.from && { from: expect.from };
      const off = givenHalf(known);
      const [cold, warm] = off === undefined ? [0, 0] : ohms(off);
      return {
        kind: 'between',
        low: Math.min(...ends),
        high: Math.max(...ends),
        unit,
        ...kept,
        ...from,
        // Where the thermometer's error reaches beyond the curve, the width of the limits stands in.
        ...(off !== undefined && {
          limitHalf: Number.isNaN(cold - warm)
            ? (Math.abs(ends[0] - ends[1]) / 2) * (off / expect.within)
            : Math.abs(cold - warm) / 2,
        }),
      };
    }
    case 'count':
      return {
        kind: 'nominal',
        value: expect.value,
        plusMinus: expect.plusMinus ?? 0,
        unit,
        ...kept,
      };
    default:
      return expect;
  }
}

/** How far a reference may be off, as what blurs the limits. */
const blurred = (given: Given) => {
  const half = givenHalf(given);
  return half === undefined ? {} : { limitHalf: half };
};

/** A sensor's reading said as a temperature; undefined beyond the curve. */
export function asTemperature(
  expect: Expectation | GivenExpectation,
  ohms: number,
  curves: readonly Curve[],
): number | undefined {
  if (expect.kind !== 'curve') return undefined;
  const curve = curves.find((each) => each.id === expect.curve);
  const t = curve ? temperatureAt(curve, ohms) : NaN;
  return Number.isFinite(t) ? t : undefined;
}

/** Stands in for the asked figure where only the classes matter, not the limits. */
export function typicalGiven(expect: Expectation | GivenExpectation): Given | undefined {
  const asked = askedBy(expect);
  return asked && (asked.printed ? { value: 1, plusMinus: 0.1 } : 1);
}
