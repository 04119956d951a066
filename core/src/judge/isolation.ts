/**
 * Isolation is part of a resistance reading. Still plugged in, parallel paths only ever make it read
 * lower: a pass is believable, a failure is void and must be repeated isolated.
 */
import type { Judgement } from './judge';

const LOWERED: ReadonlySet<string> = new Set(['low', 'short', 'none']);

/** Whether a parallel path could explain this verdict. */
export const parallelCouldExplain = ({ verdict, outcome }: Judgement): boolean =>
  verdict !== 'in' && LOWERED.has(outcome);

/** @param owed - Names of what is still plugged in. */
export const isolationReason = (owed: readonly string[]): string =>
  `not isolated (${owed.join(', ')}): a parallel path may read the same. Unplug and repeat`;
