/**
 * What a finding still owes before it is evidence: proof of contact or of the means, zeroed leads, what must
 * be taken first, and, where it is bad, that what feeds it is good.
 */
import { wantsOf, type Wants } from '../../conditions/wants';
import { findTest } from '../../sheet/lookup';
import type { Sheet } from '../../sheet/schema';
import type { Draft } from '../state/draft';
import type { Taken } from '../state/state';
import { isBad } from './is-bad';

/** What stands for each observable, void ones marked. */
type Current = ReadonlyMap<string, Taken>;

export const CONTACT_OWED =
  'nothing was found there, and contact is not proven: a probe on paint shows the same';

/** Resistances whose limit is so low that the leads are part of the figure, ohms. */
export const LEADS_MATTER_BELOW = 20;

/** @returns why it waits; undefined where it owes nothing. */
export function owedReason(
  sheet: Sheet,
  draft: Pick<Draft, 'rules' | 'contacts'>,
  taken: Taken,
  wants: Wants,
  current: Current,
): string | undefined {
  if (!draft.contacts.has(taken.entry)) {
    if (taken.kind !== 'answer' && taken.judgement.contactOwed) return CONTACT_OWED;
    if (owesMeans(taken, wants)) return `${wants.means} is not proven: ${MEANS_OWED}`;
  }
  if (draft.rules === 1) return undefined;
  return (
    leadsOwed(taken) ?? firstOwed(sheet, wants, current) ?? feederOwed(sheet, taken, wants, current)
  );
}

/** Whether a finding owes proof of contact, or of what it was looked with. */
export const owesProof = (sheet: Sheet, taken: Taken): boolean =>
  taken.kind === 'answer'
    ? owesMeans(taken, wantsOf(sheet, taken.test))
    : taken.judgement.contactOwed;

const MEANS_OWED = 'what is looked with may be what fails. Try it on something known good';

export const owesMeans = (
  taken: Taken,
  { means, contact }: Pick<Wants, 'means' | 'contact'>,
): boolean =>
  taken.kind === 'answer' &&
  means !== undefined &&
  contact !== 'never' &&
  (contact === 'clears' || taken.outcome !== 'ok');

function leadsOwed(taken: Taken): string | undefined {
  if (taken.kind !== 'reading' || taken.lead || taken.overruled) return undefined;
  const { judgement } = taken;
  const matters = judgement.limits.high < LEADS_MATTER_BELOW && taken.test.function === 'ohm';
  return matters && judgement.verdict === 'out' && judgement.outcome === 'high'
    ? 'the leads are not zeroed, and they are part of so small a figure: zero them, then take it again'
    : undefined;
}

export const standsAs = (ref: string, current: Current): Taken[] =>
  [...current].flatMap(([id, each]) =>
    (id === ref || each.test.id === ref) && each.standing.kind === 'counts' ? [each] : [],
  );

function firstOwed(sheet: Sheet, { after }: Wants, current: Current): string | undefined {
  const missing = after.find((ref) => standsAs(ref, current).length === 0);
  return missing === undefined
    ? undefined
    : `“${titleOf(sheet, missing)}” comes first, and was not taken`;
}

function feederOwed(
  sheet: Sheet,
  taken: Taken,
  { fedBy }: Wants,
  current: Current,
): string | undefined {
  if (!isBad(taken)) return undefined;
  const missing = untakenFeeder({ fedBy }, current);
  return missing === undefined
    ? undefined
    : `“${titleOf(sheet, missing)}” feeds this, and was not taken: without it a bad figure accuses nothing`;
}

const titleOf = (sheet: Sheet, ref: string): string =>
  findTest(sheet, ref.split('@')[0] ?? ref)?.title ?? ref;

/** The first feeder of which nothing stands; rules over several readings are judged by their points. */
export const untakenFeeder = (
  { fedBy }: Pick<Wants, 'fedBy'>,
  current: Current,
): string | undefined =>
  fedBy.find((ref) => standsAs(ref.split('@')[0] ?? ref, current).length === 0);
