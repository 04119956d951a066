/** Figures of other things than this machine, held against what it should read. */
import type { Compared } from '../state/state';

/** Readings of a new part that say it is bad itself: the latest of each place. */
export function badInBox(compared: readonly Compared[], part: string): Compared[] {
  const latest = new Map<string, Compared>();
  for (const each of compared)
    if (each.specimen.kind === 'new' && each.specimen.part === part)
      latest.set(`${each.specimen.name ?? ''} ${each.observable}`, each);
  return [...latest.values()].filter(({ judgement }) => judgement.verdict === 'out');
}

/** What a good twin reads at a place; undefined where none was measured. */
export const twinAt = (compared: readonly Compared[], observable: string): Compared | undefined =>
  compared.findLast((each) => each.observable === observable && each.specimen.kind === 'twin');
