/** What a sheet may expect of a series of readings, its schema and its dispatch. */
import { Type, type Static } from '@sinclair/typebox';
import { words } from '../../schema-words';
import type { Unit } from '../../units/units';
import { unitSchema } from '../expectation';
import type { Judgement } from '../judge';
import { ACTS_AT_OUTCOMES, judgeActsAt } from './acts-at';
import { DECAYS_OUTCOMES, judgeDecays } from './decays';
import { FLEXED_OUTCOMES, judgeFlexed } from './flexed';
import { FOLLOWS_OUTCOMES, judgeFollows } from './follows';
import { HOLDS_OUTCOMES, judgeHolds } from './holds';
import { judgePattern, patternOutcomes, PATTERNS } from './pattern';
import { judgePulses, PULSES_OUTCOMES } from './pulses';
import type { Series } from './samples';
import { judgeSteady, STEADY_OUTCOMES } from './steady';
import { judgeStep, STEP_OUTCOMES } from './step';
import { judgeTrend, TREND_OUTCOMES } from './trend';
import { judgeWithin, WITHIN_OUTCOMES } from './within';

const seconds = Type.Number({ exclusiveMinimum: 0, maximum: 86_400 });
const positive = Type.Number({ exclusiveMinimum: 0 });
const event = Type.String({ minLength: 1, maxLength: 200 });
const pair = Type.Tuple([Type.Number(), Type.Number()]);
const unit = { unit: unitSchema };
const optional = Type.Optional(Type.Number());

export const seriesSchema = Type.Union([
  Type.Object({ kind: Type.Literal('steady'), spread: positive, seconds, ...unit }),
  Type.Object({ kind: Type.Literal('decays'), below: positive, seconds, ...unit }),
  Type.Object({
    kind: Type.Literal('rises'),
    by: positive,
    seconds,
    share: Type.Optional(Type.Number({ minimum: 0, maximum: 1 })),
    ...unit,
  }),
  Type.Object({
    kind: Type.Literal('falls'),
    by: positive,
    seconds,
    share: Type.Optional(Type.Number({ minimum: 0, maximum: 1 })),
    ...unit,
  }),
  Type.Object({
    kind: Type.Literal('holds'),
    low: Type.Number(),
    high: Type.Number(),
    seconds,
    ...unit,
  }),
  Type.Object({
    kind: Type.Literal('pulses'),
    threshold: Type.Number(),
    seconds,
    count: Type.Optional(pair),
    period: Type.Optional(pair),
    ...unit,
  }),
  Type.Object({ kind: Type.Literal('step'), event, before: pair, after: pair, ...unit }),
  Type.Object({
    kind: Type.Literal('follows'),
    driver: Type.String({ minLength: 1, maxLength: 80 }),
    least: Type.Optional(Type.Number({ minimum: -1, maximum: 1 })),
    low: optional,
    high: optional,
    ...unit,
  }),
  Type.Object({
    kind: Type.Literal('acts-at'),
    event,
    low: Type.Number(),
    high: Type.Number(),
    ...unit,
  }),
  Type.Object({
    kind: Type.Literal('within'),
    event,
    level: Type.Number(),
    side: words(['above', 'below']),
    after: pair,
    ...unit,
  }),
  Type.Object({
    kind: Type.Literal('flexed'),
    low: optional,
    high: optional,
    spread: positive,
    ...unit,
  }),
  Type.Object({
    kind: Type.Literal('pattern'),
    is: words(PATTERNS),
    seconds,
    ...unit,
  }),
]);
export type SeriesExpectation = Static<typeof seriesSchema>;

const SERIES_KINDS: ReadonlySet<string> = new Set([
  'steady',
  'decays',
  'rises',
  'falls',
  'holds',
  'pulses',
  'step',
  'follows',
  'acts-at',
  'within',
  'flexed',
  'pattern',
] satisfies SeriesExpectation['kind'][]);

export function isSeries<T extends { kind: string }>(
  expect: T,
): expect is Extract<T, SeriesExpectation> {
  return SERIES_KINDS.has(expect.kind);
}

/** What a series can yield, `ok` first. */
export function seriesOutcomes(expect: SeriesExpectation): readonly string[] {
  switch (expect.kind) {
    case 'steady':
      return STEADY_OUTCOMES;
    case 'decays':
      return DECAYS_OUTCOMES;
    case 'rises':
    case 'falls':
      return TREND_OUTCOMES;
    case 'holds':
      return HOLDS_OUTCOMES;
    case 'pulses':
      return PULSES_OUTCOMES;
    case 'step':
      return STEP_OUTCOMES;
    case 'follows':
      return FOLLOWS_OUTCOMES;
    case 'acts-at':
      return ACTS_AT_OUTCOMES;
    case 'within':
      return WITHIN_OUTCOMES;
    case 'flexed':
      return FLEXED_OUTCOMES;
    case 'pattern':
      return patternOutcomes(expect);
    default:
      expect satisfies never;
      return ['ok'];
  }
}

/** The event that must be marked while recording; undefined where there is none. */
export const eventOf = (expect: SeriesExpectation): string | undefined =>
  'event' in expect ? expect.event : undefined;

/** The driver that goes with each figure; undefined where there is none. */
export const driverOf = (expect: SeriesExpectation): string | undefined =>
  expect.kind === 'follows' ? expect.driver : undefined;

/** Seconds that a series must cover to be judged; 0 where no time is stated. */
export const secondsOf = (expect: SeriesExpectation): number =>
  'seconds' in expect ? expect.seconds : expect.kind === 'within' ? expect.after[1] : 0;

/**
 * Judge a series.
 * @param u - Standard uncertainty of one of its figures, in the unit of the series.
 */
export function judgeSeries(expect: SeriesExpectation, series: Series, u = 0): Judgement {
  switch (expect.kind) {
    case 'steady':
      return judgeSteady(expect, series, u);
    case 'decays':
      return judgeDecays(expect, series, u);
    case 'rises':
    case 'falls':
      return judgeTrend(expect, series, u);
    case 'holds':
      return judgeHolds(expect, series, u);
    case 'pulses':
      return judgePulses(expect, series);
    case 'step':
      return judgeStep(expect, series, u);
    case 'follows':
      return judgeFollows(expect, series, u);
    case 'acts-at':
      return judgeActsAt(expect, series, u);
    case 'within':
      return judgeWithin(expect, series);
    case 'flexed':
      return judgeFlexed(expect, series, u);
    case 'pattern':
      return judgePattern(expect, series);
    default:
      expect satisfies never;
      throw new TypeError(`unknown series “${(expect as { kind: string }).kind}”`);
  }
}

/** Unit and name of what is recorded, for the card. */
export const seriesUnit = (expect: SeriesExpectation): Unit => expect.unit;
