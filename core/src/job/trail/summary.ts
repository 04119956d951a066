/** The few facts that lists and statistics need of a job: a projection, rebuildable from the log. */
import type { Sheet } from '../../sheet/schema';
import type { EnergyKind } from '../../conditions/energy';
import type { JobState } from '../state/state';
import { takenCount } from './steps';
import { currentStage, TRAIL, type Stage } from './trail';

/** Raise it when {@link summarise} changes, so that stored projections are made again. */
export const SUMMARY_VERSION = 3;

export interface JobSummary {
  readonly status: 'open' | 'signed';
  readonly stage: Stage;
  /** Its name, for lists that do not know the trail. */
  readonly stageName: string;
  readonly energy: EnergyKind;
  readonly codes: readonly string[];
  readonly taken: number;
  readonly of: number;
  /** Part decided on; null when handed over or undecided. */
  readonly part: string | null;
  readonly partName: string | null;
  readonly signedAt: string | null;
  /** Device time of the latest entry; null for an empty log. */
  readonly lastAt: string | null;
}

export function summarise(sheet: Sheet, state: JobState): JobSummary {
  const part = state.decision?.body.part ?? null;
  const stage = currentStage(sheet, state);
  return {
    status: state.signed ? 'signed' : 'open',
    stage,
    stageName: TRAIL.find((each) => each.stage === stage)?.name ?? stage,
    energy: state.energy.kind,
    codes: state.codes.map((code) => code.shown),
    ...takenCount(sheet, state),
    part,
    partName: sheet.parts.find((each) => each.id === part)?.name ?? null,
    signedAt: state.signed?.at ?? null,
    lastAt: state.log.at(-1)?.at ?? null,
  };
}
