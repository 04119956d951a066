/**
 * How a junction conducts, from its judged readings: the chances that it conducts with its proper drop,
 * conducts too easily, or does not conduct at all.
 */
import type { Judgement } from '../judge';

export interface Conduction {
  /** One proper forward drop. */
  readonly drop: number;
  /** Shorted, or a drop too low to be one. */
  readonly easy: number;
  /** Open, or a drop too high to be one. */
  readonly hard: number;
}

/** A reading taken the way the junction conducts. */
export function forwardConduction({ p }: Judgement): Conduction {
  const easy = (p.low ?? 0) + (p.short ?? 0) + (p.none ?? 0);
  const hard = (p.high ?? 0) + (p.open ?? 0);
  return { drop: Math.max(0, 1 - easy - hard), easy, hard };
}

/** A reading taken against it: the chance that it blocks as it should. */
export const blocks = ({ p }: Judgement): number => p.ok ?? 0;
