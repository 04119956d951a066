/**
 * The trail: the stages of a visit in the order of the work. A stage is an object here, and its screen a
 * line in the interface's table of screens; where it leads, what it owes and what must come before it are
 * said here alone. The trail locks no door: a guard says what is owed first, and the stage opens all the same.
 */
import { pairsOf } from '../../conditions/pairs';
import { testsOf } from '../../sheet/all-tests';
import { observablesOf } from '../../sheet/observables';
import type { Sheet } from '../../sheet/schema';
import type { JobState } from '../state/state';
import { takenCount } from './steps';

interface StageOf<S extends string> {
  readonly stage: S;
  readonly name: string;
  /** How much it still owes; 0 when it is done. */
  owed(sheet: Sheet, state: JobState): number;
  /** Beside its name: a code, `5/31`; absent where there is nothing to say. */
  note?(sheet: Sheet, state: JobState): string;
  /** The stage without which this one has nothing to work on; absent where it always has. */
  guard?(sheet: Sheet, state: JobState): string | undefined;
}

const defineStage = <const S extends string>(stage: StageOf<S>): StageOf<S> => stage;
const unless = (done: boolean): number => (done ? 0 : 1);

export const TRAIL = [
  defineStage({
    stage: 'arrive',
    name: 'Arrive',
    owed: (_, state) => unless(state.arrived !== undefined),
  }),
  defineStage({
    stage: 'read',
    name: 'Read',
    owed: (_, state) => unless(state.codes.length > 0 || state.noCode),
    note: (_, state) =>
      state.codes.map((code) => code.shown).join(' ') || (state.noCode ? 'no code' : ''),
  }),
  defineStage({
    stage: 'safe',
    name: 'Make safe',
    owed(sheet, { energy, everDead }) {
      // Once proven, the stage stays done: later live work cancels the proof, not the step. A proof that was
      // lost is owed again.
      if (energy.kind === 'dead' || (everDead && !energy.lost)) return 0;
      return Math.max(1, pairsOf(sheet).length - energy.proven.size);
    },
    note(sheet, { energy }) {
      const of = pairsOf(sheet).length;
      return energy.kind === 'not-proven' && of > 0 ? `${energy.proven.size}/${of}` : '';
    },
  }),
  defineStage({
    stage: 'measure',
    name: 'Measure',
    owed: (sheet, { current, skipped }) =>
      testsOf(sheet)
        .flatMap((test) => observablesOf(test, sheet))
        .filter(({ id }) => !current.has(id) && !skipped.has(id)).length,
    note(sheet, state) {
      const { taken, of } = takenCount(sheet, state);
      return `${taken}/${of}`;
    },
  }),
  defineStage({
    stage: 'decide',
    name: 'Decide',
    owed: (_, state) => unless(state.decision !== undefined),
  }),
  defineStage({
    stage: 'sign',
    name: 'Sign',
    owed: (_, state) => unless(state.signed !== undefined),
    guard: (_, state) => (state.decision ? undefined : 'decide'),
  }),
] as const;

export type Stage = (typeof TRAIL)[number]['stage'];

export interface StageProgress {
  readonly stage: Stage;
  readonly name: string;
  readonly owed: number;
  readonly done: boolean;
  readonly note: string;
}

export const progressOf = (sheet: Sheet, state: JobState): StageProgress[] =>
  TRAIL.map((each: StageOf<string> & { readonly stage: Stage }) => {
    const owed = each.owed(sheet, state);
    const note = each.note?.(sheet, state) ?? '';
    return { stage: each.stage, name: each.name, owed, done: owed === 0, note };
  });

/** The stage that follows; the last one follows itself. */
export function stageAfter(stage: Stage): Stage {
  const place = TRAIL.findIndex((each) => each.stage === stage);
  return (TRAIL[place + 1] ?? TRAIL[place])?.stage ?? stage;
}

/** Where to go first when a stage has nothing to work on yet; undefined where it has. */
export function guardOf(sheet: Sheet, state: JobState, stage: Stage): Stage | undefined {
  const definition: StageOf<string> | undefined = TRAIL.find((each) => each.stage === stage);
  const first = definition?.guard?.(sheet, state);
  return TRAIL.find((each) => each.stage === first)?.stage;
}

/** Where a visit ends. */
const LAST: Stage = 'sign';

/** The first stage that owes something; the last one when nothing does, or once it was decided. */
export function currentStage(sheet: Sheet, state: JobState): Stage {
  const ended = state.signed !== undefined || state.decision !== undefined;
  const open = ended ? undefined : progressOf(sheet, state).find((each) => !each.done);
  return open?.stage ?? LAST;
}

/** What stands on the trail under this name. */
export const isStage = (name: string): name is Stage => TRAIL.some(({ stage }) => stage === name);
