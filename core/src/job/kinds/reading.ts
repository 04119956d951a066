import { Type } from '@sinclair/typebox';
import { wantsOf, type Wants } from '../../conditions/wants';
import type { Judgement } from '../../judge/judge';
import { isTone, type Reading } from '../../judge/reading';
import { readingWords } from '../../judge/reading-words';
import { isSeries } from '../../judge/test-expectation';
import { METER_FUNCTIONS, meterFunctionSchema } from '../../meter/functions';
import { expectOf, functionOf } from '../../sheet/all-tests';
import { observableId } from '../../sheet/observables';
import { otherEnd, placementWords } from '../../sheet/placement';
import type { Sheet } from '../../sheet/schema';
import { figureRefusal } from '../admission/figure';
import { refuse, type Refusal } from '../admission/refusal';
import { judgeTaken } from '../findings/judge-taken';
import { ofPoint, stillAsked } from '../findings/limits';
import { keepTaken } from '../findings/keep-taken';
import { findPlace, placeFor } from '../findings/place-of';
import { takenAs } from '../findings/taken-common';
import { Id, readingSchema, strict, Typed } from '../log/words';
import { seeTestVolts } from '../proving/see-volts';
import type { Draft } from '../state/draft';
import type { TakenReading } from '../state/state';
import { twinFigure } from '../work/twins';
import { SPECIMEN_WORDS, specimenSchema } from '../work/specimen';
import { insulationSchema } from '../findings/insulation';
import { defineKind, type EntryIn } from './kind';

const body = strict({
  test: Id,
  point: Id,
  function: meterFunctionSchema,
  reading: readingSchema,
  typed: Typed,
  /** Contact was proven: leads touched, scraped to metal, a second point, a known source. */
  contact: Type.Optional(Type.Literal(true)),
  /** Of insulation: the volts it was driven with, for how long, how warm it was. */
  insulation: Type.Optional(insulationSchema),
  /** Read by the simulated meter, off a machine that is none. */
  simulated: Type.Optional(Type.Literal(true)),
  /** The black probe lay on the other place that does as well. */
  or: Type.Optional(Type.Literal(true)),
  /** Of which thing it is, where it is not this machine. */
  specimen: Type.Optional(specimenSchema),
});
type ReadingEntry = EntryIn<'reading', typeof body>;

/** One figure at one placement of the leads. */
export const reading = defineKind({
  kind: 'reading',
  body,
  group: 'findings',
  admit(at): Refusal | undefined {
    const { sheet, state, entry } = at;
    const place = placeFor(sheet, entry.body);
    if ('code' in place) return place;
    const { test, point } = place;
    const figure = entry.body.reading;
    if (entry.body.or && point.or === undefined)
      return refuse('unknown-place', `“${test.title}” names no other place for the black probe.`);
    const { words, signed } = METER_FUNCTIONS[functionOf(test, point)];
    if (figure.kind === 'value' && figure.value < 0 && !signed)
      return refuse(
        'negative-reading',
        `A meter on ${words} shows nothing below zero. Check the figure.`,
      );
    if (isTone(figure) && functionOf(test, point) !== 'continuity')
      return refuse('not-a-tone', `Nothing sounds on ${words}: a tone belongs to continuity.`);
    const expect = expectOf(test, point);
    if (isSeries(expect))
      return refuse(
        'not-a-series',
        `“${test.title}” wants a series of figures over time, not one.`,
      );
    const asked = stillAsked(state, test, point, Date.parse(entry.at));
    if (asked)
      return refuse(
        'given-owed',
        asked.stale
          ? `${asked.asks}: that figure is older than ten minutes. Read it again; the limits hang on it.`
          : `First: ${asked.asks}. The limits of this test hang on it.`,
      );
    const elsewhere = entry.body.specimen !== undefined;
    return figureRefusal(at, place, { given: ofPoint(state.given, test, point), elsewhere });
  },
  apply(draft, entry, sheet) {
    const { specimen } = entry.body;
    if (specimen) {
      const other = take(draft, entry, sheet);
      if (other) draft.compared.push({ ...other, standing: { kind: 'counts' }, specimen });
      return;
    }
    seeTestVolts(draft, entry, sheet, () => entry.body.reading);
    const taken = take(draft, entry, sheet);
    if (taken) keepTaken(draft, taken);
  },
  /** What was typed and taken back may have been seen all the same: the proof does not come back with it. */
  applyWithdrawn(draft, entry, sheet) {
    if (entry.body.specimen) return;
    seeTestVolts(draft, entry, sheet, () => entry.body.reading);
    const taken = take(draft, entry, sheet);
    if (taken) keepTaken(draft, { ...taken, standing: { kind: 'withdrawn' } });
  },
  words({ test, point, reading: figure, specimen, simulated, or }, sheet) {
    const place = findPlace(sheet, { test, point });
    if (!place) return 'Reading of an unknown test';
    const { unit } = expectOf(place.test, place.point);
    const of = specimen ? ` Of ${SPECIMEN_WORDS[specimen.kind]}.` : '';
    return `${place.test.title}: ${readingWords(figure, unit)}. ${placementWords(sheet, or ? otherEnd(place.point) : place.point)}${of}${simulated ? ' Simulated.' : ''}`;
  },
  place({ test, point }, sheet) {
    const found = findPlace(sheet, { test, point });
    return found && { stage: 'measure', observable: observableId(found.test, point) };
  },
  columns: ({ test, point, reading: figure }) => ({
    test,
    point,
    value: figure.kind === 'value' ? figure.value : null,
  }),
});

/** @returns undefined for a reading that cannot be judged: unknown to the sheet, or its label is missing. */
function take(draft: Draft, entry: ReadingEntry, sheet: Sheet): TakenReading | undefined {
  const place = findPlace(sheet, entry.body);
  if (!place) return undefined;
  const { test, point } = place;
  const { reading: figure, typed, contact, insulation, simulated } = entry.body;
  const given = ofPoint(draft.given, test, point);
  const lead = draft.lead ?? draft.meter?.lead;
  const observable = observableId(test, point.id);
  const twin = twinFigure(draft, observable);
  const judgement = judgeTaken(sheet, test, point, figure, {
    meters: draft.meters,
    lead,
    given,
    insulation,
    // The twin itself is judged by what the sheet says.
    ...(!entry.body.specimen && { twin }),
  });
  if (!judgement) return undefined;
  // Nothing is touched where clicks are counted or a display is read.
  const touches = METER_FUNCTIONS[functionOf(test, point)].placing !== 'none';
  const { contact: wants } = wantsOf(sheet, test, point);
  return {
    ...takenAs(draft, sheet, { test, point, entry }, { judgement }),
    kind: 'reading',
    observable,
    test,
    point: entry.body.or ? otherEnd(point) : point,
    reading: figure,
    typed,
    judgement: {
      ...judgement,
      contactOwed: !contact && touches && owesTouch(judgement, figure, wants),
    },
    ...(contact && { contact: 'unspecified' as const }),
    ...(lead && { lead }),
    ...(insulation && { insulation }),
    ...(simulated && { simulated }),
    ...(given !== undefined && { given }),
  };
}

/** Whether an absence that accuses, or one that clears, still wants its contact proven. */
function owesTouch(judgement: Judgement, figure: Reading, wants: Wants['contact']): boolean {
  if (wants === 'never') return false;
  if (wants === 'absence' || judgement.verdict !== 'in') return judgement.contactOwed;
  // A tone is there; silence, OL and 0 are what a lost contact shows as well.
  return figure.kind === 'value' ? figure.value === 0 : figure.kind !== 'tone';
}
