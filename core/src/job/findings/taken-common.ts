/** What every finding has in common, and what the draft says of the moment at which it was taken. */
import type { Test } from '../../sheet/schema';
import type { WrittenEntry } from '../log/entry';
import type { Draft } from '../state/draft';
import type { Standing } from '../state/state';
import { lateReason } from '../state/windows';

/** Where a finding was written, and that it counts as far as nothing else is known. */
export const takenAs = ({ id, at, author }: WrittenEntry, standing: Standing) => ({
  entry: id,
  at,
  author,
  standing,
  agreeing: 0,
});

/** Whether the state that a test belongs to still ran when it was taken. */
export function standingAt(draft: Draft, test: Test, { at }: WrittenEntry): Standing {
  const because = lateReason(draft.spells.get(test.state), Date.parse(at));
  return because === undefined ? { kind: 'counts' } : { kind: 'void', because };
}
