/** What later entries say of a finding: contact proven, declared void, judged otherwise, repeated. */
import type { Draft } from '../state/draft';
import type { Taken } from '../state/state';

/** @returns the finding with what was said of it; an unproven absence comes out void. */
export function withRemarks(draft: Draft, taken: Taken): Taken {
  const overruled = draft.overruled.get(taken.entry);
  const common = overruled ? { ...taken, overruled } : taken;
  if (taken.standing.kind === 'withdrawn') return common;
  const declared = draft.voided.get(taken.entry);
  if (declared !== undefined) return { ...common, standing: { kind: 'void', because: declared } };
  if (common.kind !== 'reading' || !common.judgement.contactOwed) return common;
  const contact = draft.contacts.get(taken.entry);
  if (contact)
    return { ...common, contact, judgement: { ...common.judgement, contactOwed: false } };
  // An absence must be earned: a probe on paint shows the same.
  return common.standing.kind === 'void'
    ? common
    : { ...common, standing: { kind: 'void', because: CONTACT_OWED } };
}

export const CONTACT_OWED =
  'nothing was found there, and contact is not proven: a probe on paint shows the same';
