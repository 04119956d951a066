/** What is said first of all that was found. */
import type { Assessment, PartSuspect } from './assess';
import type { Part } from '../sheet/schema';
import { isMeasuredEvidence, type Suspect } from './suspects';

export type Headline =
  /** Something not on this sheet is likelier than anything on it. */
  | { readonly kind: 'unexplained' }
  /** No reading or answer counts yet; a code alone is none. */
  | { readonly kind: 'nothing-yet' }
  /** What was fitted last did not help: something read bad since. */
  | { readonly kind: 'not-helped'; readonly part: Part; readonly leads?: PartSuspect }
  /** What findings accuse first is mended by no part: a joint, a setting. */
  | { readonly kind: 'accused-fault'; readonly leads: Suspect }
  /** No reading or answer accuses anything; a part may still lead, by elimination only. */
  | { readonly kind: 'nothing-bad'; readonly leads?: PartSuspect }
  /** Others are accused, and yet this part leads without any finding against it. */
  | { readonly kind: 'elimination'; readonly leads: PartSuspect }
  /** Findings accuse the part that leads. */
  | { readonly kind: 'accused'; readonly leads: PartSuspect };

/** The part that findings put first; null where they accuse none, or another. */
export const leadingPart = (headline: Headline): string | null =>
  headline.kind === 'accused' ? headline.leads.part.id : null;

/** A part that is less likely than this does not lead by elimination. */
const LEADS = 0.5;

type Found = Pick<
  Assessment,
  'accused' | 'evidence' | 'suspects' | 'parts' | 'unexplained' | 'notHelped'
>;

export function headlineOf(assessment: Found): Headline {
  const { accused, evidence, suspects, parts, unexplained, notHelped } = assessment;
  if (!evidence.some(isMeasuredEvidence)) return { kind: 'nothing-yet' };
  if (accused.size > 0 && unexplained) return { kind: 'unexplained' };
  const leads = parts[0];
  if (notHelped) return { kind: 'not-helped', part: notHelped, ...(leads && { leads }) };
  const first = suspects.find(({ part, fault }) => part === undefined && accused.has(fault.id));
  if (first && first.now > (leads?.p ?? 0)) return { kind: 'accused-fault', leads: first };
  if (accused.size === 0 || !leads)
    return { kind: 'nothing-bad', ...(leads && leads.p >= LEADS && { leads }) };
  const against = suspects.some(
    ({ fault, part }) => part?.id === leads.part.id && accused.has(fault.id),
  );
  return { kind: against ? 'accused' : 'elimination', leads };
}
