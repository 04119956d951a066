/** From everything taken to what stands: remarks, repeats, prerequisites, rules over several readings. */
import { stateOf } from '../sheet/lookup';
import type { Sheet } from '../sheet/schema';
import type { Draft } from './draft';
import type { StoredEntry } from './entries';
import { sawEntry } from './log-order';
import { voidReasons } from './prerequisites';
import { CONTACT_OWED, countAgreeing, withRemarks } from './remarks';
import type { FoldedEntry, JobState, Taken } from './state';
import { groupsOf } from './taken-groups';

/** What is found by looking at everything taken at once. */
export type Finished = Pick<JobState, 'taken' | 'current' | 'groups' | 'skipped'>;

export interface Standings {
  readonly sheet: Sheet;
  readonly log: readonly FoldedEntry[];
  /** Where in the log an entry stands. */
  readonly places: ReadonlyMap<string, number>;
  /** Every entry after which the machine may be live, by whichever device. */
  readonly dangers: readonly StoredEntry[];
  /** Whether devices can have crossed at all. */
  readonly crossings: boolean;
}

export function finish(draft: Draft, at: Standings): Finished {
  const { sheet, places } = at;
  const all = countAgreeing(
    draft.taken.map((each) => withRemarks(draft, crossed(each, at) ? lostToCrossing(each) : each)),
  );
  const last = new Map<string, Taken>();
  for (const taken of all)
    if (taken.standing.kind !== 'withdrawn') last.set(taken.observable, taken);
  const voids = voidReasons(last);
  const taken = all.map((each): Taken => {
    if (each.standing.kind === 'withdrawn') return each;
    if (last.get(each.observable) !== each) {
      const void_ = each.standing.kind === 'void' && { because: each.standing.because };
      return { ...each, standing: { kind: 'repeated', ...void_ } };
    }
    const because = voids.get(each.observable);
    // Without its supply it says nothing anyway: no use asking for contact first.
    const stands = each.standing.kind === 'void' && each.standing.because !== CONTACT_OWED;
    return because === undefined || stands
      ? each
      : { ...each, standing: { kind: 'void', because } };
  });
  const current = new Map<string, Taken>();
  for (const each of taken)
    if (each.standing.kind === 'counts' || each.standing.kind === 'void')
      current.set(each.observable, each);
  const skipped = new Map([...draft.skipped].filter(([observable]) => !current.has(observable)));
  return { taken, current, groups: groupsOf(sheet, current, places), skipped };
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
  const entry = log[places.get(taken.entry)!]!;
  return dangers.some((danger) => !sawEntry(entry, danger) && !sawEntry(danger, entry));
}
