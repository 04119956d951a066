/** What is open and what is out, devices that cross included. */
import { sawEntry } from '../log/log-order';
import type { LoggedEntry } from '../log/entry';
import type { Draft } from './draft';
import type { Opening } from './facts';

/** Open or back; unknown where two devices said different things without knowing of each other. */
export function applyAccess(draft: Draft, entry: LoggedEntry & { readonly body: Opening }): void {
  const { access: id, back } = entry.body;
  const before = draft.accessBy.get(id);
  const crossed = before !== undefined && before.body.back !== back && !sawEntry(entry, before);
  draft.accessBy.set(id, entry);
  if (crossed) {
    draft.accessUnknown.add(id);
    draft.access = without(draft.access, id);
    return;
  }
  draft.accessUnknown.delete(id);
  if (back) {
    draft.access = without(draft.access, id);
    draft.accessBack.add(id);
  } else {
    draft.access = new Set([...draft.access, id]);
    draft.accessBack.delete(id);
  }
}

/** Findings are stamped with the set as it is: it is never changed, only replaced. */
const without = (access: ReadonlySet<string>, id: string): Set<string> =>
  new Set([...access].filter((each) => each !== id));
