/** What one entry changes in a job that is being folded. */
import type { Sheet } from '../../sheet/schema';
import { kindOf } from '../kinds/index';
import type { FoldedEntry } from '../log/entry';
import type { Draft } from '../state/draft';

/** The draft is changed in place; the entry says by itself whether it was withdrawn. */
export function apply(draft: Draft, entry: FoldedEntry, sheet: Sheet): void {
  // Stored logs may be newer than this code: an unknown kind is kept in the log and skipped.
  const kind = kindOf(entry);
  if (entry.withdrawnBy === undefined) kind?.apply(draft, entry, sheet);
  else kind?.applyWithdrawn?.(draft, entry, sheet);
}
