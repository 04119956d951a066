/** A number in which every bit stands for a code of its own: `0x12` is bits 1 and 4. */
import type { Sheet, SheetCode } from '../schema';
import { decodeCode, normaliseCode } from './match';
import { codePattern } from './pattern';

export interface FlaggedCode {
  /** The lowest is 0. */
  readonly bit: number;
  /** As the sheet lists it. */
  readonly code: string;
  readonly listed?: SheetCode;
}

/** Bits that a double holds exactly; no status word is longer. */
const MOST_BITS = 48;

/**
 * What a shown number says by the first scheme of bits that takes it; a bit that the sheet does not name is
 * left out.
 * @returns undefined where no scheme of bits takes it, or no bit is set.
 */
export function flaggedCodes(
  sheet: Pick<Sheet, 'codes'>,
  shown: string,
): readonly FlaggedCode[] | undefined {
  const plain = normaliseCode(shown);
  for (const { flags, base = 16, pattern, code = 0 } of sheet.codes.schemes) {
    if (!flags) continue;
    const digits = pattern === undefined ? plain : codePattern(pattern)?.match(plain)?.[code];
    const number = digits === undefined ? undefined : numberIn(digits, base);
    if (number === undefined) continue;
    const set = Object.entries(flags)
      .map(([bit, named]) => ({ bit: Number(bit), code: named }))
      .filter(({ bit }) => Math.floor(number / 2 ** bit) % 2 === 1)
      .sort((a, b) => a.bit - b.bit)
      .map((each) => {
        const { listed } = decodeCode(sheet, each.code);
        return { ...each, ...(listed && { listed }) };
      });
    if (set.length > 0) return set;
  }
  return undefined;
}

function numberIn(digits: string, base: number): number | undefined {
  const allowed = '0123456789ABCDEF'.slice(0, base);
  if (digits === '' || [...digits].some((digit) => !allowed.includes(digit))) return undefined;
  const number = Number.parseInt(digits, base);
  return number < 2 ** MOST_BITS ? number : undefined;
}
