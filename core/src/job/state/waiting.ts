/** What waits or runs in a job while its log is folded: test modes, attempts, clocks. */
import { findState } from '../../sheet/lookup';
import type { Sheet } from '../../sheet/schema';
import { spellOf, type NamedClock } from './windows';
import type { Draft } from './draft';
import { shiftClock } from '../../conditions/energy';
import type { WrittenEntry } from '../log/entry';

type Begun = WrittenEntry<string, { readonly state: string }>;

/** A timed state entered: its spell runs, and it may count as an attempt. */
export function begin(draft: Draft, entry: Begun, sheet: Sheet): void {
  const state = findState(sheet, entry.body.state);
  if (!state) return;
  const at = Date.parse(entry.at);
  draft.entered = { state: state.id, at };
  draft.spells.set(state.id, spellOf(state, at));
  countAttempt(draft, entry, sheet);
}

export function countAttempt(draft: Draft, { at, body }: Begun, sheet: Sheet): void {
  const state = findState(sheet, body.state);
  if (!state?.attempts) return;
  // One call may make several attempts by itself.
  const count = (draft.attempts.get(body.state)?.count ?? 0) + (state.tries ?? 1);
  draft.attempts.set(body.state, { count, lastAt: Date.parse(at) });
}

type ClockEntry = WrittenEntry<
  string,
  { readonly name: string; readonly meanwhile: string; readonly seconds: number }
>;

export function namedClock({ id, at, body }: ClockEntry): NamedClock {
  const { name, meanwhile, seconds } = body;
  const startedAt = Date.parse(at);
  return { entry: id, name, meanwhile, startedAt, endsAt: startedAt + seconds * 1000 };
}

/** Everything that waits is as far off as before the device's clock was set. */
export function setClock(draft: Draft, ms: number): void {
  draft.energy = shiftClock(draft.energy, ms);
  draft.clocks = draft.clocks.map((clock) => ({
    ...clock,
    startedAt: clock.startedAt + ms,
    endsAt: clock.endsAt + ms,
  }));
  if (draft.entered) draft.entered = { ...draft.entered, at: draft.entered.at + ms };
  for (const [id, at] of draft.givenAt) draft.givenAt.set(id, at + ms);
  for (const [id, spell] of draft.spells)
    draft.spells.set(id, {
      startedAt: spell.startedAt + ms,
      ...(spell.endsAt !== undefined && { endsAt: spell.endsAt + ms }),
    });
  for (const [id, { count, lastAt }] of draft.attempts)
    draft.attempts.set(id, { count, lastAt: lastAt + ms });
}
