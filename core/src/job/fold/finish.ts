/** From everything taken to what stands: remarks, repeats, prerequisites, rules over several readings. */
import { wantsOf } from '../../conditions/wants';
import type { Sheet } from '../../sheet/schema';
import type { Change, Draft } from '../state/draft';
import type { FoldedEntry, LoggedEntry } from '../log/entry';
import { sawEntry } from '../log/log-order';
import { owedReason } from '../findings/owed';
import { voidReasons } from '../findings/prerequisites';
import { withRemarks } from '../findings/remarks';
import { isSilent, type JobState, type Silent, type Taken, type TakenGroup } from '../state/state';
import { groupsOf } from '../findings/taken-groups';
import { nth } from '../../numeric/nth';

/** What is found by looking at everything taken at once. */
export type Finished = Pick<JobState, 'current' | 'groups' | 'pastGroups' | 'skipped'> & {
  /** Every finding with what became of it: asked for by what lists them all, and by nothing else. */
  readonly taken: () => readonly Taken[];
};

export interface Standings {
  readonly sheet: Sheet;
  readonly log: readonly FoldedEntry[];
  /** Where in the log an entry stands. */
  readonly places: ReadonlyMap<string, number>;
  /** Every entry after which the machine may be live, by whichever device. */
  readonly dangers: readonly LoggedEntry[];
  /** Whether devices can have crossed at all. */
  readonly crossings: boolean;
}

type Current = ReadonlyMap<string, Taken>;

export function finish(draft: Draft, at: Standings): Finished {
  const remarked = (taken: Taken) =>
    withRemarks(draft, crossed(taken, at) ? lostToCrossing(taken) : taken);
  const settled = (latest: ReadonlyMap<string, number>): Current =>
    standing(draft, at.sheet, latest, remarked);
  const current = settled(draft.latest);
  /** What stood before each work, reckoned for what it changed. */
  const before = draft.changes.map((change) => ({ change, current: settled(change.latest) }));
  return {
    current,
    groups: groupsOf(at.sheet, present(current, draft.epochs), at.places),
    pastGroups: pastGroups(draft, at, before),
    skipped: new Map([...draft.skipped].filter(([observable]) => !current.has(observable))),
    taken: () =>
      draft.taken.map((each, i) => {
        if (each.standing.kind === 'withdrawn') return remarked(each);
        if (draft.latest.get(each.observable) === i) return current.get(each.observable) ?? each;
        if (!draft.earlier.has(i)) return repeated(remarked(each));
        const then = before.find(
          ({ change }) => change.taken > i && change.touched.has(each.observable),
        );
        return amongst(at.sheet, draft, remarked(each), then?.current ?? current);
      }),
  };
}

/** By observable, its latest finding as it stands, in the order in which they were taken. */
function standing(
  draft: Draft,
  sheet: Sheet,
  latest: ReadonlyMap<string, number>,
  remarked: (taken: Taken) => Taken,
): Current {
  const places = [...latest.values()].sort((a, b) => a - b);
  const plain = new Map(
    places.map((i) => {
      const each = nth(draft.taken, i);
      return [each.observable, remarked(each)];
    }),
  );
  const voids = voidReasons(sheet, plain);
  const settled = new Map(
    [...plain].map(([observable, each]) => [observable, unlessVoid(each, voids.get(observable))]),
  );
  return new Map(
    [...settled].map(([observable, each]) => [observable, unlessOwed(draft, sheet, each, settled)]),
  );
}

/** One that an earlier figure of the same place stands beside, as the others of its time make it stand. */
function amongst(sheet: Sheet, draft: Draft, taken: Taken, current: Current): Taken {
  const others = new Map([...current, [taken.observable, taken]]);
  const settled = unlessVoid(taken, voidReasons(sheet, others).get(taken.observable));
  return unlessOwed(draft, sheet, settled, others);
}

/** Findings of the machine as it is now: work has changed what the others speak of. */
const present = (current: Current, epochs: ReadonlyMap<string, number>): Current =>
  epochs.size === 0
    ? current
    : new Map(
        [...current].filter(([id, { situation }]) => situation.epoch === (epochs.get(id) ?? 0)),
      );

/** Rules as they stood before the work that changed what they are about; each once. */
function pastGroups(
  draft: Draft,
  at: Standings,
  before: readonly { readonly change: Change; readonly current: Current }[],
): TakenGroup[] {
  const epochs = new Map<string, number>();
  return before.flatMap(({ change, current }) => {
    const there = present(current, epochs);
    for (const id of change.touched) epochs.set(id, (epochs.get(id) ?? 0) + 1);
    return groupsOf(at.sheet, there, at.places).filter(({ observable, members }) =>
      [observable, ...members].some((id) => change.touched.has(id)),
    );
  });
}

function repeated(taken: Taken): Taken {
  const void_ = isSilent(taken.standing) && { because: taken.standing.because };
  return { ...taken, standing: { kind: 'repeated', ...void_ } };
}

const silenced = (taken: Taken, kind: Silent['kind'], because: string): Taken => ({
  ...taken,
  standing: { kind, because },
});

// Without its supply it says nothing anyway: no use asking for contact first.
const unlessVoid = (taken: Taken, because: string | undefined): Taken =>
  because === undefined || isSilent(taken.standing) ? taken : silenced(taken, 'void', because);

function unlessOwed(draft: Draft, sheet: Sheet, taken: Taken, current: Current): Taken {
  if (isSilent(taken.standing)) return taken;
  const because = owedReason(sheet, draft, taken, wantsOfTaken(sheet, taken), current);
  return because === undefined ? taken : silenced(taken, 'waits', because);
}

const wantsOfTaken = (sheet: Sheet, taken: Taken) =>
  wantsOf(sheet, taken.test, taken.kind === 'answer' ? undefined : taken.point);

const CROSSED =
  'another device had the supply on or saw volts, neither knowing of the other: look, and repeat it';

const lostToCrossing = (taken: Taken): Taken => silenced(taken, 'void', CROSSED);

/** A figure of a dead machine that crossed another device's “live”: nobody knows which came first. */
function crossed(taken: Taken, { sheet, log, places, dangers, crossings }: Standings): boolean {
  if (!crossings || taken.standing.kind === 'withdrawn') return false;
  if (wantsOfTaken(sheet, taken).energy !== 'dead') return false;
  const entry = nth(log, places.get(taken.entry)!);
  return dangers.some((danger) => !sawEntry(entry, danger) && !sawEntry(danger, entry));
}
