/** A meter's accuracy, as its data sheet states it: percent of reading plus counts, per range. */
import { Type, type Static } from '@sinclair/typebox';
import type { Accuracy } from '../judge/reading';
import { meterFunctionSchema, type MeterFunction } from './functions';

const rangeSchema = Type.Object({
  upTo: Type.Number({
    exclusiveMinimum: 0,
    description: 'Full scale, in the unit of the function.',
  }),
  resolution: Type.Number({ exclusiveMinimum: 0, description: 'One count of the last digit.' }),
  percent: Type.Number({ minimum: 0, description: 'Percent of reading.' }),
  counts: Type.Number({ minimum: 0, description: 'Counts of the last digit added to it.' }),
});

export const meterProfileSchema = Type.Object(
  {
    id: Type.String({ minLength: 1, maxLength: 80 }),
    name: Type.String({ minLength: 1, maxLength: 120 }),
    category: Type.Optional(Type.String({ maxLength: 40, description: 'As printed on it.' })),
    rating: Type.Optional(
      Type.Object({
        category: Type.Integer({ minimum: 1, maximum: 4 }),
        volts: Type.Number({ exclusiveMinimum: 0, description: 'To earth, in that category.' }),
      }),
    ),
    counts: Type.Optional(Type.Integer({ minimum: 200, maximum: 10_000_000 })),
    buzzerBelow: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, description: 'Ohms under which continuity sounds.' }),
    ),
    /** What its own leads show, shorted; a job may zero them anew. */
    lead: Type.Optional(
      Type.Object({
        value: Type.Number({ minimum: 0, maximum: 10 }),
        half: Type.Number({ minimum: 0, maximum: 1 }),
      }),
    ),
    functions: Type.Array(
      Type.Object({
        function: meterFunctionSchema,
        ranges: Type.Array(rangeSchema, { minItems: 1, maxItems: 20 }),
        /** Ohms it puts across a voltage, or in series with a current. */
        burden: Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
        /** Amps it drives through what it tests: ohms, diode, continuity. */
        testCurrent: Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
        /** Volts at which it tests insulation. */
        testVolts: Type.Optional(Type.Array(Type.Number({ exclusiveMinimum: 0 }))),
      }),
      { minItems: 1, maxItems: 20 },
    ),
  },
  { $id: 'meter-profile' },
);
export type MeterProfile = Static<typeof meterProfileSchema>;
export type MeterRange = Static<typeof rangeSchema>;

/** The ranges of a function from the finest up; empty where the meter lacks the function. */
export function rangesOf(meter: MeterProfile, fn: MeterFunction): readonly MeterRange[] {
  const found = meter.functions.find((entry) => entry.function === fn);
  return found ? [...found.ranges].sort((a, b) => a.upTo - b.upTo) : [];
}

/**
 * Accuracy on the range an auto-ranging meter would choose for this reading: the finest that holds it.
 * @param value - Indicated value, in the unit of the function.
 * @returns undefined where the meter has no such function; the widest range's figure beyond it.
 */
export function accuracyAt(
  meter: MeterProfile,
  fn: MeterFunction,
  value: number,
): Accuracy | undefined {
  const ranges = rangesOf(meter, fn);
  const range = ranges.find((each) => Math.abs(value) <= each.upTo) ?? ranges.at(-1);
  return (
    range && {
      percent: range.percent,
      absolute: range.counts * range.resolution,
      instrument: meter.id,
    }
  );
}
