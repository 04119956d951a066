/** Where an entry of the roll was made, and what kind of thing it is: for jumping there and filtering. */
import {
  findTest,
  observableId,
  type EntryKind,
  type FoldedEntry,
  type Sheet,
} from '@jeitinho/core';

export const ROLL_FILTERS = ['all', 'findings', 'safety', 'pictures', 'withdrawn'] as const;
export type RollFilter = (typeof ROLL_FILTERS)[number];

export const FILTER_WORDS: Readonly<Record<RollFilter, string>> = {
  all: 'everything',
  findings: 'findings',
  safety: 'safety and clocks',
  pictures: 'pictures and notes',
  withdrawn: 'withdrawn and void',
};

const KINDS: Readonly<Record<'findings' | 'safety' | 'pictures', ReadonlySet<EntryKind>>> = {
  findings: new Set([
    'code',
    'reading',
    'series',
    'answer',
    'given',
    'skipped',
    'contact',
    'voided',
    'overruled',
    'decision',
  ]),
  safety: new Set([
    'safed',
    'volts-seen',
    'energised',
    'licence',
    'access',
    'window',
    'purged',
    'clock',
    'clock-stopped',
    'clock-set',
    'lead',
    'meter',
  ]),
  pictures: new Set(['photo', 'observed', 'arrived']),
};

export function passes(entry: FoldedEntry, filter: RollFilter): boolean {
  if (filter === 'all') return true;
  if (filter === 'withdrawn')
    return entry.withdrawnBy !== undefined || entry.kind === 'withdrawn' || entry.kind === 'voided';
  return KINDS[filter].has(entry.kind);
}

/** Address of the card below the job's, such as `measure?at=igbt-n@U`; undefined where there is none. */
export function placeOfEntry(entry: FoldedEntry, sheet: Sheet): string | undefined {
  switch (entry.kind) {
    case 'reading':
    case 'series': {
      const test = findTest(sheet, entry.body.test);
      const at = test && observableId(test, entry.body.point);
      return at && `measure?at=${encodeURIComponent(at)}`;
    }
    case 'answer':
    case 'skipped':
    case 'given':
      return `measure?test=${encodeURIComponent(entry.body.test)}`;
    case 'photo':
      return entry.body.test && `measure?test=${encodeURIComponent(entry.body.test)}`;
    case 'safed':
    case 'volts-seen':
    case 'licence':
      return 'safe';
    case 'code':
      return 'read';
    case 'arrived':
    case 'observed':
      return 'arrive';
    case 'decision':
      return 'decide';
    case 'signed':
      return 'sign';
    default:
      return undefined;
  }
}
