/**
 * Advice never energises a short: while something stands that has just read shorted, live tests of it are
 * not suggested. A short where the supply or a store hangs, or one that takes another part with it, bars
 * every live test: no supply can come on without it.
 */
import { pairsOf } from '../../conditions/pairs';
import { allObservables, shownBy } from '../../sheet/observables';
import { stateOf } from '../../sheet/lookup';
import { isMeasured, type Fault, type Sheet, type Test } from '../../sheet/schema';
import type { JobState, Taken } from '../state/state';
import { nth } from '../../numeric/nth';

export interface Short {
  /** The finding that reads shorted. */
  readonly taken: Taken;
  /** Whether anything live would feed it. */
  readonly everywhere: boolean;
}

/** Everything that stands as shorted, and was not replaced since. */
export function shortsOf(sheet: Sheet, state: JobState): Short[] {
  return [...state.current.values()].filter(readsShort).flatMap((taken): Short[] => {
    const faults = faultsShowing(sheet, taken.observable);
    if (replacedSince(state, taken, faults)) return [];
    return [{ taken, everywhere: spreads(sheet, taken, faults) }];
  });
}

/** Whether a test would energise one of these. */
export function energises(sheet: Sheet, shorts: readonly Short[], test: Test): boolean {
  if (shorts.length === 0 || stateOf(sheet, test).energy !== 'live') return false;
  const touched = placesOf(test);
  return shorts.some(
    ({ taken, everywhere }) => everywhere || placesOf(taken.test).some((p) => touched.includes(p)),
  );
}

function readsShort(taken: Taken): boolean {
  if (taken.standing.kind !== 'counts' || taken.overruled?.as === 'good') return false;
  if (taken.kind === 'answer') return taken.outcome === 'short';
  return taken.judgement.verdict === 'out' && taken.judgement.outcome === 'short';
}

function faultsShowing(sheet: Sheet, id: string): Fault[] {
  const observable = allObservables(sheet).find((each) => each.id === id);
  if (!observable) return [];
  return sheet.faults.filter((fault) => {
    const shown = shownBy(fault, observable) ?? 'ok';
    return typeof shown === 'string' ? shown === 'short' : (shown.short ?? 0) > 0;
  });
}

function replacedSince(state: JobState, taken: Taken, faults: readonly Fault[]): boolean {
  // A short that no fault explains is not gone with any work.
  return faults.length > 0 && taken.situation.epoch < (state.epochs.get(taken.observable) ?? 0);
}

function spreads(sheet: Sheet, taken: Taken, faults: readonly Fault[]): boolean {
  if (faults.some(({ brings }) => brings && Object.keys(brings).length > 0)) return true;
  const fed = new Set(pairsOf(sheet).flatMap(({ from, to }) => [from, to]));
  if (placesOf(taken.test).some((place) => fed.has(place))) return true;
  const boards = new Set([...fed].map((place) => nth(place.split('.'), 0)));
  const parts = new Set(faults.map(({ part }) => part));
  return sheet.boards.some(
    ({ id, part }) => boards.has(id) && part !== undefined && parts.has(part),
  );
}

const placesOf = (test: Test): string[] =>
  isMeasured(test)
    ? test.points.flatMap(({ red, black }) => [red, black].flatMap((place) => place ?? []))
    : [];
