/** Service sheets: `@jeitinho/core/sheet`. */
export { type FlaggedCode, flaggedCodes } from '../sheet/codes/flags';
export { codeFinder } from '../sheet/find-codes';
export type { CodeScheme } from '../sheet/schema';
export { type BlinksRead, readBlinks, type Tap } from '../sheet/codes/blinks';
export { baseState } from '../conditions/live-state';
export { wantsOf } from '../conditions/wants';
export { expectOf, functionOf, phaseName, testsOf, toBring } from '../sheet/all-tests';
export { codeWords, decodeCode, normaliseCode } from '../sheet/codes/match';
export { compareSheets, type SheetChange } from '../sheet/compare';
export { expandSheet, machineSheet, plainSheet } from '../sheet/expand/expand';
export { variantOwed } from '../sheet/variant-owed';
export { machinesOf, type Chosen } from '../sheet/expand/variants';
export { liftSheet } from '../sheet/lift';
export { findPart, findPoint, findTest, stateName, stateOf } from '../sheet/lookup';
export {
  allObservables,
  observableId,
  observablesOf,
  overPoints,
  ruleObservables,
  shownBy,
} from '../sheet/observables';
export { movedFurther, rePinned } from '../sheet/moved-pins';
export { type PastedTable, pasteCodes, pasteParts, pastePins } from '../sheet/paste-table';
export { standsFor } from '../sheet/expand/stands-for';
export { onPathWords, pathsAt, type PathStop, stopsOf } from '../sheet/stops';
export { otherEnd, placementWords } from '../sheet/placement';
export {
  connectorOf,
  findConnector,
  locate,
  type Place,
  placeDetail,
  placeName,
  sameLeads,
  sideOf,
} from '../sheet/places';
export { type Sheet, sheetSchema, type WrittenSheet } from '../sheet/schema';
export type { Variant } from '../sheet/schema/shape';
export {
  type Board,
  type BoardMark,
  type BoardPoint,
  type Connector,
  MARK_KINDS,
  type Pin,
} from '../sheet/schema/boards';
export {
  REPAIR_KINDS,
  type Fault,
  type Part,
  type Procedure,
  type Repair,
  type Try,
} from '../sheet/schema/faults';
export {
  type Access,
  type AskTest,
  isMeasured,
  type MeasureTest,
  type SheetState,
  type Test,
  type TestPoint,
} from '../sheet/schema/tests';
export {
  FACETS_VERSION,
  facetsOf,
  modelMatches,
  searchSheets,
  type SheetFacets,
} from '../sheet/search';
export { measurementTable, pinTable } from '../sheet/tables';
export { writeSheet } from '../sheet/write';
export { type OddsInUse, withOdds } from '../sheet/with-odds';
