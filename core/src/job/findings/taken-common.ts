/** What every finding has in common: where it was written, in which situation, and what that makes of it. */
import {
  accessReason,
  oneSidedReason,
  stateReason,
  unknownReason,
} from '../../conditions/differences';
import type { Situation } from '../../conditions/situation';
import { wantsOf, type Wants } from '../../conditions/wants';
import type { Judgement } from '../../judge/judge';
import { stateName } from '../../sheet/lookup';
import { observableId } from '../../sheet/observables';
import type { Sheet, Test, TestPoint } from '../../sheet/schema';
import type { LoggedEntry } from '../log/entry';
import { momentOf } from '../log/moment-of';
import type { Draft } from '../state/draft';
import { liveStateAt } from '../state/live-state';
import type { Standing } from '../state/state';
import { lateReason } from '../state/windows';

/** A finding being written: where, and since when it was being taken. */
export interface Taking {
  readonly test: Test;
  readonly point?: TestPoint;
  readonly entry: LoggedEntry;
  /** Seconds that a series took; absent for a single figure. */
  readonly seconds?: number;
}

/** What the machine is in, as the entries before this one say. */
export function situationOf(
  draft: Draft,
  sheet: Sheet,
  { test, point, entry, seconds = 0 }: Taking,
): Situation {
  const ended = momentOf(entry).time;
  const begun = liveStateAt(sheet, draft, ended - seconds * 1000);
  const wanted = wantsOf(sheet, test, point).state.id;
  return {
    energy: draft.energy.kind,
    // A track may begin before what it waits for, and be kept after that has ended.
    state: begun === wanted ? begun : liveStateAt(sheet, draft, ended),
    out: draft.access,
    epoch: draft.epochs.get(observableId(test, point?.id)) ?? 0,
  };
}

/** What a finding said, as far as how it stands hangs on it. */
export interface Said {
  readonly judgement?: Judgement;
  /** Whether it is bad; by its judgement where absent. */
  readonly bad?: boolean;
}

/** The parts of a finding that every kind has, with how it stands as far as its situation goes. */
export function takenAs(
  draft: Draft,
  sheet: Sheet,
  taking: Taking,
  { judgement, bad = judgement?.verdict === 'out' }: Said = {},
) {
  const { id, at, author } = taking.entry;
  const situation = situationOf(draft, sheet, taking);
  return {
    entry: id,
    at,
    author,
    situation,
    standing: standingIn(draft, sheet, taking, situation, judgement, bad),
    agreeing: 0,
  };
}

function standingIn(
  draft: Draft,
  sheet: Sheet,
  { test, point, entry, seconds }: Taking,
  { state }: Situation,
  judgement: Judgement | undefined,
  bad: boolean,
): Standing {
  const wants = wantsOf(sheet, test, point);
  const begun = momentOf(entry).time - (seconds ?? 0) * 1000;
  const void_ =
    // In the first edition of the rules a series never came late.
    (seconds === undefined || draft.rules === 2
      ? lateReason(draft.spells.get(wants.state.id), begun)
      : undefined) ??
    voidReason(draft, sheet, wants, state) ??
    (bad ? delayReason(draft, wants, begun) : undefined);
  if (void_ !== undefined) return { kind: 'void', because: void_ };
  const doubted = draft.rules === 2 && unknownReason(wants, { unknown: draft.accessUnknown });
  if (doubted) return { kind: 'waits', because: doubted };
  // In the first edition of the rules a pass was believed, whatever lay beside it.
  if (!judgement || (draft.rules === 1 && judgement.verdict === 'in')) return { kind: 'counts' };
  const because = oneSidedReason(wants, { out: draft.access }, judgement);
  return because === undefined ? { kind: 'counts' } : { kind: 'one-sided', because };
}

/** A start delay is no fault: what is missing before it is over says nothing. */
function delayReason({ rules, entered }: Draft, { state }: Wants, at: number): string | undefined {
  if (rules === 1 || state.begins === undefined || entered?.state !== state.id) return undefined;
  const left = state.begins - (at - entered.at) / 1000;
  return left <= 0
    ? undefined
    : `“${stateName(state)}” begins only after ${state.begins} s, and ${Math.ceil(left)} s of them were still to run: wait, then take it again`;
}

/** What makes it meaningless, whatever it reads. */
function voidReason(
  draft: Draft,
  sheet: Sheet,
  wants: Wants,
  state: Situation['state'],
): string | undefined {
  if (draft.rules === 1) return undefined;
  return stateReason(sheet, wants, state) ?? accessReason(wants, { out: draft.access });
}
