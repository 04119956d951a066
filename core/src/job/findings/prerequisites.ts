/**
 * Prerequisites: a reading whose supply or permission failed is void, neither pass nor fail.
 * Only a prerequisite that was taken and failed voids; one not yet taken leaves the reading standing.
 */
import { wantsOf } from '../../conditions/wants';
import type { Sheet } from '../../sheet/schema';
import { isSilent, type Taken } from '../state/state';
import { isBad } from './is-bad';

/** What says nothing itself, for want of isolation or contact, says nothing about what it feeds. */
const failed = (taken: Taken): boolean => !isSilent(taken.standing) && isBad(taken);

/** What a finding is fed by, at its own point. */
export const feedersOf = (sheet: Sheet, taken: Taken): readonly string[] =>
  wantsOf(sheet, taken.test, taken.kind === 'answer' ? undefined : taken.point).fedBy;

/**
 * @param current - The reading or answer that stands for each observable.
 * @returns by observable, why it is void; what it hangs on may itself be void.
 */
export function voidReasons(
  sheet: Sheet,
  current: ReadonlyMap<string, Taken>,
): Map<string, string> {
  const reasons = new Map<string, string | undefined>();

  const reasonFor = (observable: string, seen: ReadonlySet<string>): string | undefined => {
    if (reasons.has(observable)) return reasons.get(observable);
    const taken = current.get(observable);
    // A circle of prerequisites proves nothing either way; the sheet's checks report it.
    if (!taken || seen.has(observable)) return undefined;
    const path = new Set([...seen, observable]);
    const fedBy = feedersOf(sheet, taken);
    const feeders =
      fedBy.length === 0
        ? []
        : [...current].filter(([id, each]) =>
            fedBy.some((wanted) => wanted === id || wanted === each.test.id),
          );
    const bad = feeders.find(([id, each]) => failed(each) || reasonFor(id, path) !== undefined);
    const reason = bad && `“${bad[1].test.title}” failed, and feeds this`;
    reasons.set(observable, reason);
    return reason;
  };

  const found = new Map<string, string>();
  for (const observable of current.keys()) {
    const reason = reasonFor(observable, new Set());
    if (reason !== undefined) found.set(observable, reason);
  }
  return found;
}
