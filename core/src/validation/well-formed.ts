/**
 * Half characters: a surrogate without its other half. JavaScript can hold one in a text, nothing that
 * stores or sends text as UTF-8 can; it comes from text that was cut in the middle of a character.
 */
const HALF = /\p{Surrogate}/u;

export const isWellFormed = (text: string): boolean => !HALF.test(text);

/** @returns the path of the first text or key with half a character; undefined where there is none. */
export function illFormedAt(value: unknown, path = ''): string | undefined {
  return hasHalf(value) ? whereHalf(value, path) : undefined;
}

/** Without paths: nearly always there is none, and a series has ten thousand places. */
function hasHalf(value: unknown): boolean {
  if (typeof value === 'string') return HALF.test(value);
  if (value === null || typeof value !== 'object') return false;
  if (Array.isArray(value)) return value.some(hasHalf);
  for (const key in value)
    if (HALF.test(key) || hasHalf((value as Record<string, unknown>)[key])) return true;
  return false;
}

function whereHalf(value: unknown, path: string): string | undefined {
  if (typeof value === 'string') return isWellFormed(value) ? undefined : path;
  if (value === null || typeof value !== 'object') return undefined;
  for (const [key, inner] of Object.entries(value)) {
    if (!isWellFormed(key)) return path;
    const found = whereHalf(inner, `${path}/${key}`);
    if (found !== undefined) return found;
  }
  return undefined;
}

export const HALF_CHARACTER =
  'has half a character in it, as of text that was cut. Type it again; it cannot be stored.';
