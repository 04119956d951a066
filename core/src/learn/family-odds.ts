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
  /** Jobs here cannot speak of it: it has the sheet's share. */
  readonly aside?: true;
}

export interface FamilyOdds {
  /** Proven jobs that count. */
  readonly jobs: number;
  readonly faults: readonly FaultOdds[];
  /** Proven jobs of faults that this revision of the sheet has not. */
  readonly gone: number;
}

/**
 * @param lessons - Of jobs that were proven and not called back; the others do not count.
 * @param aside - Faults that jobs here cannot speak of: they keep the sheet's share, and the rest is divided anew.
 */
export function familyOdds(
  sheet: { readonly faults: readonly Pick<Fault, 'id' | 'name' | 'prior'>[] },
  lessons: readonly Pick<Lesson, 'proven' | 'faults'>[],
  aside: ReadonlySet<string> = new Set(),
): FamilyOdds {
  const counted = lessons.filter(
    ({ proven, faults }) => proven && Object.values(faults).some((p) => p > 0),
  );
  const total = sheet.faults.reduce((sum, { prior }) => sum + prior, 0);
  const asked = sheet.faults.filter(({ id }) => !aside.has(id));
  const rest = asked.reduce((sum, { prior }) => sum + prior, 0) / total;
  const countOf = (id: string) => counted.reduce((sum, { faults }) => sum + (faults[id] ?? 0), 0);
  const learnt =
    asked.length === 0
      ? []
      : learntOdds(
          asked.map(({ prior }) => prior),
          asked.map(({ id }) => countOf(id)),
        );
  const known = new Set(sheet.faults.map(({ id }) => id));
  return {
    jobs: counted.length,
    faults: sheet.faults.map(({ id, name, prior }): FaultOdds => {
      const own = prior / total;
      const at = asked.findIndex((each) => each.id === id);
      const told = { fault: id, name, own, count: countOf(id) };
      if (at < 0) return { ...told, share: own, interval: [own, own], aside: true };
      const { share, interval } = learnt[at]!;
      return { ...told, share: rest * share, interval: [rest * interval[0], rest * interval[1]] };
    }),
    gone: counted.filter(({ faults }) => Object.keys(faults).every((id) => !known.has(id))).length,
  };
}
