/** What a test expects of one reading, and the limits that follow from it. */
import { Type, type Static } from '@sinclair/typebox';
import { words } from '../schema-words';
import { InvalidInputError } from '../errors';
import { UNITS } from '../units/units';

export const unitSchema = words(UNITS, {
  description: 'Unit symbol; values are in this unit without prefix.',
});

/** Outside the limits, yet the machine still works: verdict `watch` instead of `out`. */
export const watchSchema = Type.Object({ low: Type.Number(), high: Type.Number() });

const common = {
  unit: unitSchema,
  floor: Type.Optional(
    Type.Number({
      minimum: 0,
      description:
        'Below this size a low reading is named none or short; a tenth of low if absent.',
    }),
  ),
  watch: Type.Optional(watchSchema),
  from: Type.Optional(
    words(['document', 'label', 'twin', 'house', 'kind'], {
      description:
        'Where the limits come from; house means that nobody stated a tolerance, kind that they are usual for this kind of part.',
    }),
  ),
  limitHalf: Type.Optional(
    Type.Number({
      minimum: 0,
      description: 'How far the limits themselves may be off, as by a reference instrument.',
    }),
  ),
  statedAt: Type.Optional(
    Type.Object(
      {
        seconds: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 3600 })),
        celsius: Type.Optional(Type.Number({ minimum: -60, maximum: 200 })),
      },
      { description: 'Of insulation: the time and the warmth for which the limits hold.' },
    ),
  ),
  peak: Type.Optional(
    Type.Literal(true, { description: 'What is wanted is the highest it shows (max-hold).' }),
  ),
};
export const expectationCommon = common;

export const expectationSchema = Type.Union([
  Type.Object({
    kind: Type.Literal('between'),
    low: Type.Number(),
    high: Type.Number(),
    ...common,
  }),
  Type.Object({
    kind: Type.Literal('nominal'),
    value: Type.Number(),
    percent: Type.Optional(Type.Number({ minimum: 0 })),
    plusMinus: Type.Optional(Type.Number({ minimum: 0 })),
    ...common,
  }),
  Type.Object({ kind: Type.Literal('atLeast'), low: Type.Number(), ...common }),
  Type.Object({ kind: Type.Literal('atMost'), high: Type.Number(), ...common }),
  Type.Object({ kind: Type.Literal('open'), above: Type.Number({ minimum: 0 }), ...common }),
  /** Continuity by ear: it must sound, or it must not. */
  Type.Object({ kind: Type.Literal('sounds'), ...common }),
  Type.Object({ kind: Type.Literal('silent'), ...common }),
]);
export type Expectation = Static<typeof expectationSchema>;

export interface Limits {
  /** `-Infinity` where there is no lower limit. */
  readonly low: number;
  /** `Infinity` where there is no upper limit. */
  readonly high: number;
}

/**
 * What is meant by continuity where a figure is read instead of a tone, ohms: between the thresholds at
 * which common meters sound.
 */
export const CONTINUITY_OHMS = 50;

/**
 * Acceptance limits of an expectation, in its unit.
 * @throws {InvalidInputError} when a limit is not a number, or low lies above high, or a nominal
 *   value states no tolerance.
 */
export function limitsOf(expect: Expectation): Limits {
  const limits = rawLimits(expect);
  if (!(limits.low <= limits.high))
    throw new InvalidInputError(
      `the lower limit ${limits.low} is not below the upper ${limits.high}`,
    );
  return limits;
}

function rawLimits(expect: Expectation): Limits {
  switch (expect.kind) {
    case 'between':
      return { low: expect.low, high: expect.high };
    case 'nominal': {
      const half = expect.plusMinus ?? (Math.abs(expect.value) * (expect.percent ?? NaN)) / 100;
      if (Number.isNaN(half))
        throw new InvalidInputError('a nominal value needs percent or plusMinus');
      return { low: expect.value - half, high: expect.value + half };
    }
    case 'atLeast':
      return { low: expect.low, high: Infinity };
    case 'atMost':
      return { low: -Infinity, high: expect.high };
    case 'open':
      return { low: expect.above, high: Infinity };
    case 'sounds':
      return { low: -Infinity, high: CONTINUITY_OHMS };
    case 'silent':
      return { low: CONTINUITY_OHMS, high: Infinity };
    default:
      expect satisfies never;
      throw new InvalidInputError(`unknown expectation “${(expect as { kind: string }).kind}”`);
  }
}
