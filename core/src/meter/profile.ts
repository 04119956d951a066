/** A meter's accuracy, as its data sheet states it: percent of reading plus counts, per range. */
import { Type, type Static } from '@sinclair/typebox';
import type { Accuracy } from '../judge/judge';
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

export const meterProfileSchema = Type.Object({
  id: Type.String({ minLength: 1, maxLength: 80 }),
  name: Type.String({ minLength: 1, maxLength: 120 }),
  category: Type.Optional(Type.String({ maxLength: 40 })),
  functions: Type.Array(
    Type.Object({
      function: meterFunctionSchema,
      ranges: Type.Array(rangeSchema, { minItems: 1 }),
    }),
  ),
});
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
  return range && { percent: range.percent, absolute: range.counts * range.resolution };
}
