/** Finding the code of the sheet that a display shows, and the unit or circuit that it is about. */
import type { Sheet, SheetCode } from '../sheet/schema';

/** Case and spaces do not matter: displays draw `E`, `b` and `d` as they can. */
export function normaliseCode(shown: string): string {
  return shown.replace(/\s+/g, '').toUpperCase();
}

export interface DecodedCode {
  /** The code without the unit, as it stands in the sheet where it is listed. */
  readonly code: string;
  /** Unit or circuit that the display names beside it. */
  readonly unit?: string;
  /** Undefined for a code that the sheet does not list. */
  readonly listed?: SheetCode;
}

/**
 * Take a shown code apart by the sheet's schemes: `472` under `^(\d{2})(\d)$` is code 47 of unit 2.
 * A code listed as it stands goes before any taking apart.
 */
export function decodeCode({ codes }: Pick<Sheet, 'codes'>, shown: string): DecodedCode {
  const find = (wanted: string) =>
    codes.list.find((each) => normaliseCode(each.code) === normaliseCode(wanted));
  const whole = find(shown);
  if (whole) return { code: whole.code, listed: whole };
  for (const { pattern, code = 0, unit } of codes.schemes) {
    if (pattern === undefined || unit === undefined) continue;
    const found = new RegExp(pattern, 'i').exec(normaliseCode(shown));
    if (!found) continue;
    const listed = find(found[code] ?? '');
    const named = found[unit];
    return {
      code: listed?.code ?? found[code] ?? shown,
      ...(named !== undefined && named !== '' && { unit: named }),
      ...(listed && { listed }),
    };
  }
  return { code: shown };
}

/** @returns undefined for a code that the sheet does not list. */
export function matchCode(sheet: Pick<Sheet, 'codes'>, shown: string): SheetCode | undefined {
  return decodeCode(sheet, shown).listed;
}
