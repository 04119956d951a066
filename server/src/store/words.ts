/** Words by which things are found, and the database's index of words. */
import { plainWords } from '@jeitinho/core';

const MOST_WORDS = 8;
/** Shorter words are not in the index. */
const SHORTEST = 3;

/** Letters and digits alone: what means something to the matcher means nothing here. */
export const wordsOf = (text: string): string[] => plainWords(text).slice(0, MOST_WORDS);

/** For `MATCH … AGAINST (? IN BOOLEAN MODE)`: rows with any of the words; undefined where none is long enough. */
export function anyOf(words: readonly string[]): string | undefined {
  const long = words.filter((word) => word.length >= SHORTEST).map((word) => `${word}*`);
  return long.length > 0 ? long.join(' ') : undefined;
}

/** For `LIKE ?`: what begins so. */
export const startingWith = (text: string): string => `${text.replace(/[\\%_]/g, '\\$&')}%`;
