/** What a sheet asks of a part before a new one: why did the old one die. */
import { findPart } from '../../sheet/lookup';
import type { Fault, Sheet } from '../../sheet/schema';
import { badOutcomes } from './told-by';
import type { JobState } from '../state/state';

/** Its own questions and those of its faults, each once, in the sheet's order. */
export const whyAsks = (sheet: Sheet, part: string): string[] => asksOf(sheet, part, () => true);

/**
 * Of those, the ones worth asking: of the faults that some finding shows; of all of them where none is shown,
 * for then nobody knows what died.
 */
export function whyAsksNow(sheet: Sheet, state: JobState, part: string): string[] {
  const bad = badOutcomes(state);
  const shown = (fault: Fault) =>
    [...bad].some(([observable, outcome]) => {
      const wanted = fault.shows[observable] ?? fault.shows[observable.split('@')[0]!];
      return typeof wanted === 'string' ? wanted === outcome : (wanted?.[outcome] ?? 0) > 0;
    });
  const any = sheet.faults.some((fault) => fault.part === part && shown(fault));
  return asksOf(sheet, part, any ? shown : () => true);
}

const asksOf = (sheet: Sheet, part: string, asks: (fault: Fault) => boolean): string[] => [
  ...new Set([
    ...(findPart(sheet, part)?.asksAfter ?? []),
    ...sheet.faults.flatMap((fault) =>
      fault.part === part && asks(fault) ? (fault.asksAfter ?? []) : [],
    ),
  ]),
];
