/** The chance that something tried mends the job by itself: all that is left is taken away by it. */
import { nth } from '../numeric/nth';
import type { Inference } from './belief';

/** @param cures - By fault, the chance that it takes it away. */
export function mendsByItself(
  { space, left }: Pick<Inference, 'space' | 'left'>,
  cures: Readonly<Record<string, number>>,
): number {
  const chances = space.model.faults.map(({ id }) => cures[id] ?? 0);
  return space.hypotheses.reduce(
    (sum, { kind, faults }, h) =>
      kind === 'faults'
        ? sum + nth(left, h) * faults.reduce((all, f) => all * nth(chances, f), 1)
        : sum,
    0,
  );
}
