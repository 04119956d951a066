/**
 * The chance that several things are so at once, where each was judged with errors that are mostly common:
 * a bridge whose twelve readings are each in is in. Multiplied as if they were independent, six chances of
 * 0.97 near a limit would make the whole doubtful, and no meter could ever settle it.
 */
import { DECISION_LEVEL } from './level';

/**
 * The least of them where each by itself is decided, their product otherwise.
 * @returns 1 for none.
 */
export function allOf(chances: readonly number[]): number {
  const decided = chances.every((p) => p >= DECISION_LEVEL);
  return decided ? Math.min(1, ...chances) : chances.reduce((product, p) => product * p, 1);
}

/**
 * Classes beside `ok`, scaled so that all sum to 1.
 * @param others - Their weights among each other.
 */
export function besides(
  ok: number,
  others: Readonly<Record<string, number>>,
): Record<string, number> {
  const sum = Object.values(others).reduce((total, each) => total + each, 0);
  const rest = sum > 0 ? (1 - ok) / sum : 0;
  return {
    ok: sum > 0 ? ok : 1,
    ...Object.fromEntries(Object.entries(others).map(([name, each]) => [name, each * rest])),
  };
}
