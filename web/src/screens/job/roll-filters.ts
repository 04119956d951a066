/** What the roll can be narrowed to. */
import { groupOf, isUndone, type FoldedEntry, type RollGroup } from '@jeitinho/core/job';

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
