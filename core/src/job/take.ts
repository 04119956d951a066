/** From an entry to what was taken: its test, its verdict, and whether it stands as it was read. */
import { isolationReason, parallelCouldExplain } from '../judge/isolation';
import { judgeSeries } from '../judge/series/rules';
import { isSeries } from '../judge/test-expectation';
import { METER_FUNCTIONS } from '../meter/functions';
import { expectOf, functionOf } from '../sheet/all-tests';
import { findAccess, findPoint, findTest } from '../sheet/lookup';
import { observableId } from '../sheet/observables';
import { isMeasured, type MeasureTest, type Sheet } from '../sheet/schema';
import type { Draft } from './draft';
import type { EntryOf } from './entries';
import { judgeTaken, seriesUncertainty } from './judge-taken';
import type { Standing, Taken } from './state';
import { lateReason } from './windows';

/** @returns undefined for a reading whose test or point the sheet lacks. */
export function take(
  draft: Draft,
  entry: EntryOf<'reading'> | EntryOf<'series'> | EntryOf<'answer'>,
  sheet: Sheet,
): Taken | undefined {
  const test = findTest(sheet, entry.body.test);
  if (!test) return undefined;
  const common = {
    entry: entry.id,
    at: entry.at,
    author: entry.author,
    // A series is kept after its last figure, when its test mode may well have ended.
    standing:
      entry.kind === 'series' ? { kind: 'counts' as const } : standingAt(draft, test.state, entry),
    agreeing: 0,
  };
  if (entry.kind === 'answer') {
    if (isMeasured(test)) return undefined;
    const outcome = test.answers[entry.body.answer];
    if (outcome === undefined) return undefined;
    const { answer } = entry.body;
    return { ...common, kind: 'answer', observable: test.id, test, answer, outcome };
  }
  const point = findPoint(test, entry.body.point);
  if (!isMeasured(test) || !point) return undefined;
  const observable = observableId(test, point.id);
  if (entry.kind === 'series') {
    const expect = expectOf(test, point);
    if (!isSeries(expect)) return undefined;
    const { samples, event } = entry.body;
    const series = { samples, ...(event !== undefined && { event }) };
    const u = seriesUncertainty(sheet, test, point, series, draft.meters);
    return {
      ...common,
      kind: 'series',
      observable,
      test,
      point,
      series,
      judgement: judgeSeries(expect, series, u),
    };
  }
  const { reading, typed, contact } = entry.body;
  const given = draft.given.get(test.id);
  const lead = draft.lead ?? draft.meter?.lead;
  const judgement = judgeTaken(sheet, test, point, reading, { meters: draft.meters, lead, given });
  if (!judgement) return undefined;
  const owed = test.isolated ? pluggedIn(draft.access, test, sheet) : [];
  const standing: Standing =
    owed.length > 0 && parallelCouldExplain(judgement)
      ? { kind: 'void', because: isolationReason(owed) }
      : common.standing;
  // Nothing is touched where clicks are counted or a display is read.
  const touches = METER_FUNCTIONS[functionOf(test, point)].placing !== 'none';
  return {
    ...common,
    standing,
    kind: 'reading',
    observable,
    test,
    point,
    reading,
    typed,
    judgement: contact || !touches ? { ...judgement, contactOwed: false } : judgement,
    ...(contact && { contact: 'unspecified' as const }),
    ...(lead && { lead }),
    ...(given !== undefined && { given }),
  };
}

/** Whether the state it belongs to still ran when it was taken. */
function standingAt(
  draft: Draft,
  state: string,
  { at }: EntryOf<'reading'> | EntryOf<'answer'>,
): Standing {
  const because = lateReason(draft.spells.get(state), Date.parse(at));
  return because === undefined ? { kind: 'counts' } : { kind: 'void', because };
}

/** Plugs that this test wants out and that nobody has recorded as out, by name. */
function pluggedIn(access: ReadonlySet<string>, test: MeasureTest, sheet: Sheet): string[] {
  return (test.access ?? []).flatMap((id) => {
    const known = findAccess(sheet, id);
    return known?.energy === 'dead' && !access.has(id) ? [known.name ?? id] : [];
  });
}
