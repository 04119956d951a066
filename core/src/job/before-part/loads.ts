/** What would kill the next part too: each fault elsewhere that brings one on this part, and whether a reading clears it. */
import { allObservables, shownBy } from '../../sheet/observables';
import type { Fault, Sheet } from '../../sheet/schema';
import type { JobState } from '../state/state';
import { toldBy } from './told-by';

/** A fault shows what it is taken to be proven by at least so often. */
const TELLS = 0.5;

export interface Load {
  readonly fault: Fault;
  /** `sound` by a reading that would have shown it, `bad` by one that shows it, `owed` where none was taken. */
  readonly is: 'sound' | 'bad' | 'owed';
  /** Observables that would tell. */
  readonly by: readonly string[];
}

export function loadsOf(sheet: Sheet, state: JobState, part: string): Load[] {
  const onIt = new Set(sheet.faults.flatMap((each) => (each.part === part ? [each.id] : [])));
  return sheet.faults
    .filter(
      (each) => each.part !== part && Object.keys(each.brings ?? {}).some((id) => onIt.has(id)),
    )
    .map((fault) => {
      const by = allObservables(sheet)
        .filter((observable) => showsIt(fault, observable) >= TELLS)
        .map(({ id }) => id);
      const told = by.flatMap((id) => toldBy(state, id) ?? []);
      const is = told.includes('bad') ? 'bad' : told.includes('sound') ? 'sound' : 'owed';
      return { fault, by, is };
    });
}

/** Chance that a fault makes an observable read anything but good. */
function showsIt(fault: Fault, observable: Parameters<typeof shownBy>[1]): number {
  const shown = shownBy(fault, observable) ?? 'ok';
  return typeof shown === 'string' ? Number(shown !== 'ok') : 1 - (shown.ok ?? 0);
}
