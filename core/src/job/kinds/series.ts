import { Type } from '@sinclair/typebox';
import { wantsOf } from '../../conditions/wants';
import type { Judgement } from '../../judge/judge';
import type { Reading } from '../../judge/reading';
import { judgeSeries } from '../../judge/series/index';
import { MOST_SAMPLES } from '../../judge/series/samples';
import { isSeries } from '../../judge/test-expectation';
import type { ErrorsAt } from '../../judge/uncertainty/errors';
import { METER_FUNCTIONS, meterFunctionSchema } from '../../meter/functions';
import { expectOf, functionOf } from '../../sheet/all-tests';
import { findTest } from '../../sheet/lookup';
import { observableId } from '../../sheet/observables';
import type { Sheet } from '../../sheet/schema';
import { figureRefusal } from '../admission/figure';
import { refuse, type Refusal } from '../admission/refusal';
import { seriesErrors } from '../findings/judge-taken';
import { keepTaken } from '../findings/keep-taken';
import { findPlace, placeFor } from '../findings/place-of';
import { takenAs } from '../findings/taken-common';
import { Id, strict } from '../log/words';
import { seeTestVolts } from '../proving/see-volts';
import type { Draft } from '../state/draft';
import type { TakenSeries } from '../state/state';
import { defineKind, type EntryIn } from './kind';

const body = strict({
  test: Id,
  point: Id,
  function: meterFunctionSchema,
  samples: Type.Array(
    strict({
      t: Type.Number({ minimum: 0, maximum: 1e6 }),
      value: Type.Number({ minimum: -1e15, maximum: 1e15 }),
      driver: Type.Optional(Type.Number({ minimum: -1e9, maximum: 1e9 })),
    }),
    { minItems: 1, maxItems: MOST_SAMPLES },
  ),
  /** Seconds at which the event of the rule was marked. */
  event: Type.Optional(Type.Number({ minimum: 0, maximum: 1e6 })),
  /** Read by the simulated meter, off a machine that is none. */
  simulated: Type.Optional(Type.Literal(true)),
});
type SeriesEntry = EntryIn<'series', typeof body>;

/** Readings of one point over time. */
export const series = defineKind({
  kind: 'series',
  body,
  group: 'findings',
  admit(at): Refusal | undefined {
    const { sheet, entry } = at;
    const place = placeFor(sheet, entry.body);
    if ('code' in place) return place;
    const { test, point } = place;
    if (!isSeries(expectOf(test, point)))
      return refuse('not-a-series', `“${test.title}” wants one figure, not a series.`);
    let before = 0;
    for (const { t } of entry.body.samples) {
      if (t < before)
        return refuse('not-in-order', 'The figures of a series must stand in the order of time.');
      before = t;
    }
    const seconds = entry.body.samples.at(-1)?.t ?? 0;
    return figureRefusal(at, place, { seconds, at: entry.at });
  },
  apply(draft, entry, sheet) {
    seeTestVolts(draft, entry, sheet, () => largest(entry));
    const taken = take(draft, entry, sheet);
    if (taken) keepTaken(draft, taken);
  },
  /** What was taken back may have been seen all the same. */
  applyWithdrawn(draft, entry, sheet) {
    seeTestVolts(draft, entry, sheet, () => largest(entry));
    const taken = take(draft, entry, sheet);
    if (taken) keepTaken(draft, { ...taken, standing: { kind: 'withdrawn' } });
  },
  words: ({ test, samples }, sheet) =>
    `${findTest(sheet, test)?.title ?? 'Series'}: ${samples.length} figures in ${Math.round(samples.at(-1)?.t ?? 0)} s`,
  place({ test, point }, sheet) {
    const found = findPlace(sheet, { test, point });
    return found && { stage: 'measure', observable: observableId(found.test, point) };
  },
  columns: ({ test, point }) => ({ test, point }),
});

const largest = ({ body: { samples } }: SeriesEntry): Reading => ({
  kind: 'value',
  value: Math.max(...samples.map(({ value }) => Math.abs(value))),
});

/** @returns undefined where the sheet wants no series there. */
function take(draft: Draft, entry: SeriesEntry, sheet: Sheet): TakenSeries | undefined {
  const place = findPlace(sheet, entry.body);
  const expect = place && expectOf(place.test, place.point);
  if (!expect || !isSeries(expect)) return undefined;
  const { test, point } = place;
  const { samples, event } = entry.body;
  const taken = { samples, ...(event !== undefined && { event }) };
  const errors = seriesErrors(sheet, test, point, draft.meters);
  const judgement = judgeSeries(expect, taken, errors);
  const touches =
    METER_FUNCTIONS[functionOf(test, point)].placing !== 'none' &&
    wantsOf(sheet, test, point).contact !== 'never';
  return {
    ...takenAs(
      draft,
      sheet,
      { test, point, entry, seconds: samples.at(-1)?.t ?? 0 },
      {
        bad: judgement.verdict === 'out',
      },
    ),
    kind: 'series',
    observable: observableId(test, point.id),
    test,
    point,
    series: taken,
    ...(entry.body.simulated && { simulated: true as const }),
    judgement: { ...judgement, contactOwed: touches && owesTouch(judgement, samples, errors) },
  };
}

/** A track that lies flat at nothing is what a probe on paint shows: it owes what a single 0 owes. */
function owesTouch(
  judgement: Judgement,
  samples: SeriesEntry['body']['samples'],
  errors: ErrorsAt,
): boolean {
  if (judgement.verdict === 'in') return false;
  const { gain, counts } = errors(0);
  const nothing = Math.max(1e-9, gain + counts);
  return samples.every(({ value }) => Math.abs(value) <= nothing);
}
