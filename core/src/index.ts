/**
 * What is left of the core beside its five rooms with an entry of their own (`/judge`, `/job`, `/bench`, `/sheet`,
 * `/diagnose`): units, meters, conditions, formulas, quick sheets, reports, the API. Every name is listed by hand,
 * and only what somebody outside uses. Validation with Ajv is apart, under `/validate`.
 */
export { openApiDocument } from './api/openapi';
export {
  type AnswerOf,
  type BodyFor,
  type Operation,
  OPERATIONS,
  type QueryOf,
} from './api/operations';
export {
  type AuditResource,
  type BackupResource,
  decideProposalInput,
  demoSignInInput,
  type DeviceResource,
  type KeepingResource,
  linkLookInput,
  linkUseInput,
  passkeyKeepInput,
  type PasskeyResource,
  passkeySignInInput,
  passwordInput,
  personEdit,
  personInput,
  type PersonKept,
  type PersonResource,
  type ProposalResource,
  type SessionResource,
  SHORTEST_PASSWORD,
  signInInput,
} from './api/people';
export {
  adoptInput,
  type LearntResource,
  type PatternResource,
  type RightResource,
} from './api/learn';
export {
  type FoundResource,
  LONGEST_SEARCH,
  RECORD_TABLES,
  type RecordTable,
  type RecordsResource,
  reportLinkInput,
  type ReportLinkResource,
  sharedInput,
  type YearsResource,
} from './api/memory';
export {
  customerEdit,
  giveSheetInput,
  importInput,
  type ImportedPlaces,
  mergeInput,
  MOST_PLACE_ROWS,
  type PinsFoundResource,
  type PlaceResource,
  type SubstituteResource,
  siteEdit,
  unitEdit,
} from './api/places';
export {
  type AppendedResource,
  attachInput,
  customerInput,
  type CustomerResource,
  entriesInput,
  type EntriesResource,
  type Handed,
  handOverInput,
  jobInput,
  type JobListItem,
  type JobResource,
  type Problem,
  NAMELESS_SHOP,
  planInput,
  priceListInput,
  problemSchema,
  type RevisionResource,
  shopPricesSchema,
  type SheetListItem,
  type ShopResource,
  siteInput,
  type SiteResource,
  type UnitFound,
  unitInput,
  type UnitResource,
  type VisitResource,
} from './api/resources';
export { OPEN_AT_ONCE, type ParamsOf, pathOf, type RouteName, ROUTES } from './api/routes';
export { ACCESS, reachOf, rolesFor } from './api/access';
export {
  licenceFor,
  type LicenceHeld,
  type Role,
  ROLE_WORDS,
  ROLES,
  rolesWords,
} from './people/roles';
export { comesBack, standsProven } from './conditions/come-back';
export { type Discharge, dischargeOf, type LimitAhead } from './conditions/discharge';
export {
  type Energy,
  type EnergyKind,
  latestOf,
  type Lost,
  type MeterProof,
  openProof,
  type PairReading,
  passedUnder,
  waitUntil,
} from './conditions/energy';
export { lostWords, type NextSafe, nextSafe } from './conditions/next-safe';
export { findPair, type Pair, pairsOf, provingOf, type VoltsFunction } from './conditions/pairs';
export {
  bandsOf,
  bandWords,
  type Source,
  type SourceKind,
  sourceName,
  sourcesFor,
  supplyVolts,
} from './conditions/sources';
export { highestStored, joulesIn, storesOf } from './conditions/stores';
export {
  JOB_FILE,
  type JobFile,
  jobFile,
  jobFileSchema,
  type JobFilePhoto,
  photosNamed,
  tamperedIn,
} from './api/job-file';
export { type Coverage, coverageOf } from './shop/coverage';
export { numbersOf, type Offer, offersOf } from './shop/offers';
export { numberKey, type PriceRow } from './shop/price-row';
export { type PriceTable, priceTable, readPrices } from './shop/read-prices';
export { type Quote, quoteOf } from './decide/quote';
export { CoreError, InvalidInputError, UnknownReferenceError } from './errors';
export { findFormula, FORMULAS } from './formulas/catalogue/index';
export {
  answer,
  type Formula,
  type FormulaAnswer,
  type FormulaInput,
  type FormulaOutput,
  type FormulaRemark,
  type FormulaValues,
  type NumberInput,
  outputAt,
  pictureOf,
  type Quantity,
  startValues,
} from './formulas/formula';
export { AutoHold, HOLD, type HoldState } from './meter/auto-hold';
export { buzzerMisleads, roman, unfitFor } from './meter/fitness';
export { METER_FUNCTIONS, type MeterFunction, meterFunctionSchema } from './meter/functions';
export { accuracyAt, type MeterProfile, meterProfileSchema } from './meter/profile';
export {
  isReading,
  type MeterLine,
  MeterLines,
  mismatchWords,
  sameFunction,
  spoiledBy,
} from './meter/stream';
export { dice, seedOf } from './numeric/dice';
export {
  HISTORY_COLUMNS,
  type HistoryColumn,
  type HistoryRead,
  readHistory,
} from './history-text/read-history';
export { type PlaceList, readPlaces } from './places/read-list';
export { PLACE_COLUMNS, type PlaceColumn, type PlaceRow } from './places/row';
export {
  type Column,
  type ColumnMap,
  COLUMNS,
  matchColumns,
  splitTable,
  type Table,
} from './quick/columns';
export { HOUSE_TOLERANCE } from './quick/expected';
export { slug } from './quick/propose';
export { type QuickHead, quickSheet } from './quick/quick-sheet';
export { readRows, type RowProblem } from './quick/rows';
export { SUPPLY_SYSTEMS, type SupplySystem } from './quick/supply';
export { reportNumber } from './report/report-number';
export {
  buildReport,
  overruledWords,
  REPAIR_ITSELF,
  seriesWords,
  sourceWords,
} from './report/report';
export type { Report, ReportRow } from './report/report-schema';
export { unionOf } from './schema-words';
export { durationWords } from './units/duration';
export { hasWords, plainText, plainWords } from './units/plain-words';
export { parseEntry, type TypedEntry } from './units/entry';
export { sentence } from './units/sentence';
export { median } from './numeric/median';
export { formatQuantity, splitQuantity } from './units/format';
export { PREFIXES, type Unit, unitSymbol } from './units/units';
export type { SheetProblem } from './validation/problem';
