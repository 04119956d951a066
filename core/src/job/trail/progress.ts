/** The order of the work: what is done at each stage and what is still owed, and which test is next. */
import { pairsOf } from '../../conditions/pairs';
import { testsOf } from '../../sheet/all-tests';
import { observablesOf } from '../../sheet/observables';
import type { Sheet, Test } from '../../sheet/schema';
import { findAccess, findTest, stateOf } from '../../sheet/lookup';
import type { EnergyKind } from '../../conditions/energy';
import { accessOwedFor } from '../state/access';
import { energises, shortsOf } from '../findings/shorted';
import type { JobState } from '../state/state';
import type { Stage } from './stages';

export interface StageProgress {
  readonly stage: Stage;
  readonly done: boolean;
  /** Short note beside the stage: a code, `5/31`; empty where there is nothing to say. */
  readonly note: string;
}

/** How many observables of the sheet have a reading or answer that stands. */
export function takenCount(sheet: Sheet, state: JobState): { taken: number; of: number } {
  const all = testsOf(sheet).flatMap((each) => observablesOf(each, sheet));
  return { taken: all.filter((each) => state.current.has(each.id)).length, of: all.length };
}

export function progressOf(sheet: Sheet, state: JobState): StageProgress[] {
  const { taken, of } = takenCount(sheet, state);
  const handled = testsOf(sheet)
    .flatMap((each) => observablesOf(each, sheet))
    .every((each) => state.current.has(each.id) || state.skipped.has(each.id));
  const read = state.codes.length > 0 || state.noCode;
  return [
    { stage: 'arrive', done: state.arrived !== undefined, note: '' },
    {
      stage: 'read',
      done: read,
      note: state.codes.map((code) => code.shown).join(' ') || (state.noCode ? 'no code' : ''),
    },
    {
      stage: 'safe',
      // Once proven, the stage stays done: later live work cancels the proof, not the step. A proof that
      // was lost is owed again.
      done: state.energy.kind === 'dead' || (state.everDead && !state.energy.lost),
      note: safeNote(sheet, state),
    },
    { stage: 'measure', done: handled, note: `${taken}/${of}` },
    { stage: 'decide', done: state.decision !== undefined, note: '' },
    { stage: 'sign', done: state.signed !== undefined, note: '' },
  ];
}

/** `2/5` while pairs are being proven. */
function safeNote(sheet: Sheet, { energy }: JobState): string {
  const of = pairsOf(sheet).length;
  return energy.kind === 'not-proven' && of > 0 ? `${energy.proven.size}/${of}` : '';
}

/** The first stage that owes something; the last one when nothing does. */
export function currentStage(sheet: Sheet, state: JobState): Stage {
  if (state.signed) return 'sign';
  if (state.decision) return 'sign';
  const owed = progressOf(sheet, state).find((each) => !each.done);
  return owed?.stage ?? 'sign';
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

const open = (state: JobState, step: Step) =>
  !state.current.has(step.observable) && !state.skipped.has(step.observable);

/**
 * The next step in the sheet's order: first the rest of the test in hand, then what the machine's
 * present state allows, then anything that would not energise a short. Undefined when nothing is left.
 * @param after - Observable in hand, never suggested itself; the search goes on from there and wraps
 *   round.
 * @param options.leaveTest - Leave out the rest of the test in hand as well; false by default.
 */
export function nextStep(
  sheet: Sheet,
  state: JobState,
  after?: string,
  { leaveTest = false }: { leaveTest?: boolean } = {},
): Step | undefined {
  const steps = stepsOf(sheet);
  const shorts = shortsOf(sheet, state);
  const from = steps.findIndex((step) => step.observable === after) + 1;
  const inHand = steps[from - 1];
  const ahead = [...steps.slice(from), ...steps.slice(0, from)].filter(
    (step) =>
      step !== inHand &&
      open(state, step) &&
      !(leaveTest && step.test.id === inHand?.test.id) &&
      !energises(sheet, shorts, step.test),
  );
  return (
    ahead.find((step) => step.test.id === inHand?.test.id) ??
    ahead.find((step) => suits(sheet, step.test, state.energy.kind)) ??
    ahead[0]
  );
}

function suits(sheet: Sheet, test: Test, energy: EnergyKind): boolean {
  const wanted = stateOf(sheet, test).energy;
  return wanted === 'dead' ? energy === 'dead' : energy === 'live';
}

/** Access that a test still owes, its prerequisites first, each once. */
export const accessOwed = (sheet: Sheet, state: JobState, testId: string): string[] =>
  accessOwedFor(sheet, state, findTest(sheet, testId)?.access ?? []).map(({ id }) => id);

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
      test.access?.some(needs) &&
      observablesOf(test, sheet).some((each) => !state.current.has(each.id)),
  );
}
