/**
 * Expectations that need one more figure, taken on site: a value copied off this very unit's label, the
 * temperature by a reference thermometer, the pressure by a gauge. Until it is given the reading has no
 * limits.
 */
import { Type, type Static } from '@sinclair/typebox';
import { curveProblem, resistanceAt, temperatureAt } from '../curves/curve';
import type { Curve } from '../curves/schema';
import { InvalidInputError } from '../errors';
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
}

/** What must be given before this can be judged; undefined where nothing is missing. */
export function askedBy(expect: Expectation | GivenExpectation): Asked | undefined {
  switch (expect.kind) {
    case 'label':
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
 * @param given - The asked figure, SI; °C for a curve.
 * @param curves - Those of the sheet.
 * @returns undefined while the asked figure is missing, or where it lies beyond the ends of the curve.
 * @throws {InvalidInputError} for an unknown or broken curve; a checked sheet has none.
 */
export function resolveExpectation(
  expect: Expectation | GivenExpectation,
  given: number | undefined,
  curves: readonly Curve[],
): Expectation | undefined {
  const { kind, floor, watch } = expect;
  const kept = { ...(floor !== undefined && { floor }), ...(watch && { watch }) };
  const { unit } = expect;
  switch (kind) {
    case 'label':
    case 'reference': {
      if (given === undefined) return undefined;
      const tolerance =
        expect.kind === 'label' && expect.plusMinus === undefined
          ? { percent: expect.percent ?? 0 }
          : { plusMinus: expect.plusMinus! };
      const from = expect.kind === 'label' ? ('label' as const) : expect.from;
      return { kind: 'nominal', value: given, ...tolerance, unit, ...kept, ...(from && { from }) };
    }
    case 'curve': {
      const at = expect.at ?? given;
      if (at === undefined) return undefined;
      const curve = curves.find((each) => each.id === expect.curve);
      if (!curve) throw new InvalidInputError(`there is no curve “${expect.curve}”`);
      const problem = curveProblem(curve);
      if (problem) throw new InvalidInputError(`curve “${curve.id}”: ${problem}`);
      // Along a monotone curve, comparing ohms with these limits is comparing temperatures.
      const ends = [at - expect.within, at + expect.within].map((t) => resistanceAt(curve, t));
      if (ends.some(Number.isNaN)) return undefined;
      const from = expect.from && { from: expect.from };
      return {
        kind: 'between',
        low: Math.min(...ends),
        high: Math.max(...ends),
        unit,
        ...kept,
        ...from,
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
export function typicalGiven(expect: Expectation | GivenExpectation): number | undefined {
  return askedBy(expect) ? 1 : undefined;
}
