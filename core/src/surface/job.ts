/** The log of a job, its entries and what follows from them: `@jeitinho/core/job`. */
export { admit } from '../job/admission/admit';
export { dialRefusal, energyRefusal } from '../job/admission/energy';
export { unmetFor } from '../job/admission/entering';
export { licenceRefusal, licensedByPiece } from '../job/admission/licence';
export type { Refusal } from '../job/admission/refusal';
export { variantRefusal } from '../job/admission/variant';
export { refusalOf } from '../job/admission/refusal-of';
export { clocksOf, type RunningClock } from '../job/clocks/clocks';
export { type OtherSize, otherSize, swappedWith } from '../job/findings/doubts';
export {
  findPins,
  MOST_PINS_FOUND,
  type PairFigure,
  pairPointsOf,
} from '../job/findings/find-pins';
export { answerWords, outcomesFound } from '../job/findings/finds';
export { dutyOf, meterProblem } from '../job/findings/instruments';
export { judgeTaken, seriesErrors } from '../job/findings/judge-taken';
export { limitsAt, ofPoint, stillAsked } from '../job/findings/limits';
export { inShowingState, isStale, lookSince, staleOf } from '../job/findings/proof';
export { CONTACT_OWED, LEADS_MATTER_BELOW, owesProof } from '../job/findings/owed';
export { energises, shortsOf } from '../job/findings/shorted';
export { foldJob } from '../job/fold/fold';
export { jobSheet } from '../job/fold/job-sheet';
export { inOneGo, JobFold } from '../job/fold/job-fold';
export { commandSeen } from '../job/history/commanded';
export { type Episode, episodesOf, type ToldFault } from '../job/history/episodes';
export {
  type HistoryRow,
  LONGEST_HISTORY,
  MOST_HISTORY_ROWS,
  type NotedHistory,
} from '../job/history/history';
export { beforePart } from '../job/before-part/before-part';
export { asksMatch, asOnOld, matchOf, wantedWords } from '../job/before-part/match';
export { ACCEPT_WORDS } from '../job/kinds/accepted';
export { FOUND_WORDS } from '../job/kinds/asked';
export { FOLLOW_WORDS } from '../job/kinds/follow-up';
export { MATCH_WORDS } from '../job/kinds/matched';
export { type Mended, mendedOf, type ProvingStep } from '../job/mended/mended';
export { judgeWatch, readsLike, type Watch } from '../job/mended/judge-watch';
export { CONTACT_WORDS } from '../job/kinds/contact';
export {
  type Ending,
  ENDING_ASKS,
  ENDING_WORDS,
  type EndingKind,
  endingOwes,
  ENDINGS,
  endingWords,
} from '../job/endings/ending';
export { type Ahead, aheadOf } from '../job/endings/ahead';
export { owedAtSigning } from '../job/endings/owed-at-signing';
export { mendsOf, workOf, workOwed } from '../job/endings/mends';
export {
  type BodyOf,
  type EntryKind,
  isEntry,
  type LogEntry,
  type StoredEntry,
} from '../job/kinds/index';
export type { EntryPlace, RollGroup } from '../job/kinds/kind';
export {
  canWithdraw,
  CLOCK_KINDS,
  columnsOf,
  entryWords,
  groupOf,
  isUndone,
  placeOfEntry,
} from '../job/kinds/said-of';
export type { FoldedEntry, WrittenEntry } from '../job/log/entry';
export { inLogOrder } from '../job/log/log-order';
export { readingSchema } from '../job/log/words';
export {
  type LinkState,
  type PathProgress,
  pathProgress,
  pathsTouched,
} from '../job/trail/path-progress';
export { accessOwedFor, leftOpen } from '../job/state/access';
export { ACCEPT_WAYS, CONTACT_PROOFS, FOLLOW_UPS, WHY_ANSWERS } from '../job/state/facts';
export { liveStateAt, stateEndsAt } from '../job/state/live-state';
export {
  isSilent,
  type JobState,
  type Taken,
  type TakenAnswer,
  type TakenReading,
  type TakenSeries,
} from '../job/state/state';
export { beatAt, purgeUntil, type Spell } from '../job/state/windows';
export { owedWords } from '../job/trail/owed-words';
export {
  accessShared,
  isAsked,
  isOpen,
  nextStep,
  type Step,
  stepsOf,
  takenCount,
} from '../job/trail/steps';
export { backBeforeLive, spoils, type Want, wantingOf, wantWords } from '../job/trail/wanting';
export { MOST_PRESSES } from '../job/log/entry';
export { findableWords, LONGEST_WORD, textsToFind } from '../job/trail/words-to-find';
export { awaitsSecond, type JobSummary, summarise, SUMMARY_VERSION } from '../job/trail/summary';
export {
  currentStage,
  guardOf,
  isStage,
  progressOf,
  type Stage,
  stageAfter,
  TRAIL,
} from '../job/trail/trail';
export { faultsOn, goneBy } from '../job/work/cures';
export { twinAt } from '../job/work/compared';
export { type KeptTwin, MOST_TWINS } from '../job/work/kept-twin';
export { twinFigure } from '../job/work/twins';
export { type Specimen, SPECIMEN_WORDS, SPECIMENS } from '../job/work/specimen';
export { trialsIn, type Work, WORK_WORDS } from '../job/work/work';
