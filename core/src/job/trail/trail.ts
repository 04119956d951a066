/**
 * The trail: the stages of a visit in the order of the work. A stage is an object here, and its screen a
 * line in the interface's table of screens; where it leads, what it owes and what must come before it are
 * said here alone. The trail locks no door: a guard says what is owed first, and the stage opens all the same.
 */
import { pairsOf } from '../../conditions/pairs';
import { testsOf } from '../../sheet/all-tests';
import { observablesOf } from '../../sheet/observables';
import type { Sheet } from '../../sheet/schema';
import { mendsOf, workOwed } from '../endings/mends';
import { mendedOf } from '../mended/mended';
import type { JobState } from '../state/state';
import { isAsked, takenCount } from './steps';

interface StageOf<S extends string> {
  readonly stage: S;
  readonly name: string;
  /** How much it still owes; 0 when it is done. */
  owed(sheet: Sheet, state: JobState): number;
  /** Beside its name: a code, `5/31`; absent where there is nothing to say. */
  note?(sheet: Sheet, state: JobState): string;
  /** Whether this visit has it at all; absent where every one has. */
  wanted?(state: JobState): boolean;
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
    owed: (_, state) =>
      unless(state.codes.length > 0 || state.noCode || state.histories !== undefined),
    note: (_, state) =>
      state.codes.map((code) => code.shown).join(' ') ||
      (state.noCode ? 'no code' : state.histories ? 'history' : ''),
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
        .filter((test) => isAsked({ current }, test))
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
    stage: 'mend',
    name: 'Mend',
    wanted: (state) => state.works.length > 0 || mendsOf(state).length > 0,
    owed: (_, state) => workOwed(state).length,
    guard: (_, state) => (state.decision ? undefined : 'decide'),
  }),
  defineStage({
    stage: 'prove',
    name: 'Prove',
    wanted: (state) => state.works.length > 0 || mendsOf(state).length > 0,
    owed: (sheet, state) => unless(mendedOf(sheet, state)?.proven === true),
    guard: (_, state) => (state.works.length > 0 ? undefined : 'mend'),
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
  /** Whether this visit has it. */
  readonly wanted: boolean;
  readonly done: boolean;
  readonly note: string;
}

type AnyStage = StageOf<string> & { readonly stage: Stage };

const isWanted = ({ wanted }: AnyStage, state: JobState): boolean => wanted?.(state) ?? true;

export const progressOf = (sheet: Sheet, state: JobState): StageProgress[] =>
  TRAIL.map((each: AnyStage) => {
    const wanted = isWanted(each, state);
    const owed = wanted ? each.owed(sheet, state) : 0;
    const note = each.note?.(sheet, state) ?? '';
    return { stage: each.stage, name: each.name, owed, wanted, done: wanted && owed === 0, note };
  });

/** The stage that follows on this visit; the last one follows itself. */
export function stageAfter(stage: Stage, state: JobState): Stage {
  const place = TRAIL.findIndex((each) => each.stage === stage);
  const rest: readonly AnyStage[] = TRAIL.slice(place + 1);
  return rest.find((each) => isWanted(each, state))?.stage ?? LAST;
}

/** Where to go first when a stage has nothing to work on yet; undefined where it has. */
export function guardOf(sheet: Sheet, state: JobState, stage: Stage): Stage | undefined {
  const definition: StageOf<string> | undefined = TRAIL.find((each) => each.stage === stage);
  const first = definition?.guard?.(sheet, state);
  return TRAIL.find((each) => each.stage === first)?.stage;
}

/** Where a visit ends. */
const LAST: Stage = 'sign';

/** The first stage that owes something; once it was decided, the first after that; the last when none does. */
export function currentStage(sheet: Sheet, state: JobState): Stage {
  if (state.signed) return LAST;
  const stages = progressOf(sheet, state);
  const from = state.decision ? stages.findIndex(({ stage }) => stage === 'decide') + 1 : 0;
  return stages.slice(from).find((each) => each.wanted && !each.done)?.stage ?? LAST;
}

/** What stands on the trail under this name. */
export const isStage = (name: string): name is Stage => TRAIL.some(({ stage }) => stage === name);
