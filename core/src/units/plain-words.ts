/** Text as it is compared and searched: accents and case aside. */

export const plainText = (text: string): string =>
  text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** Its words: letters and digits alone. */
export const plainWords = (text: string): string[] =>
  plainText(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/**
 * Whether every word wanted begins one of the texts’.
 * @param wanted - As {@link plainWords} gives them.
 */
export function hasWords(texts: readonly string[], wanted: readonly string[]): boolean {
  const there = plainWords(texts.join(' '));
  return wanted.every((word) => there.some((each) => each.startsWith(word)));
}
