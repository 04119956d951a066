/**
 * Whether a live state may be entered: what it needs in or out, which tests must be good, and that nothing
 * stands that reads shorted. What would harm a person is never done; what would harm the machine alone, only
 * with a reason that goes on the record.
 */
import { standsAs } from '../findings/owed';
import { isBad } from '../findings/is-bad';
import { shortsOf } from '../findings/shorted';
import type { JobState } from '../state/state';
import { faultsOf } from '../work/cures';
import { findAccess, findTest, stateName } from '../../sheet/lookup';
import { observablesByName, shownBy } from '../../sheet/observables';
import type { Sheet, SheetState } from '../../sheet/schema';
import { refuse, type Refusal } from './refusal';

export interface Unmet {
  /** What stands in the way, each in words. */
  readonly reasons: readonly string[];
  readonly harm: 'machine' | 'person';
}

/**
 * @param state - The live state to be entered; undefined for the supply alone, with no state by its name.
 * @returns undefined where nothing stands in the way.
 */
export function unmetFor(
  sheet: Sheet,
  job: JobState,
  state: SheetState | undefined,
): Unmet | undefined {
  const needs = state
    ? [...wrongPositions(sheet, job, state), ...notPassed(sheet, job, state)]
    : [];
  const shorts = shortsOf(sheet, job)
    .filter(({ everywhere }) => everywhere)
    .map(({ taken }) => `“${taken.test.title}” reads shorted, and nothing was replaced since`);
  const told = (short: string) => needs.some((need) => short.startsWith(need.split(' is not')[0]!));
  const reasons = [...needs, ...shorts.filter((short) => !told(short))];
  if (reasons.length === 0) return undefined;
  const harm = needs.length > 0 ? (state?.harm ?? 'person') : 'machine';
  return { reasons: [...new Set(reasons)], harm };
}

/** @param despite - Why it is entered all the same. */
export function enteringRefusal(
  sheet: Sheet,
  job: JobState,
  state: SheetState | undefined,
  despite: string | undefined,
): Refusal | undefined {
  const unmet = unmetFor(sheet, job, state);
  if (!unmet || (unmet.harm === 'machine' && despite?.trim())) return undefined;
  const what = state ? `“${stateName(state)}”` : 'the supply';
  const reasons = unmet.reasons.join('; ');
  return refuse(
    'state-needs',
    unmet.harm === 'person'
      ? `Not ${what}, somebody could be hurt: ${reasons}.`
      : `Not ${what}, it could cost the machine: ${reasons}. Where it must be all the same, say why.`,
  );
}

function wrongPositions(sheet: Sheet, job: JobState, { needs }: SheetState): string[] {
  return Object.entries(needs?.access ?? {}).flatMap(([id, position]) => {
    const isOut = job.access.has(id) || job.accessUnknown.has(id);
    if (position === 'in' ? !isOut : job.access.has(id)) return [];
    const name = findAccess(sheet, id)?.name ?? id;
    return [position === 'in' ? `not put back: ${name}` : `still in place: ${name}`];
  });
}

/** Stops where the latest figure is bad, and where none was taken since something that it watches was changed. */
function notPassed(sheet: Sheet, job: JobState, { needs }: SheetState): string[] {
  return (needs?.passed ?? []).flatMap((ref) => {
    const taken = standsAs(ref, job.current);
    const bad = taken.find(isBad);
    if (bad) return [`“${bad.test.title}” is not good`];
    const stale = [...watched(sheet, job, ref)].some(
      (id) => (job.epochs.get(id) ?? 0) > (job.current.get(id)?.situation.epoch ?? 0),
    );
    return stale ? [`“${findTest(sheet, ref)?.title ?? ref}” was not taken since the work`] : [];
  });
}

/** Observables of a test that the work so far has changed. */
function watched(sheet: Sheet, job: JobState, ref: string): ReadonlySet<string> {
  const observables = observablesByName(sheet).get(ref) ?? [];
  const faults = job.works.flatMap(({ body }) => faultsOf(sheet, body));
  return new Set(
    observables
      .filter((observable) => faults.some((fault) => shownBy(fault, observable) !== undefined))
      .map(({ id }) => id),
  );
}
