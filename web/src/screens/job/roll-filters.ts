/** What the roll can be narrowed to, and where its entries lead. */
import {
  groupOf,
  isUndone,
  placeOfEntry,
  type FoldedEntry,
  type RollGroup,
  type Sheet,
} from '@jeitinho/core';

export const ROLL_FILTERS = ['all', 'findings', 'safety', 'notes', 'undone'] as const;
export type RollFilter = (typeof ROLL_FILTERS)[number];

export const FILTER_WORDS: Readonly<Record<RollFilter, string>> = {
  all: 'everything',
  findings: 'findings',
  safety: 'safety and clocks',
  notes: 'pictures and notes',
  undone: 'withdrawn and void',
} satisfies Record<Exclude<RollGroup, 'course'> | 'all' | 'undone', string>;

export function passes(entry: FoldedEntry, filter: RollFilter): boolean {
  if (filter === 'all') return true;
  return filter === 'undone' ? isUndone(entry) : groupOf(entry) === filter;
}

/** Address of the card below the job's, such as `measure?at=igbt-n@U`; undefined where there is none. */
export function pathOfEntry(entry: FoldedEntry, sheet: Sheet): string | undefined {
  const place = placeOfEntry(entry, sheet);
  if (!place) return undefined;
  const { stage, observable, test } = place;
  const query = new URLSearchParams();
  if (observable !== undefined) query.set('at', observable);
  else if (test !== undefined) query.set('test', test);
  return query.size === 0 ? stage : `${stage}?${query.toString()}`;
}
