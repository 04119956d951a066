/** What later entries say of a finding: contact proven, declared void, judged otherwise, repeated. */
import type { Draft } from '../state/draft';
import type { Taken } from '../state/state';

/** @returns the finding with what was said of it. */
export function withRemarks(draft: Draft, taken: Taken): Taken {
  const overruled = draft.overruled.get(taken.entry);
  const finds = taken.kind === 'answer' && draft.finds.get(taken.entry);
  const resolved = draft.contradictions.get(taken.entry);
  const common = {
    ...taken,
    ...(overruled && { overruled }),
    ...(resolved && { resolved }),
    ...(finds && { finds }),
  };
  if (taken.standing.kind === 'withdrawn') return common;
  const declared = draft.voided.get(taken.entry);
  if (declared !== undefined) return { ...common, standing: { kind: 'void', because: declared } };
  const contact = draft.contacts.get(taken.entry);
  return contact && common.kind === 'reading' && common.judgement.contactOwed
    ? { ...common, contact, judgement: { ...common.judgement, contactOwed: false } }
    : common;
}
