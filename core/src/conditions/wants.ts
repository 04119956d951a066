/** What a test wants at one of its points: its own words, else those of the test, else what its state says. */
import { findAccess, stateOf } from '../sheet/lookup';
import {
  isMeasured,
  type Access,
  type Sheet,
  type SheetState,
  type Test,
  type TestPoint,
  type WantedEnergy,
} from '../sheet/schema';
import { functionOf } from '../sheet/all-tests';
import type { ParallelEffect } from '../judge/isolation';
import type { MeterFunction } from '../meter/functions';

export interface AccessWanted {
  readonly access: Access;
  readonly position: 'in' | 'out';
}

export interface Wants {
  readonly energy: WantedEnergy;
  readonly state: SheetState;
  /** In the order of the sheet's words. */
  readonly access: readonly AccessWanted[];
  /** Accesses that must be out for the whole figure to be believed. */
  readonly isolates: readonly string[];
  readonly fedBy: readonly string[];
  readonly after: readonly string[];
  readonly contact: 'absence' | 'clears' | 'never';
  readonly means?: string;
  readonly parallel: ParallelEffect;
}

const PARALLEL: Partial<Record<MeterFunction, ParallelEffect>> = {
  capacitance: 'raises',
  continuity: 'fakes',
};

/**
 * @throws {UnknownReferenceError} where the sheet lacks the state; a checked sheet never does.
 */
export function wantsOf(sheet: Sheet, test: Test, point?: TestPoint): Wants {
  const own = { ...test, ...definedOf(point) };
  const state = stateOf(sheet, own);
  const energy = own.energy ?? (own.offMachine ? 'any' : state.energy);
  const means = own.means;
  const fn = isMeasured(test) && point ? functionOf(test, point) : undefined;
  return {
    energy,
    state,
    access: own.offMachine
      ? []
      : Object.entries(own.access ?? {}).flatMap(([id, position]) => {
          const access = findAccess(sheet, id);
          return access ? [{ access, position }] : [];
        }),
    isolates: own.isolates ?? [],
    fedBy: own.fedBy ?? [],
    after: own.after ?? [],
    contact: own.contact ?? 'absence',
    ...(means !== undefined && { means }),
    parallel: own.parallel ?? (fn && PARALLEL[fn]) ?? 'lowers',
  };
}

type Own = Pick<
  TestPoint,
  | 'state'
  | 'energy'
  | 'access'
  | 'isolates'
  | 'fedBy'
  | 'after'
  | 'contact'
  | 'means'
  | 'parallel'
  | 'offMachine'
>;

const OWN = [
  'state',
  'energy',
  'access',
  'isolates',
  'fedBy',
  'after',
  'contact',
  'means',
  'parallel',
  'offMachine',
] as const satisfies readonly (keyof Own)[];

/** What a point says for itself. */
const definedOf = (point: TestPoint | undefined): Partial<Own> =>
  point
    ? Object.fromEntries(
        OWN.flatMap((key) => (point[key] === undefined ? [] : [[key, point[key]]])),
      )
    : {};

/** Accesses that a test wants out at any of its points, each once. */
export function outsOf(test: Test): string[] {
  const wanted = isMeasured(test) ? [test, ...test.points] : [test];
  return [
    ...new Set(
      wanted.flatMap(({ access }) =>
        Object.entries(access ?? {}).flatMap(([id, position]) => (position === 'out' ? [id] : [])),
      ),
    ),
  ];
}
