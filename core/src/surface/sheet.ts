/** Service sheets: `@jeitinho/core/sheet`. */
export { baseState } from '../conditions/live-state';
export { wantsOf } from '../conditions/wants';
export { expectOf, functionOf, phaseName, testsOf } from '../sheet/all-tests';
export { matchCode, normaliseCode } from '../sheet/codes/match';
export { compareSheets, type SheetChange } from '../sheet/compare';
export { liftSheet } from '../sheet/lift';
export { findPoint, findTest, stateName, stateOf } from '../sheet/lookup';
export {
  allObservables,
  observableId,
  observablesOf,
  ruleObservables,
  shownBy,
} from '../sheet/observables';
export { placementWords } from '../sheet/placement';
export { locate, type Place, placeDetail, placeName, sameLeads } from '../sheet/places';
export { type Sheet, sheetSchema } from '../sheet/schema';
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
