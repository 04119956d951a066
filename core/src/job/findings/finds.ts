/** What one look found: several things, each with its place. */
import type { Find } from '../state/facts';
import type { TakenAnswer } from '../state/state';

/** `burnt at R12, R14; swollen at C3`. */
export function findWords(finds: readonly Find[]): string {
  const places = new Map<string, string[]>();
  for (const { answer, at } of finds)
    places.set(answer, [...(places.get(answer) ?? []), ...(at === undefined ? [] : [at])]);
  return [...places]
    .map(([answer, at]) => (at.length > 0 ? `${answer} at ${at.join(', ')}` : answer))
    .join('; ');
}

/** An answer in words, with all that was found. */
export const answerWords = ({ answer, finds }: Pick<TakenAnswer, 'answer' | 'finds'>): string =>
  finds ? findWords(finds) : answer;

/** What it came out as: one thing, or each of several. */
export const outcomesFound = ({ test, outcome, finds = [] }: TakenAnswer): readonly string[] => [
  ...new Set([outcome, ...finds.flatMap(({ answer }) => test.answers[answer] ?? [])]),
];

/**
 * A sheet says how likely each outcome of a look is under a fault as if only one could be seen. Of several
 * that were, one is the fault's own mark and the others came with it; which, nobody knows: each counts for
 * its share.
 */
export function shareOfFinds(taken: TakenAnswer): Readonly<Record<string, number>> {
  const outcomes = outcomesFound(taken);
  return Object.fromEntries(outcomes.map((outcome) => [outcome, 1 / outcomes.length]));
}
