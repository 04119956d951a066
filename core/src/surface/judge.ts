/** Judging readings, several of them together, and series: `@jeitinho/core/judge`. */
export { type Expectation, expectationSchema, type Limits, limitsOf } from '../judge/expectation';
export { askedBy, asTemperature } from '../judge/given';
export { givenWords, parseGiven } from '../judge/given-words';
export { judgeTogether, pointsOf, ruleTitle, togetherSchema } from '../judge/groups/index';
export { judge, type Judgement, type Verdict } from '../judge/judge';
export { judgePurposes } from '../judge/purpose';
export { type Figure, type Reading } from '../judge/reading';
export { toneWords } from '../judge/tone';
export { typedReading } from '../judge/typed-reading';
export { trackFromTable, type TrackTable } from '../judge/series/from-table';
export {
  driverOf,
  eventOf,
  isSeries,
  judgeSeries,
  secondsOf,
  type SeriesExpectation,
  seriesSchemas,
  wantedOf,
} from '../judge/series/index';
export { MOST_SAMPLES, OVER_OHMS, type Sample, type Series } from '../judge/series/samples';
export type { Wanted } from '../judge/series/series-kind';
export { ruleLimitWords } from '../judge/groups/limit-words';
export { expectWords } from '../judge/test-expectation';
export { evenErrors } from '../judge/uncertainty/errors';
export { bandWords, limitWords, outcomeWords, verdictWords } from '../judge/words';
export { readingWords } from '../judge/reading-words';
