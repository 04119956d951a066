/** What a sheet asks of a part before a new one: why did the old one die. */
import { findPart } from '../../sheet/lookup';
import type { Sheet } from '../../sheet/schema';

/** Its own questions and those of its faults, each once, in the sheet's order. */
export const whyAsks = (sheet: Sheet, part: string): string[] => [
  ...new Set([
    ...(findPart(sheet, part)?.asksAfter ?? []),
    ...sheet.faults.flatMap((fault) => (fault.part === part ? (fault.asksAfter ?? []) : [])),
  ]),
];
