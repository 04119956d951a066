/** What is still to come after a visit, the earliest first. */
import { findPart } from '../../sheet/lookup';
import type { Sheet } from '../../sheet/schema';
import { followWords } from '../kinds/follow-up';
import type { FollowUp } from '../state/facts';
import type { JobState } from '../state/state';

export interface Ahead {
  /** The entry that said so. */
  readonly entry: string;
  readonly what: FollowUp['body']['what'];
  /** Day, `2026-12-03`. */
  readonly on: string;
  /** `Parts arrive: inverter board`. */
  readonly text: string;
}

export const aheadOf = (sheet: Sheet, { followUps }: Pick<JobState, 'followUps'>): Ahead[] =>
  followUps
    .filter(({ done }) => !done)
    .map(({ id, body: { what, on, part, note } }) => ({
      entry: id,
      what,
      on,
      text: followWords(what, part && (findPart(sheet, part)?.name ?? part), note),
    }))
    .sort((a, b) => a.on.localeCompare(b.on));
