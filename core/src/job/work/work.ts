/** Work on the machine: a part put in or taken out again, something mended, cleaned, reseated, set. */
import { REPAIR_KINDS } from '../../sheet/schema';
import type { WrittenEntry } from '../log/entry';

/** What was done. */
export const WORK_KINDS = ['fitted', 'put-back', ...REPAIR_KINDS] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

export interface Work {
  readonly what: WorkKind;
  readonly part?: string;
  /** A repair or a try of the sheet, by its id. */
  readonly repair?: string;
  /** A known-good part put in to see what changes. */
  readonly trial?: true;
  /** What it was set or trimmed to. */
  readonly wanted?: string;
  /** Of a part fitted: what its batch or serial number says, and whom it came from. */
  readonly batch?: string;
  readonly supplier?: string;
  readonly note: string;
}

export type NotedWork = WrittenEntry<string, Work>;

export const WORK_WORDS: Readonly<Record<WorkKind, string>> = {
  fitted: 'Fitted',
  'put-back': 'Put back',
  repaired: 'Repaired',
  cleaned: 'Cleaned',
  reseated: 'Reseated',
  set: 'Set',
  trimmed: 'Trimmed',
  thawed: 'Thawed',
  reset: 'Reset',
  other: 'Done',
};

/** Parts that were fitted and not taken out again. */
export function fittedIn(works: readonly NotedWork[]): ReadonlySet<string> {
  const inside = new Set<string>();
  for (const { body } of works) {
    if (body.part === undefined) continue;
    if (body.what === 'fitted') inside.add(body.part);
    else if (body.what === 'put-back') inside.delete(body.part);
  }
  return inside;
}

/** Parts in as a trial that nobody has taken out again, the latest last. */
export function trialsIn(works: readonly NotedWork[]): NotedWork[] {
  const inside = new Map<string, NotedWork>();
  for (const work of works) {
    const { what, part, trial } = work.body;
    if (part === undefined) continue;
    if (what === 'fitted' && trial) inside.set(part, work);
    else if (what === 'put-back' || what === 'fitted') inside.delete(part);
  }
  return [...inside.values()];
}
