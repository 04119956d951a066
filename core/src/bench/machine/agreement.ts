/**
 * Whether bench and sheet say the same: the healthy bench reads `ok` everywhere, and each modelled
 * fault reads, in every way it comes, only what the sheet says it may show.
 */
import { CoreError } from '../../errors';
import { allObservables, shownBy } from '../../sheet/observables';
import { isMeasured, type Sheet } from '../../sheet/schema';
import { testsOf } from '../../sheet/all-tests';
import { HEALTHY, hasBench, type BenchedSheet } from './machine';
import { askedOf, readSpecimen } from './outcomes';
import { nth } from '../../numeric/nth';

export interface Disagreement {
  /** JSON path in the sheet. */
  readonly path: string;
  /** Absent for the healthy machine. */
  readonly fault?: string;
  readonly observable?: string;
  readonly message: string;
}

/** Outcomes the sheet allows a fault at an observable: silence means ok. */
export function allowedBy(sheet: Sheet, faultId: string): ReadonlyMap<string, ReadonlySet<string>> {
  const fault = sheet.faults.find(({ id }) => id === faultId);
  return new Map(
    allObservables(sheet).map((observable) => {
      const shown = (fault && shownBy(fault, observable)) ?? 'ok';
      const list =
        typeof shown === 'string' ? [shown] : Object.keys(shown).filter((o) => (shown[o] ?? 0) > 0);
      return [observable.id, new Set(list)];
    }),
  );
}

/** Every disagreement; an empty list for a sheet without a bench. */
export function benchDisagreements(sheet: Sheet): Disagreement[] {
  if (!hasBench(sheet)) return [];
  const found: Disagreement[] = unknownNames(sheet);
  if (found.length > 0) return found;
  found.push(...unmodelled(sheet));
  found.push(...against(sheet, [], '/bench', undefined, () => undefined));
  for (const [id, variants] of Object.entries(sheet.bench.faults ?? {})) {
    const allowed = allowedBy(sheet, id);
    variants.forEach(({ changes }, i) =>
      found.push(...against(sheet, changes, `/bench/faults/${id}/${i}`, id, (o) => allowed.get(o))),
    );
  }
  return found;
}

function against(
  sheet: BenchedSheet,
  changes: readonly string[],
  path: string,
  fault: string | undefined,
  allowed: (observable: string) => ReadonlySet<string> | undefined,
): Disagreement[] {
  const who = fault === undefined ? 'The healthy bench' : `The bench with “${fault}”`;
  try {
    const { outcomes } = readSpecimen(sheet, { ...HEALTHY, changes });
    const means = meaningful(sheet, outcomes);
    return [...outcomes].flatMap(([observable, outcome]): Disagreement[] => {
      if (!means(observable)) return [];
      const wanted = allowed(observable) ?? new Set(['ok']);
      if (wanted.has(outcome)) return [];
      return [
        {
          path,
          observable,
          ...(fault !== undefined && { fault }),
          message: `${who} reads “${outcome}” at ${observable}; the sheet says ${[...wanted].join(' or ')}. Change the netlist, the fault’s changes, or what the sheet says it shows.`,
        },
      ];
    });
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return [
      {
        path,
        ...(fault !== undefined && { fault }),
        message: `${who} cannot be solved: ${error.message}. Mend the netlist or the changes.`,
      },
    ];
  }
}

/**
 * Whether a reading means anything: what feeds its test must itself read ok, or the technician's
 * reading would be void.
 */
export function meaningful(
  sheet: Sheet,
  outcomes: ReadonlyMap<string, string>,
): (observable: string) => boolean {
  const tests = new Map(testsOf(sheet).map((test) => [test.id, test]));
  const known = new Map<string, boolean>();
  const stands = (testId: string): boolean => {
    const before = known.get(testId);
    if (before !== undefined) return before;
    known.set(testId, true);
    const good = (tests.get(testId)?.fedBy ?? []).every((ref) => {
      const own = [...outcomes].filter(([id]) => id === ref || id.startsWith(`${ref}@`));
      return own.every(([, outcome]) => outcome === 'ok') && stands(nth(ref.split('@'), 0));
    });
    known.set(testId, good);
    return good;
  };
  return (observable) => stands(nth(observable.split('@'), 0));
}

function unknownNames(sheet: BenchedSheet): Disagreement[] {
  const faults = new Set(sheet.faults.map(({ id }) => id));
  return Object.keys(sheet.bench.faults ?? {})
    .filter((id) => !faults.has(id))
    .map((id) => ({
      path: `/bench/faults/${id}`,
      message: `The bench breaks “${id}”, which is no fault of this sheet.`,
    }));
}

/** Tests with probes that the bench knows no node for. */
function unmodelled(sheet: BenchedSheet): Disagreement[] {
  const asked = new Set(askedOf(sheet).map(({ test, point }) => `${test.id} ${point.id}`));
  return testsOf(sheet).flatMap((test) =>
    isMeasured(test) && test.how === 'measure'
      ? test.points
          .filter((point) => !asked.has(`${test.id} ${point.id}`))
          .map((point) => ({
            path: '/bench/nodes',
            observable: test.id,
            message: `The bench has nothing for ${test.id}, point ${point.id}: name the nodes of ${[point.red, point.black].filter(Boolean).join(' and ') || 'its gauge'}.`,
          }))
      : [],
  );
}
