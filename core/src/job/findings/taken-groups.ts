/** What the readings of a test say together. */
import type { GroupReading } from '../../judge/groups/readings';
import { judgeEarly, judgeTogether, type TogetherRule } from '../../judge/groups/index';
import type { Judgement } from '../../judge/judge';
import { expectOf, testsOf } from '../../sheet/all-tests';
import { observableId, rulePoints } from '../../sheet/observables';
import { isMeasured, type Sheet } from '../../sheet/schema';
import type { Taken, TakenGroup, TakenReading } from '../state/state';

/**
 * Every rule whose readings all stand, and those that are decided before; a void one among them leaves
 * the rule open.
 */
export function groupsOf(
  sheet: Sheet,
  current: ReadonlyMap<string, Taken>,
  order: ReadonlyMap<string, number>,
): TakenGroup[] {
  return testsOf(sheet).flatMap((test) => {
    if (!isMeasured(test)) return [];
    return (test.together ?? []).flatMap((rule): TakenGroup[] => {
      const wanted = rulePoints(test, rule).map((id) => current.get(observableId(test, id)));
      const taken = wanted.filter(
        (each): each is TakenReading => each?.kind === 'reading' && each.standing.kind === 'counts',
      );
      if (taken.length === 0) return [];
      const judgement = judged(rule, taken, taken.length === wanted.length);
      if (!judgement) return [];
      const place = ({ entry }: Taken) => order.get(entry) ?? -1;
      const last = taken.reduce((a, b) => (place(b) > place(a) ? b : a));
      return [
        {
          entry: last.entry,
          observable: `${test.id}@${rule.id}`,
          test,
          rule,
          judgement,
          members: rulePoints(test, rule).map((id) => observableId(test, id)),
          of: wanted.length,
          taken: taken.length,
        },
      ];
    });
  });
}

interface Known {
  readonly whole: boolean;
  readonly of: readonly Judgement[];
  /** What the rule was asked, as text: the same figures of a log that was read anew are other objects. */
  readonly asked: string;
  readonly judgement: Judgement | undefined;
}
/**
 * By rule, what its readings said last: a rule is asked again with every entry, and draws thousands of times.
 * A few, because work leaves a rule standing as it was and as it is.
 */
const known = new WeakMap<TogetherRule, readonly Known[]>();
const KEPT = 4;

function judged(
  rule: TogetherRule,
  taken: readonly TakenReading[],
  whole: boolean,
): Judgement | undefined {
  const of = taken.map(({ judgement }) => judgement);
  const kept = known.get(rule) ?? [];
  const before = kept.find((each) => each.whole === whole && sameList(each.of, of));
  if (before) return before.judgement;
  const readings = taken.map(groupReading);
  const asked = JSON.stringify(readings);
  const same = kept.find((each) => each.whole === whole && each.asked === asked);
  if (same) return same.judgement;
  const judgement = whole ? judgeTogether(rule, readings) : judgeEarly(rule, readings);
  known.set(rule, [{ whole, of, asked, judgement }, ...kept].slice(0, KEPT));
  return judgement;
}

const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, i) => each === b[i]);

function groupReading({ test, point, reading, judgement }: TakenReading): GroupReading {
  return {
    id: point.id,
    unit: expectOf(test, point).unit,
    reading,
    judgement,
    ...(point.red !== undefined && { red: point.red }),
    ...(point.black !== undefined && { black: point.black }),
  };
}
