/** The few facts that lists and statistics need of a job: a projection, rebuildable from the log. */
import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { words } from '../../schema-words';
import type { Sheet } from '../../sheet/schema';
import { endingWords } from '../endings/ending';
import { aheadOf } from '../endings/ahead';
import { mendedOf } from '../mended/mended';
import { FOLLOW_UPS } from '../state/facts';
import type { JobState } from '../state/state';
import { keptTwinSchema } from '../work/kept-twin';
import { twinsOf } from '../work/twins';
import { takenCount } from './steps';
import { currentStage, TRAIL } from './trail';

/**
 * Raise it when {@link summarise} changes, or what else is made of a log beside it (lessons, words to find), so
 * that stored projections are made again.
 */
export const SUMMARY_VERSION = 9;

const orNull = <S extends TSchema>(schema: S) => Type.Union([schema, Type.Null()]);
const Count = Type.Integer({ minimum: 0 });

export const jobSummarySchema = Type.Object(
  {
    status: words(['open', 'signed']),
    stage: words(TRAIL.map(({ stage }) => stage)),
    /** Its name, for lists that do not know the trail. */
    stageName: Type.String(),
    energy: words(['live', 'not-proven', 'dead']),
    codes: Type.Array(Type.String()),
    taken: Count,
    of: Count,
    /** Part decided on; null when handed over or undecided. */
    part: orNull(Type.String()),
    partName: orNull(Type.String()),
    /** How the visit goes on or ends, in words; null while undecided. */
    ending: orNull(Type.String()),
    signedAt: orNull(Type.String()),
    /** It is signed, and the sheet asks for somebody else’s signature beside; absent where it does not wait. */
    awaitsSecond: Type.Optional(Type.Literal(true)),
    /** Device time of the latest entry; null for an empty log. */
    lastAt: orNull(Type.String()),
    /** Whether what was done was proven; absent where nothing was done. */
    proven: Type.Optional(Type.Boolean()),
    /** What is to come after the visit and has not come, the earliest first; absent where nothing is. */
    ahead: Type.Optional(
      Type.Array(
        Type.Object({
          entry: Type.String(),
          what: words(FOLLOW_UPS),
          on: Type.String(),
          text: Type.String(),
        }),
      ),
    ),
    /** What good twins read, for the next job on this model; absent where none was measured. */
    twins: Type.Optional(Type.Array(keptTwinSchema)),
  },
  { $id: 'job-summary' },
);
export type JobSummary = Readonly<Static<typeof jobSummarySchema>>;

/** Signed by one, where the sheet asks for two. */
export const awaitsSecond = (sheet: Sheet, state: JobState): boolean =>
  sheet.safety.secondSignature === true &&
  state.signed !== undefined &&
  state.countersigned === undefined;

export function summarise(sheet: Sheet, state: JobState): JobSummary {
  const endings = state.decision?.body.endings ?? [];
  const part = endings.find(({ kind }) => kind === 'replace')?.part ?? null;
  const stage = currentStage(sheet, state);
  const twins = twinsOf(state);
  const mended = mendedOf(sheet, state);
  const ahead = aheadOf(sheet, state);
  return {
    status: state.signed ? 'signed' : 'open',
    stage,
    stageName: TRAIL.find((each) => each.stage === stage)?.name ?? stage,
    energy: state.energy.kind,
    codes: state.codes.map((code) => code.shown),
    ...takenCount(sheet, state),
    part,
    partName: sheet.parts.find((each) => each.id === part)?.name ?? null,
    ending: endings.map((each) => endingWords(sheet, each)).join('; ') || null,
    signedAt: state.signed?.at ?? null,
    ...(awaitsSecond(sheet, state) && { awaitsSecond: true }),
    lastAt: state.log.at(-1)?.at ?? null,
    ...(mended && { proven: mended.proven }),
    ...(ahead.length > 0 && { ahead }),
    ...(twins.length > 0 && { twins }),
  };
}
