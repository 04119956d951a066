/** What the readings of a test say together. */
import { groupReading, type GroupReading } from '../../judge/groups/readings';
import {
  answered,
  judgeEarly,
  judgeTogether,
  ruleTitle,
  takesAnswers,
  type TogetherRule,
} from '../../judge/groups/index';
import type { Judgement } from '../../judge/judge';
import { expectOf, testsOf } from '../../sheet/all-tests';
import { observableId, overPoints, rulePoints } from '../../sheet/observables';
import { isMeasured, type Sheet } from '../../sheet/schema';
import type { Taken, TakenAnswer, TakenGroup, TakenReading } from '../state/state';

/**
 * Every rule whose readings all stand, and those that are decided before; a void one among them leaves
 * the rule open.
 */
export function groupsOf(
  sheet: Sheet,
  current: ReadonlyMap<string, Taken>,
  order: ReadonlyMap<string, number>,
): TakenGroup[] {
  const ofTests = testsOf(sheet).flatMap((test) =>
    isMeasured(test)
      ? (test.together ?? []).flatMap((rule): TakenGroup[] => {
          const members = rulePoints(test, rule).map((id) => observableId(test, id));
          const named = (taken: TakenReading | TakenAnswer) =>
            taken.kind === 'reading' ? taken.point.id : taken.observable;
          const group = groupOf(rule, members, named, current, order);
          const observable = `${test.id}@${rule.id}`;
          return group ? [{ ...group, observable, test, title: test.title }] : [];
        })
      : [],
  );
  const overSeveral = (sheet.rules ?? []).flatMap((rule): TakenGroup[] => {
    const named = ({ observable }: Taken) => observable;
    const group = groupOf(rule, overPoints(rule), named, current, order);
    return group ? [{ ...group, observable: rule.id, title: ruleTitle(rule) }] : [];
  });
  return [...ofTests, ...overSeveral];
}

/** @param named - By which name its rule knows a finding. */
function groupOf(
  rule: TogetherRule,
  members: readonly string[],
  named: (taken: TakenReading | TakenAnswer) => string,
  current: ReadonlyMap<string, Taken>,
  order: ReadonlyMap<string, number>,
): Omit<TakenGroup, 'observable' | 'title'> | undefined {
  const answers = takesAnswers(rule);
  const taken = members
    .map((id) => current.get(id))
    .filter(
      (each): each is TakenReading | TakenAnswer =>
        each !== undefined &&
        (each.kind === 'reading' || (answers && each.kind === 'answer')) &&
        each.standing.kind === 'counts',
    );
  if (taken.length === 0) return undefined;
  const judgement = judged(rule, taken, named, taken.length === members.length);
  if (!judgement) return undefined;
  const place = ({ entry }: Taken) => order.get(entry) ?? -1;
  const last = taken.reduce((a, b) => (place(b) > place(a) ? b : a));
  return { entry: last.entry, rule, judgement, members, of: members.length, taken: taken.length };
}

interface Known {
  readonly whole: boolean;
  readonly of: readonly object[];
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
  taken: readonly (TakenReading | TakenAnswer)[],
  named: (taken: TakenReading | TakenAnswer) => string,
  whole: boolean,
): Judgement | undefined {
  const of = taken.map((each) => (each.kind === 'reading' ? each.judgement : each));
  const kept = known.get(rule) ?? [];
  const before = kept.find((each) => each.whole === whole && sameList(each.of, of));
  if (before) return before.judgement;
  const readings = taken.map((each) => readingOf(each, named(each)));
  const asked = JSON.stringify(readings);
  const same = kept.find((each) => each.whole === whole && each.asked === asked);
  if (same) return same.judgement;
  const judgement = whole ? judgeTogether(rule, readings) : judgeEarly(rule, readings);
  known.set(rule, [{ whole, of, asked, judgement }, ...kept].slice(0, KEPT));
  return judgement;
}

const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, i) => each === b[i]);

function readingOf(taken: TakenReading | TakenAnswer, id: string): GroupReading {
  if (taken.kind === 'answer') return { id, ...answered(taken.outcome) };
  const { test, point, reading, judgement } = taken;
  return groupReading({ id, unit: expectOf(test, point).unit, reading, judgement }, point);
}
