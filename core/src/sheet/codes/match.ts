/** Finding the code of the sheet that a display shows, and the unit or circuit that it is about. */
import type { Sheet, SheetCode } from '../schema';
import { codePattern } from './pattern';

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
  const listedAs = indexOf(codes.list);
  const plain = normaliseCode(shown);
  const whole = listedAs.get(plain);
  if (whole) return { code: whole.code, listed: whole };
  for (const { pattern, code = 0, unit } of codes.schemes) {
    if (pattern === undefined || unit === undefined) continue;
    const found = codePattern(pattern)?.match(plain);
    if (!found) continue;
    const listed = listedAs.get(normaliseCode(found[code] ?? ''));
    const named = found[unit];
    return {
      code: listed?.code ?? found[code] ?? shown,
      ...(named !== undefined && named !== '' && { unit: named }),
      ...(listed && { listed }),
    };
  }
  return { code: shown };
}

const indexes = new WeakMap<readonly SheetCode[], ReadonlyMap<string, SheetCode>>();

/** A sheet's codes as they are looked up; of two that are written alike, the first. */
function indexOf(list: readonly SheetCode[]): ReadonlyMap<string, SheetCode> {
  const known = indexes.get(list);
  if (known) return known;
  const index = new Map(list.map((each) => [normaliseCode(each.code), each] as const).reverse());
  indexes.set(list, index);
  return index;
}

/** @returns undefined for a code that the sheet does not list. */
export function matchCode(sheet: Pick<Sheet, 'codes'>, shown: string): SheetCode | undefined {
  return decodeCode(sheet, shown).listed;
}
