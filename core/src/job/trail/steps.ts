/** Placements of the probes and questions, in the order of the sheet: which comes next, and what it still owes. */
import { outsOf, wantsOf } from '../../conditions/wants';
import { testsOf } from '../../sheet/all-tests';
import { observablesOf } from '../../sheet/observables';
import type { Sheet, Test } from '../../sheet/schema';
import { findAccess, findTest } from '../../sheet/lookup';
import type { EnergyKind } from '../../conditions/energy';
import { accessOwedFor } from '../state/access';
import { isStale } from '../findings/proof';
import { energises, shortsOf } from '../findings/shorted';
import type { JobState } from '../state/state';

/** Whether a test is asked at all: a follow-up is, once its parents came out as it says. */
export const isAsked = ({ current }: Pick<JobState, 'current'>, { onlyIf }: Test): boolean =>
  Object.entries(onlyIf ?? {}).every(([ref, outcome]) =>
    [...current].some(
      ([id, taken]) =>
        (id === ref || taken.test.id === ref) &&
        taken.standing.kind === 'counts' &&
        (taken.kind === 'answer' ? taken.outcome : taken.judgement.outcome) === outcome,
    ),
  );

/** How many observables of the sheet have a reading or answer that stands. */
export function takenCount(sheet: Sheet, state: JobState): { taken: number; of: number } {
  const all = testsOf(sheet)
    .filter((test) => isAsked(state, test))
    .flatMap((each) => observablesOf(each, sheet));
  return { taken: all.filter((each) => state.current.has(each.id)).length, of: all.length };
}

/** One placement of the probes, or one question. */
export interface Step {
  readonly test: Test;
  /** Absent for questions. */
  readonly point?: string;
  readonly observable: string;
}

export function stepsOf(sheet: Sheet): Step[] {
  return testsOf(sheet).flatMap((test) =>
    observablesOf(test, sheet).map((each) => ({
      test,
      observable: each.id,
      ...(each.point !== undefined && { point: each.point }),
    })),
  );
}

/** Not taken, or taken of the machine as it was before the work. */
export function isOpen(state: JobState, { observable }: Step): boolean {
  const taken = state.current.get(observable);
  return (!taken || isStale(state, taken)) && !state.skipped.has(observable);
}

/**
 * The next step in the sheet's order: first the rest of the test in hand, then what the machine's
 * present state allows, then anything that would not energise a short. Undefined when nothing is left.
 * @param after - Observable in hand, never suggested itself; the search goes on from there and wraps
 *   round.
 * @param options.leaveTest - Leave out the rest of the test in hand as well; false by default.
 * @param options.putOff - Tests, by id, that come only when nothing else is left.
 */
export function nextStep(
  sheet: Sheet,
  state: JobState,
  after?: string,
  { leaveTest = false, putOff = [] }: { leaveTest?: boolean; putOff?: readonly string[] } = {},
): Step | undefined {
  const steps = stepsOf(sheet);
  const shorts = shortsOf(sheet, state);
  const from = steps.findIndex((step) => step.observable === after) + 1;
  const inHand = steps[from - 1];
  const ahead = [...steps.slice(from), ...steps.slice(0, from)].filter(
    (step) =>
      step !== inHand &&
      isOpen(state, step) &&
      isAsked(state, step.test) &&
      !(leaveTest && step.test.id === inHand?.test.id) &&
      !energises(sheet, shorts, step.test),
  );
  const wanted = ahead.filter((step) => !putOff.includes(step.test.id));
  return (
    ahead.find((step) => step.test.id === inHand?.test.id) ??
    wanted.find((step) => suits(sheet, step.test, state.energy.kind)) ??
    wanted[0] ??
    ahead[0]
  );
}

function suits(sheet: Sheet, test: Test, energy: EnergyKind): boolean {
  const { energy: wanted, state } = wantsOf(sheet, test);
  // A look at a running machine wants it running, if no precautions.
  if (wanted === 'any') return state.energy === 'dead' || energy === 'live';
  return wanted === 'dead' ? energy === 'dead' : energy === 'live';
}

/** Access that a test still owes, its prerequisites first, each once. */
export const accessOwed = (sheet: Sheet, state: JobState, testId: string): string[] =>
  accessOwedFor(sheet, state, outsOfTest(sheet, testId)).map(({ id }) => id);

function outsOfTest(sheet: Sheet, id: string): string[] {
  const test = findTest(sheet, id);
  return test ? outsOf(test) : [];
}

/** Open tests besides this one that want the same access: gained once, it serves them all. */
export function accessShared(
  sheet: Sheet,
  state: JobState,
  testId: string,
  access: string,
): Test[] {
  const needs = (id: string): boolean =>
    id === access || (findAccess(sheet, id)?.needs?.some(needs) ?? false);
  return testsOf(sheet).filter(
    (test) =>
      test.id !== testId &&
      outsOf(test).some(needs) &&
      observablesOf(test, sheet).some((each) => !state.current.has(each.id)),
  );
}
