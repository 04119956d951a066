/**
 * May this entry be appended? The same rule on the device and on the server. Refusals are about
 * safety and sense, never about the order of the work: the trail locks no other door.
 */
import type { Sheet } from '../../sheet/schema';
import { HALF_CHARACTER, illFormedAt, isWellFormed } from '../../validation/well-formed';
import { kindOf } from '../kinds/index';
import { canWithdraw } from '../kinds/said-of';
import type { LoggedEntry } from '../log/entry';
import { sawEntry } from '../log/log-order';
import type { JobState } from '../state/state';
import { refuse, type Refusal } from './refusal';

/** @returns undefined when the entry may be appended. */
export function refusalOf(sheet: Sheet, state: JobState, entry: LoggedEntry): Refusal | undefined {
  // The same words as at the server’s door: what could never be sent is not kept either.
  if (illFormedAt(entry.body) !== undefined || !isWellFormed(entry.author))
    return refuse('ill-formed-text', `That text ${HALF_CHARACTER}`);
  const kind = kindOf(entry);
  if (state.signed && !kind?.whileSigned)
    return refuse('job-signed', 'This job is signed. Withdraw the signature to go on with it.');
  const blind = state.danger !== undefined && !sawEntry(entry, state.danger);
  return kind?.admit?.({ sheet, state, entry, blind, canWithdraw });
}
