/** From everything taken to what stands: remarks, repeats, prerequisites, rules over several readings. */
import { stateOf } from '../../sheet/lookup';
import type { Sheet } from '../../sheet/schema';
import type { Draft } from '../state/draft';
import type { FoldedEntry, LoggedEntry } from '../log/entry';
import { sawEntry } from '../log/log-order';
import { voidReasons } from '../findings/prerequisites';
import { CONTACT_OWED, withRemarks } from '../findings/remarks';
import type { JobState, Taken } from '../state/state';
import { groupsOf } from '../findings/taken-groups';
import { nth } from '../../numeric/nth';

/** What is found by looking at everything taken at once. */
export type Finished = Pick<JobState, 'current' | 'groups' | 'skipped'> & {
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

export function finish(draft: Draft, at: Standings): Finished {
  const remarked = (taken: Taken) =>
    withRemarks(draft, crossed(taken, at) ? lostToCrossing(taken) : taken);
  // In the order in which they were taken.
  const latest = [...draft.latest.values()].sort((a, b) => a - b).map((i) => nth(draft.taken, i));
  const plain = new Map(latest.map((each) => [each.observable, remarked(each)]));
  const voids = voidReasons(plain);
  const current = new Map(
    [...plain].map(([observable, each]) => [observable, unlessVoid(each, voids.get(observable))]),
  );
  return {
    current,
    groups: groupsOf(at.sheet, current, at.places),
    skipped: new Map([...draft.skipped].filter(([observable]) => !current.has(observable))),
    taken: () =>
      draft.taken.map((each, i) => {
        if (each.standing.kind === 'withdrawn') return remarked(each);
        if (draft.latest.get(each.observable) === i) return current.get(each.observable) ?? each;
        return repeated(remarked(each));
      }),
  };
}

function repeated(taken: Taken): Taken {
  const void_ = taken.standing.kind === 'void' && { because: taken.standing.because };
  return { ...taken, standing: { kind: 'repeated', ...void_ } };
}

function unlessVoid(taken: Taken, because: string | undefined): Taken {
  // Without its supply it says nothing anyway: no use asking for contact first.
  const already = taken.standing.kind === 'void' && taken.standing.because !== CONTACT_OWED;
  return because === undefined || already
    ? taken
    : { ...taken, standing: { kind: 'void', because } };
}

const CROSSED =
  'another device had the supply on or saw volts, neither knowing of the other: look, and repeat it';

const lostToCrossing = (taken: Taken): Taken => ({
  ...taken,
  standing: { kind: 'void', because: CROSSED },
});

/** A figure of a dead machine that crossed another device's “live”: nobody knows which came first. */
function crossed(taken: Taken, { sheet, log, places, dangers, crossings }: Standings): boolean {
  if (!crossings || taken.standing.kind === 'withdrawn') return false;
  if (stateOf(sheet, taken.test).energy !== 'dead') return false;
  const entry = nth(log, places.get(taken.entry)!);
  return dangers.some((danger) => !sawEntry(entry, danger) && !sawEntry(danger, entry));
}
