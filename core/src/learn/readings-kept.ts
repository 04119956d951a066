/** Readings of a visit that count, for comparing over the years: each with the limits it was held against. */
import { Type, type Static } from '@sinclair/typebox';
import type { Judgement } from '../judge/judge';
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
  /** Likeliest class, such as `low`: to which side it fell. */
  outcome: Type.String(),
  low: Type.Optional(Type.Number()),
  high: Type.Optional(Type.Number()),
  /** Read after something was done to the machine. */
  after: Type.Optional(Type.Literal(true)),
});
export type ReadingKept = Readonly<Static<typeof readingKeptSchema>>;
type Told = Pick<JobState, 'taken' | 'works' | 'log'>;

/** The last one of each place as it was found, and where something was done to the machine, as it was left. */
export function readingsKept({ taken, works, log }: Told): ReadingKept[] {
  const order = new Map(log.map(({ id }, i) => [id, i]));
  const placeOf = (entry: string | undefined) => order.get(entry ?? '') ?? Infinity;
  const worked = placeOf(works[0]?.id);
  const last = new Map<string, ReadingKept>();
  for (const each of taken) {
    const { kind: standing } = each.standing;
    if (each.kind !== 'reading' || (standing !== 'counts' && standing !== 'repeated')) continue;
    const after = placeOf(each.entry) > worked;
    last.set(`${after} ${each.observable}`, {
      ...kept(each),
      ...(after && { after: true as const }),
    });
  }
  return [...last.values()];
}

function kept({ observable, test, point, reading, judgement }: TakenReading): ReadingKept {
  const { corrected, verdict, outcome } = judgement;
  return {
    observable,
    title: test.points.length > 1 ? `${test.title}, ${point.name ?? point.id}` : test.title,
    value: corrected ?? (reading.kind === 'value' ? reading.value : null),
    unit: METER_FUNCTIONS[functionOf(test, point)].unit ?? '',
    verdict,
    outcome,
    ...finiteLimits(judgement),
  };
}

/** Those that there are: a limit to one side has no other. */
export const finiteLimits = ({ limits: { low, high } }: Pick<Judgement, 'limits'>) => ({
  ...(Number.isFinite(low) && { low }),
  ...(Number.isFinite(high) && { high }),
});
