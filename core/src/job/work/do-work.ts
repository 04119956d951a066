/** What a work changes in a job that is being folded. */
import type { Sheet } from '../../sheet/schema';
import type { Draft } from '../state/draft';
import { touchedBy } from './cures';
import type { NotedWork } from './work';

/** From here on, what it touched is another machine: later figures stand beside the earlier ones. */
export function doWork(draft: Draft, entry: NotedWork, sheet: Sheet): void {
  const touched = touchedBy(sheet, entry.body);
  draft.works.push(entry);
  draft.changes.push({
    entry: entry.id,
    touched,
    taken: draft.taken.length,
    latest: new Map(draft.latest),
  });
  for (const id of touched) draft.epochs.set(id, (draft.epochs.get(id) ?? 0) + 1);
}
