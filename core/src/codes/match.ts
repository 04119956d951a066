/** Finding the code of the sheet that a display shows. */
import type { Sheet, SheetCode } from '../sheet/schema';

/** Case and spaces do not matter: displays draw `E`, `b` and `d` as they can. */
export function normaliseCode(shown: string): string {
  return shown.replace(/\s+/g, '').toUpperCase();
}

/** @returns undefined for a code that the sheet does not list. */
export function matchCode(sheet: Pick<Sheet, 'codes'>, shown: string): SheetCode | undefined {
  const wanted = normaliseCode(shown);
  return sheet.codes.list.find((each) => normaliseCode(each.code) === wanted);
}
