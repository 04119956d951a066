/** Plans in words: what is done in which visit. */
import type { Action, Plan } from '@jeitinho/core/diagnose';
import type { Sheet } from '@jeitinho/core/sheet';
import { lowerFirst } from '../../parts/lower-first';

export const actionWords = (sheet: Sheet, { kind, of }: Action): string =>
  kind === 'replace'
    ? (sheet.parts.find(({ id }) => id === of)?.name ?? of)
    : (sheet.repairs?.find(({ id }) => id === of)?.name ?? 'Repair');

const LIST = new Intl.ListFormat('en-GB');

export const visitWords = (sheet: Sheet, visit: readonly Action[]): string =>
  LIST.format(
    visit.map((action, i) => {
      const words = actionWords(sheet, action);
      return i === 0 ? words : lowerFirst(words);
    }),
  );

/** `Inverter board; if that does not help, compressor`. */
export function planWords(sheet: Sheet, { visits, fixed }: Pick<Plan, 'visits' | 'fixed'>): string {
  if (visits.length === 0) return fixed > 0.5 ? 'Nothing to mend' : 'Hand over, or a new unit';
  return visits
    .map((visit, i) => {
      const words = visitWords(sheet, visit);
      return i === 0 ? words : lowerFirst(words);
    })
    .join('; if that does not help, ');
}
