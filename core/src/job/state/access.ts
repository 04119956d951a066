/** What is open and what is out: owed before a place is reached, and left open at the end. */
import { outsOf } from '../../conditions/wants';
import { findAccess } from '../../sheet/lookup';
import type { Access, MeasureTest, Sheet } from '../../sheet/schema';
import type { JobState } from './state';

/** What must still be opened for these accesses, their prerequisites first, each once. */
export function accessOwedFor(
  sheet: Sheet,
  { access }: Pick<JobState, 'access'>,
  wanted: readonly string[],
): Access[] {
  const owed: string[] = [];
  const need = (id: string) => {
    if (owed.includes(id) || access.has(id)) return;
    findAccess(sheet, id)?.needs?.forEach(need);
    if (!owed.includes(id)) owed.push(id);
  };
  wanted.forEach(need);
  return owed.flatMap((id) => findAccess(sheet, id) ?? []);
}

/** Plugs that a test wants out: they are pulled on a dead machine only. */
export const plugsOf = (sheet: Sheet, test: MeasureTest): Access[] =>
  outsOf(test)
    .flatMap((id) => findAccess(sheet, id) ?? [])
    .filter(({ energy }) => energy === 'dead');

/** What is still open or out, or not known to be back: what lies deepest first, as it is put back. */
export function leftOpen(
  sheet: Sheet,
  { access, accessUnknown }: Pick<JobState, 'access' | 'accessUnknown'>,
): Access[] {
  const open = new Set([...access, ...accessUnknown]);
  const depth = (id: string): number =>
    Math.max(0, ...(findAccess(sheet, id)?.needs ?? []).map((need) => depth(need) + 1));
  return (sheet.access ?? [])
    .filter(({ id }) => open.has(id))
    .sort((a, b) => depth(b.id) - depth(a.id));
}
