/**
 * A sheet's odds beside what its proven jobs make of them. Always from the sheet's own weights and all that
 * was proven: adopting twice what the same jobs say changes nothing twice.
 */
import type { Fault } from '../sheet/schema';
import type { Lesson } from './lesson';
import { learntOdds } from './odds';

export interface FaultOdds {
  readonly fault: string;
  readonly name: string;
  /** The sheet's own share. */
  readonly own: number;
  /** Jobs that it was proven in; parts of one where two faults explain it. */
  readonly count: number;
  readonly share: number;
  readonly interval: readonly [low: number, high: number];
}

export interface FamilyOdds {
  /** Proven jobs that count. */
  readonly jobs: number;
  readonly faults: readonly FaultOdds[];
  /** Proven jobs of faults that this revision of the sheet has not. */
  readonly gone: number;
}

/** @param lessons - Of jobs that were proven and not called back; the others do not count. */
export function familyOdds(
  sheet: { readonly faults: readonly Pick<Fault, 'id' | 'name' | 'prior'>[] },
  lessons: readonly Pick<Lesson, 'proven' | 'faults'>[],
): FamilyOdds {
  const counted = lessons.filter(
    ({ proven, faults }) => proven && Object.values(faults).some((p) => p > 0),
  );
  const of = (id: string) => counted.reduce((sum, { faults }) => sum + (faults[id] ?? 0), 0);
  const known = new Set(sheet.faults.map(({ id }) => id));
  const counts = sheet.faults.map(({ id }) => of(id));
  const learnt = learntOdds(
    sheet.faults.map(({ prior }) => prior),
    counts,
  );
  const total = sheet.faults.reduce((sum, { prior }) => sum + prior, 0);
  return {
    jobs: counted.length,
    faults: sheet.faults.map(({ id, name, prior }, i) => ({
      fault: id,
      name,
      own: prior / total,
      count: counts[i]!,
      ...learnt[i]!,
    })),
    gone: counted.filter(({ faults }) => Object.keys(faults).every((id) => !known.has(id))).length,
  };
}
