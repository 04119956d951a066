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
  /** Unit or circuit that the display names beside it, or that was said. */
  readonly unit?: string;
  /** Undefined for a code that the sheet does not list, or lists for several units and none is named. */
  readonly listed?: SheetCode;
  /** The units that have it, where it is not known which one is meant. */
  readonly copies?: readonly SheetCode[];
}

type Codes = Pick<Sheet, 'codes'>;

/**
 * Take a shown code apart by the sheet's schemes: `472` under `^(\d{2})(\d)$` is code 47 of unit 2. A code
 * listed as it stands, or as it is also spelt, goes before any taking apart; of schemes the first that leads
 * to a listed code.
 * @param said - The unit, where the display does not name it.
 */
export function decodeCode({ codes }: Codes, shown: string, said?: string): DecodedCode {
  const index = indexOf(codes.list);
  const plain = normaliseCode(shown);
  const readings = [{ code: plain, unit: undefined }, ...takenApart(codes, plain)];
  for (const { code, unit } of readings) {
    const listed = index.get(normaliseCode(code));
    if (listed) return decoded(listed, unit ?? said);
  }
  const [, first] = readings;
  const unit = first?.unit ?? said;
  return { code: first?.code ?? shown, ...(unit !== undefined && { unit }) };
}

interface ReadCode {
  readonly code: string;
  readonly unit: string | undefined;
}

const takenApart = (codes: Sheet['codes'], plain: string): readonly ReadCode[] =>
  codes.schemes.flatMap(({ pattern, code = 0, unit }): ReadCode[] => {
    const found = pattern === undefined ? undefined : codePattern(pattern)?.match(plain);
    const named = unit === undefined ? undefined : found?.[unit];
    const read = found?.[code];
    return read === undefined ? [] : [{ code: read, unit: named === '' ? undefined : named }];
  });

/** Of one code that several units have, that of the unit named; one that names none is about them all. */
function decoded(copies: readonly SheetCode[], unit: string | undefined): DecodedCode {
  const named = unit === undefined ? undefined : normaliseCode(unit);
  const listed =
    copies.find((each) => each.unit !== undefined && normaliseCode(each.unit) === named) ??
    copies.find((each) => each.unit === undefined) ??
    (unit === undefined && copies.length === 1 ? copies[0] : undefined);
  const of = unit ?? listed?.unit;
  return {
    code: copies[0]!.code,
    ...(of !== undefined && { unit: of }),
    ...(listed ? { listed } : { copies }),
  };
}

const indexes = new WeakMap<readonly SheetCode[], ReadonlyMap<string, readonly SheetCode[]>>();

/** A sheet's codes as they are looked up, each with the units that have it. */
function indexOf(list: readonly SheetCode[]): ReadonlyMap<string, readonly SheetCode[]> {
  const known = indexes.get(list);
  if (known) return known;
  const index = new Map<string, SheetCode[]>();
  const put = (spelt: string, code: SheetCode) => {
    const there = index.get(normaliseCode(spelt)) ?? [];
    index.set(normaliseCode(spelt), [...there, code]);
  };
  for (const each of list) put(each.code, each);
  // What a code is called goes before what another is also called.
  const own = new Set(index.keys());
  for (const each of list)
    for (const spelt of each.also ?? []) if (!own.has(normaliseCode(spelt))) put(spelt, each);
  indexes.set(list, index);
  return index;
}

/** @returns undefined for a code that the sheet does not list. */
export function matchCode(sheet: Codes, shown: string, said?: string): SheetCode | undefined {
  return decodeCode(sheet, shown, said).listed;
}

/** What tells a code of one unit from the same one of another: `47`, `47@2`. */
export const codeKey = ({ code, unit }: Pick<SheetCode, 'code' | 'unit'>): string =>
  unit === undefined ? code : `${code}@${unit}`;

/** A code in words, with the unit that it is about: `47, Circuit 2`. */
export const codeWords = ({ code, unit, unitName }: SheetCode): string =>
  unit === undefined ? code : `${code}, ${unitName ?? `unit ${unit}`}`;
