/** Readings of a visit that count, for comparing over the years: each with the limits it was held against. */
import { Type, type Static } from '@sinclair/typebox';
import type { JobState, TakenReading } from '../job/state/state';
import { METER_FUNCTIONS } from '../meter/functions';
import { functionOf } from '../sheet/all-tests';
import { words } from '../schema-words';

const VERDICTS = ['in', 'watch', 'out', 'cannot-tell', 'not-settled'] as const;

export const readingKeptSchema = Type.Object({
  /** Of the sheet: it says what was read, whatever its title became. */
  observable: Type.String(),
  title: Type.String(),
  /** SI, less the leads; null for what was over the meter's range. */
  value: Type.Union([Type.Number(), Type.Null()]),
  unit: Type.String(),
  verdict: words(VERDICTS),
  low: Type.Optional(Type.Number()),
  high: Type.Optional(Type.Number()),
});
export type ReadingKept = Readonly<Static<typeof readingKeptSchema>>;

export function readingsKept({ current }: Pick<JobState, 'current'>): ReadingKept[] {
  return [...current.values()].flatMap((taken) =>
    taken.kind === 'reading' && taken.standing.kind === 'counts' ? [kept(taken)] : [],
  );
}

function kept({ observable, test, point, reading, judgement }: TakenReading): ReadingKept {
  const { limits, corrected, verdict } = judgement;
  return {
    observable,
    title: test.points.length > 1 ? `${test.title}, ${point.name ?? point.id}` : test.title,
    value: corrected ?? (reading.kind === 'value' ? reading.value : null),
    unit: METER_FUNCTIONS[functionOf(test, point)].unit ?? '',
    verdict,
    ...(Number.isFinite(limits.low) && { low: limits.low }),
    ...(Number.isFinite(limits.high) && { high: limits.high }),
  };
}
