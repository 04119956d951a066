/** What a work does to the faults of a sheet, and to what they show. */
import { allObservables, observablesByName, shownBy } from '../../sheet/observables';
import { testsOf } from '../../sheet/all-tests';
import type { Fault, Sheet } from '../../sheet/schema';
import type { Work } from './work';

/** Chance that a fitted part takes its own faults away. */
const FITTED = 0.98;
/** A work that the sheet does not name mends what it touches as likely as not. */
const NOT_NAMED = 0.5;

/** A part and whatever sits on it. */
export function carriedBy({ parts }: Pick<Sheet, 'parts'>, part: string): ReadonlySet<string> {
  const carried = new Set([part]);
  // A chain as long as the list at most; a circle adds nothing twice.
  for (let before = 0; before < carried.size;) {
    before = carried.size;
    for (const { id, on } of parts) if (on !== undefined && carried.has(on)) carried.add(id);
  }
  return carried;
}

export function faultsOn(sheet: Sheet, part: string): Fault[] {
  const carried = carriedBy(sheet, part);
  return sheet.faults.filter((fault) => fault.part !== undefined && carried.has(fault.part));
}

/** Chances of a repair or a try of the sheet; undefined where it names neither. */
export function namedCures(sheet: Sheet, id: string): Readonly<Record<string, number>> | undefined {
  const repair = sheet.repairs?.find((each) => each.id === id);
  if (repair) return Object.fromEntries(repair.fixes.map((fault) => [fault, repair.success]));
  return sheet.tries?.find((each) => each.id === id)?.cures;
}

/** Chance by fault that this work takes it away; empty for a part put back. */
export function curesOf(sheet: Sheet, work: Work): Readonly<Record<string, number>> {
  if (work.what === 'put-back') return {};
  const named = work.repair === undefined ? undefined : namedCures(sheet, work.repair);
  if (named) return named;
  if (work.part === undefined) return {};
  const chance = work.what === 'fitted' ? FITTED : NOT_NAMED;
  return Object.fromEntries(faultsOn(sheet, work.part).map(({ id }) => [id, chance]));
}

/** Faults that a work concerns: those it cures, or that come back with the old part. */
export function faultsOf(sheet: Sheet, work: Work): Fault[] {
  if (work.what === 'put-back') return work.part === undefined ? [] : faultsOn(sheet, work.part);
  const cures = curesOf(sheet, work);
  return sheet.faults.filter(({ id }) => Object.hasOwn(cures, id));
}

/** A chance above this takes a fault of a simulated machine away. */
const MENDS = 0.5;

/** Faults that the works so far have taken away, for a machine whose fault is known. */
export function goneBy(sheet: Sheet, works: readonly { readonly body: Work }[]): string[] {
  const gone = new Set<string>();
  for (const { body } of works) {
    if (body.what === 'put-back') for (const { id } of faultsOf(sheet, body)) gone.delete(id);
    for (const [id, chance] of Object.entries(curesOf(sheet, body)))
      if (chance > MENDS) gone.add(id);
  }
  return [...gone];
}

/**
 * Observables that a work changes: what its faults show, and all that these feed. A figure of one of them
 * speaks of the machine as it was before, and a later one of the machine as it is.
 */
export function touchedBy(sheet: Sheet, work: Work): ReadonlySet<string> {
  const faults = faultsOf(sheet, work);
  const touched = new Set(
    allObservables(sheet)
      .filter((observable) =>
        faults.some((fault) => {
          const shown = shownBy(fault, observable) ?? 'ok';
          return typeof shown === 'string' ? shown !== 'ok' : (shown.ok ?? 0) < 1;
        }),
      )
      .map(({ id }) => id),
  );
  const named = observablesByName(sheet);
  for (let before = -1; before < touched.size;) {
    before = touched.size;
    for (const { id, fedBy } of testsOf(sheet))
      if (fedBy?.some((feeder) => named.get(feeder)?.some((each) => touched.has(each.id))))
        for (const each of named.get(id) ?? []) touched.add(each.id);
  }
  return touched;
}
