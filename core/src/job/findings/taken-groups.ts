/** What the readings of a test say together. */

import type { GroupReading } from '../../judge/groups/readings';
import { judgeEarly, judgeTogether } from '../../judge/groups/index';
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
      const readings = taken.map(groupReading);
      const whole = taken.length === wanted.length;
      const judgement = whole ? judgeTogether(rule, readings) : judgeEarly(rule, readings);
      if (!judgement) return [];
      const last = taken.reduce((a, b) => (order.get(b.entry)! > order.get(a.entry)! ? b : a));
      return [
        {
          entry: last.entry,
          observable: `${test.id}@${rule.id}`,
          test,
          rule,
          judgement,
          of: wanted.length,
          taken: taken.length,
        },
      ];
    });
  });
}

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
