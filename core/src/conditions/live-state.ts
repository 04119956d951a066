/** Live states of a machine: the one it is in by being switched on, and the way into the others. */
import type { Sheet, SheetState } from '../sheet/schema';

/**
 * The state of a machine that is switched on and asked for nothing: the first live one that nothing leads
 * into.
 * @returns undefined where every live state must be entered.
 */
export const baseState = ({ states }: Pick<Sheet, 'states'>): SheetState | undefined =>
  states.find(
    ({ energy, lasts, attempts, from, steps }) =>
      energy === 'live' && lasts === undefined && !attempts && from === undefined && !steps,
  );

/** Seconds after which it ends by itself: its own, or those of its steps together. */
export const lengthOf = ({ lasts, steps }: SheetState): number | undefined =>
  lasts ?? steps?.reduce((sum, { seconds }) => sum + seconds, 0);
