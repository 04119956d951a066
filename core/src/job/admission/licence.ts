/**
 * Licences belong to what is done: a test, a part, a repair. A sheet that names none of them asks for its
 * licences as a whole, and then no live work is done without.
 */
import { testsOf } from '../../sheet/all-tests';
import type { Sheet } from '../../sheet/schema';
import type { JobState } from '../state/state';
import { refuse, type Refusal } from './refusal';

/** Whether the sheet says of single tests, parts or repairs who may. */
export const licensedByPiece = (sheet: Sheet): boolean =>
  [...testsOf(sheet), ...sheet.parts, ...(sheet.repairs ?? [])].some(
    ({ licence }) => licence !== undefined,
  );

/** @param what - A test, a part or a repair; undefined where it is none of the sheet's. */
export function licenceRefusal(
  { licence: held }: Pick<JobState, 'licence'>,
  what: { readonly licence?: string } | undefined,
): Refusal | undefined {
  if (what?.licence === undefined || held?.body.held) return undefined;
  return refuse(
    'licence-missing',
    `This wants somebody with the licence “${what.licence}”. Say who here holds it, or hand it over.`,
  );
}
