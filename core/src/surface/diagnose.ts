/** What could be wrong: `@jeitinho/core/diagnose`. */
export { accusedBy } from '../diagnose/accused';
export {
  assess,
  type Assessment,
  carriedFrom,
  knownOf,
  type PartSuspect,
} from '../diagnose/assess';
export { mendsByItself } from '../diagnose/by-itself';
export { infer, type Inference, type Shares } from '../diagnose/belief';
export type { Evidence } from '../diagnose/evidence';
export { type FullRow, inFull, type InFull, type Telling } from '../diagnose/in-full';
export { type Leader, shareOf, type Who, whoKey } from '../diagnose/leader';
export { headlineOf, leadingPart, type Headline } from '../diagnose/headline';
export { type DiagnosticModel, modelOf, sharesOf } from '../diagnose/model';
export { notProvenWords } from '../diagnose/not-proven';
export { type EvidenceItem, isFinding, type Suspect } from '../diagnose/suspects';
export type { Advice, Advised } from '../next/advice';
export { advise, advising, type OwnWay } from '../next/advise';
export type { School } from '../next/schools';
export { whatWouldChange } from '../next/change-of-mind';
export { compareSuspects, type Separates } from '../next/compare';
export { effortOf, type Standing } from '../job/trail/effort';
export { RepairCost } from '../next/repair-cost';
export { playedJob, type Situation, standingIn } from '../next/played';
export {
  partsInVisit,
  pricedSheet,
  type PricedSheet,
  type Rates,
  type ShopPrices,
  USUAL_RATES,
  USUAL_SHOP,
} from '../next/prices';
export { nextTests } from '../next/value';
export type { Weight } from '../diagnose/weights';
export { type Action, actionsOf } from '../decide/actions';
export { actionsOfSheet, withoutPrice } from '../decide/of-sheet';
export { type BreakEven, breakEvens } from '../decide/break-even';
export { triageOf } from '../decide/triage';
export { decide, type Plan, pricePlans, startingWith } from '../decide/plans';
export {
  type Calibration,
  calibrationOf,
  bandInterval,
  bandsOf,
  type CalibrationBand,
} from '../learn/calibration';
export { chanceOfSoMany } from '../learn/coincidence';
export { type FamilyOdds, familyOdds } from '../learn/family-odds';
export { type Lesson, lessonOf } from '../learn/lesson';
export { learntOdds } from '../learn/odds';
export { type ReadingKept, readingsKept } from '../learn/readings-kept';
export { type SeldomProven, seldomProven } from '../learn/seldom-proven';
export { trendOf } from '../learn/trend';
export { toAuthor } from '../learn/to-author';
export {
  type Failure,
  type Fitting,
  type PatternFound,
  patternsIn,
  type PlacedUnit,
} from '../learn/patterns-in';
