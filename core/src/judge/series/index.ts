/** Everything a sheet may expect of a series of readings. What is said of all follows from this list. */
import type { Static } from '@sinclair/typebox';
import type { Judgement } from '../judge';
import { exactly, type ErrorsAt } from '../uncertainty/errors';
import { actsAt } from './acts-at';
import { decays } from './decays';
import { flexed } from './flexed';
import { follows } from './follows';
import { holds } from './holds';
import { pattern } from './pattern';
import { peak } from './peak';
import { pulses } from './pulses';
import type { Series } from './samples';
import { writingIn, type AnySeries, type Wanted } from './series-kind';
import { starts } from './starts';
import { steady } from './steady';
import { step } from './step';
import { falls, rises } from './trend';
import { within } from './within';

const SERIES = [
  steady,
  decays,
  rises,
  falls,
  holds,
  pulses,
  step,
  follows,
  actsAt,
  within,
  starts,
  peak,
  flexed,
  pattern,
] as const;

export const seriesSchemas = SERIES.map(({ schema }) => schema);
export type SeriesExpectation = Static<(typeof SERIES)[number]['schema']>;

const byKind: ReadonlyMap<string, AnySeries> = new Map(
  SERIES.map((series): [string, AnySeries] => [series.kind, series]),
);

function definitionOf({ kind }: SeriesExpectation): AnySeries {
  const known = byKind.get(kind);
  if (!known) throw new TypeError(`unknown series “${kind}”`);
  return known;
}

export const isSeries = <T extends { kind: string }>(
  expect: T,
): expect is Extract<T, SeriesExpectation> => byKind.has(expect.kind);

/** What a series can yield, `ok` first. */
export const seriesOutcomes = (expect: SeriesExpectation): readonly string[] =>
  definitionOf(expect).outcomes(expect);

/** In words, for tables and papers: `steady within 0.1 V for 10 s`. */
export const seriesExpectWords = (expect: SeriesExpectation): string =>
  definitionOf(expect).words(expect, writingIn(expect.unit));

/** The event that must be marked while recording; undefined where there is none. */
export const eventOf = (expect: SeriesExpectation): string | undefined =>
  'event' in expect ? expect.event : undefined;

/** The driver that goes with each figure; undefined where there is none. */
export const driverOf = (expect: SeriesExpectation): string | undefined =>
  'driver' in expect ? expect.driver : undefined;

/** Seconds that a series must cover to be judged; 0 where no time is stated. */
export const secondsOf = (expect: SeriesExpectation): number =>
  definitionOf(expect).seconds(expect);

/** What is wanted of a series, as bands over its track; nothing for what is about change only. */
export const wantedOf = (expect: SeriesExpectation, series: Series): readonly Wanted[] =>
  definitionOf(expect).wanted?.(expect, series) ?? [];

/** A pair of limits that is turned round, in words; undefined for sound ones. */
export function seriesProblem(expect: SeriesExpectation): string | undefined {
  const bad = definitionOf(expect)
    .limits?.(expect)
    .find(([low, high]) => !(low <= high));
  return bad && `the lower limit ${bad[0]} is not below the upper ${bad[1]}`;
}

/**
 * Judge a series.
 * @param errors - How far one of its figures may be off; exact where absent.
 */
export const judgeSeries = (
  expect: SeriesExpectation,
  series: Series,
  errors: ErrorsAt = exactly,
): Judgement => definitionOf(expect).judge(expect, series, errors);
