/** What a decision leaves to be done on this visit, and what of it was done. */
import type { Sheet } from '../../sheet/schema';
import type { JobState } from '../state/state';
import type { Work } from '../work/work';
import { ENDING_ASKS, type Ending } from './ending';

/** Endings of the decision that are work on this visit. */
export const mendsOf = ({ decision }: Pick<JobState, 'decision'>): Ending[] =>
  decision?.body.endings.filter(({ kind }) => ENDING_ASKS[kind].mends) ?? [];

/** The work that an ending asks for. */
export function workOf(sheet: Sheet, { kind, part, repair, what, note }: Ending): Work {
  if (kind === 'replace') return { what: 'fitted', ...(part !== undefined && { part }), note: '' };
  const named =
    sheet.repairs?.find(({ id }) => id === repair) ?? sheet.tries?.find(({ id }) => id === repair);
  return {
    what: named?.what ?? what ?? 'repaired',
    ...(repair !== undefined && { repair }),
    note: repair === undefined ? (note ?? '') : '',
  };
}

/** Endings whose work nobody has written down since. */
export function workOwed(state: JobState): Ending[] {
  const { decision, works, log } = state;
  if (!decision) return [];
  const decidedAt = log.findIndex(({ id }) => id === decision.id);
  const since = works.filter(({ id }) => log.findIndex((entry) => entry.id === id) > decidedAt);
  const done = [...since];
  return mendsOf(state).filter(({ part, repair }) => {
    // Done is done, also where the part came out again: then it is decided anew.
    const i = done.findIndex(
      ({ body }) =>
        body.what !== 'put-back' &&
        (repair !== undefined
          ? body.repair === repair
          : part !== undefined
            ? body.part === part
            : body.part === undefined && body.repair === undefined),
    );
    if (i < 0) return true;
    done.splice(i, 1);
    return false;
  });
}
