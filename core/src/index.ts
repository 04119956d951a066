/** The public surface of the core, by hand. Validation with Ajv is apart, under `/validate`. */
export * from './errors';
export * from './units/units';
export * from './units/format';
export { parseEntry, type Entry as TypedEntry, type EntryErrorCode } from './units/entry';
export { normalCdf } from './numeric/normal';
export * from './judge/expectation';
export * from './judge/judge';
export * from './judge/reading';
export * from './judge/words';
export * from './judge/given';
export * from './judge/purpose';
export {
  expectWords,
  limitProblem,
  outcomesOf,
  testExpectationSchema,
  type TestExpectation,
} from './judge/test-expectation';
export * from './judge/groups/index';
export * from './judge/uncertainty/errors';
export { unionOf } from './schema-words';
export type { Wanted } from './judge/series/series-kind';
export { seriesErrors } from './job/findings/judge-taken';
export { nameTerminals, type MotorTerminals } from './judge/groups/sum';
export { spreadOf, unbalancePercent } from './judge/groups/balance';
export type { GroupReading } from './judge/groups/readings';
export * from './judge/series/index';
export * from './judge/series/samples';
export { trackFromTable, type TrackTable } from './judge/series/from-table';
export { decayTime, fitDecay, type Decay } from './judge/series/decays';
export * from './numeric/propagate';
export * from './curves/schema';
export * from './curves/curve';
export type { Remedy } from './judge/remedy';
export * from './meter/functions';
export * from './meter/profile';
export * from './meter/fitness';
export * from './sheet/schema';
export * from './sheet/observables';
export * from './sheet/observable';
export * from './sheet/places';
export * from './sheet/lookup';
export * from './checks/check';
export * from './sheet/all-tests';
export * from './sheet/write';
export * from './sheet/codes/match';
export * from './diagnose/model';
export * from './diagnose/hypotheses';
export * from './diagnose/likelihood';
export * from './diagnose/belief';
export * from './diagnose/weights';
export * from './job/kinds/index';
export * from './job/kinds/said-of';
export { CONTACT_WORDS } from './job/kinds/contact';
export { ENDING_WORDS } from './job/kinds/decision';
export { photoPlace } from './job/kinds/photo';
export type { EntryPlace, RollGroup } from './job/kinds/kind';
export * from './job/log/entry';
export { readingSchema } from './job/log/words';
export * from './job/state/facts';
export * from './sheet/placement';
export { durationWords } from './units/duration';
export * from './job/trail/trail';
export { MOST_SAMPLES } from './judge/series/samples';
export {
  BETWEEN_PROOFS_MS,
  deadFor,
  latestOf,
  openProof,
  passedUnder,
  waitUntil,
  type Energy,
  type EnergyKind,
  type Lost,
  type MeterProof,
  type PairReading,
} from './conditions/energy';
export {
  findPair,
  pairAt,
  pairsFor,
  pairsOf,
  provingOf,
  type Pair,
  type PairStore,
  type VoltsFunction,
} from './conditions/pairs';
export type { StoreFinding } from './conditions/fast-store';
export { fastId, pairId } from './sheet/store-observables';
export { legsOf, onMains, proveGaps, type ProveGap } from './conditions/gaps';
export {
  lostWords,
  nextSafe,
  notDeadWords,
  pairWords,
  type NextSafe,
} from './conditions/next-safe';
export {
  bandsOf,
  bandWords,
  sourceName,
  sourceProblem,
  SOURCES,
  sourcesFor,
  supplyVolts,
  type Source,
  type SourceBand,
  type SourceKind,
} from './conditions/sources';
export { highestStored, joulesIn, storesOf, type Store } from './conditions/stores';
export { comesBack, standsProven, type VoltsSeen } from './conditions/come-back';
export { elapsed, type Moment } from './conditions/moment';
export * from './job/findings/instruments';
export { dischargeOf, limitsOfPair, type Discharge, type LimitAhead } from './conditions/discharge';
export { energises, shortsOf, type Short } from './job/findings/shorted';
export { accessOwedFor, leftOpen, plugsOf } from './job/state/access';
export { inLogOrder, sawEntry } from './job/log/log-order';
export * from './job/clocks/clocks';
export * from './job/state/windows';
export * from './job/findings/doubts';
export * from './job/findings/limits';
export * from './job/state/state';
export * from './job/fold/fold';
export { JobFold, inOneGo, type Mark } from './job/fold/job-fold';
export { admit, type RefusedEntry } from './job/admission/admit';
export { judgeTaken, type JudgedWith } from './job/findings/judge-taken';
export { CONTACT_OWED } from './job/findings/remarks';
export * from './job/admission/refusal';
export { dialRefusal, energyRefusal } from './job/admission/energy';
export * from './job/admission/refusal-of';
export * from './diagnose/assess';
export * from './diagnose/suspects';
export * from './job/findings/proof';
export { notProvenWords, type NotProven } from './diagnose/not-proven';
export * from './job/trail/steps';
export * from './job/trail/summary';
export * from './report/report';
export * from './report/report-schema';
export * from './api/routes';
export * from './api/operations';
export { openApiDocument } from './api/openapi';
export * from './api/resources';
export * from './formulas/refrigerants';
export * from './formulas/refrigeration';
export * from './formulas/electricity';
export * from './formulas/business';
export * from './formulas/formula';
export { findFormula, FORMULAS } from './formulas/catalogue/index';
export * from './sheet/compare';
export * from './sheet/search';
export * from './sheet/tables';
export { HOUSE_TOLERANCE, parseExpected, type ExpectedCell } from './quick/expected';
export {
  COLUMNS,
  matchColumns,
  splitTable,
  type Column,
  type ColumnMap,
  type Table,
} from './quick/columns';
export * from './quick/rows';
export { slug } from './quick/propose';
export * from './quick/quick-sheet';
export { SUPPLY_SYSTEMS, type QuickSupply, type SupplySystem } from './quick/supply';
export * from './meter/stream';
export * from './meter/auto-hold';
export * from './bench/errors';
export { circuitOf, type Circuit } from './bench/circuit';
export type { Element as CircuitElement } from './bench/elements/index';
export { readNetlist, MOST_ELEMENTS } from './bench/spice/read';
export { writeNetlist } from './bench/spice/write';
export { solveCircuit, type Solved } from './bench/solve';
export { changed } from './bench/changes';
export { dice, draw, seedOf } from './numeric/dice';
export { BENCH_METER } from './bench/meter/bench-meter';
export { instrument, type Deviation } from './bench/meter/indicate';
export { measure } from './bench/meter/measure';
export type { Hazard, Indication } from './bench/meter/shown';
export { track, type Update } from './bench/meter/track';
export * from './bench/machine/machine';
export { readSpecimen, type BenchOutcomes } from './bench/machine/outcomes';
export { benchDisagreements, type Disagreement } from './bench/machine/agreement';
export * from './bench/machine/probe-machine';
export * from './bench/machine/hidden-fault';
export * from './bench/machine/dictionary';
