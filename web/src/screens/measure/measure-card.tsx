/** Board, placement, entry, limit band and the answer. */
import {
  formatQuantity,
  METER_FUNCTIONS,
  splitQuantity,
  unitSymbol,
  type MeterLine,
} from '@jeitinho/core';
import { limitsAt, stillAsked, type JobState, type TakenReading } from '@jeitinho/core/job';
import { readingWords } from '@jeitinho/core/judge';
import {
  expectOf,
  functionOf,
  observableId,
  onPathWords,
  pathsAt,
  placementWords,
  locate,
  placeName,
  placeDetail,
  sideOf,
  type MeasureTest,
  type Sheet,
  type TestPoint,
} from '@jeitinho/core/sheet';
import { useEffect, useRef } from 'react';
import { useNow } from '../../data/now';
import { BoardDrawing } from '../../parts/board/board-drawing';
import { LimitBand, type BandMark } from '../../parts/limit-band';
import { digitsOf } from '../../parts/meter/meter-digits';
import { MeterStrip } from '../../parts/meter/meter-strip';
import { useTypeAnywhere } from '../../parts/type-anywhere';
import { FigureKeys } from './figure-keys';
import { GivenField } from './given-field';
import { GroupVerdicts } from './group-verdicts';
import { useJob } from '../job/job-context';
import { Answer } from './answer';
import { CountPad } from './count-pad';
import { InsulationFields } from './insulation-fields';
import { Paths } from './paths';
import { PinsElsewhere } from './pins-elsewhere';
import { PhaseStrip } from './phase-strip';
import type { Remark } from './remark-dialogs';
import { SizeAsk, type SizeAskProps } from './size-ask';
import { PointTable } from './point-table';
import { readingAt } from './told';
import type { MeterInHand } from './use-meter';
import { ComparedLines, SpecimenBelow, type SpecimenInHand } from './specimen';
import type { EndInHand } from './other-end';
import type { ReadingEntry } from './use-reading';

export interface MeasureCardProps {
  readonly test: MeasureTest;
  readonly pointId: string;
  readonly end: EndInHand;
  readonly reading: ReadingEntry;
  readonly blocked: boolean;
  /** Not yet taken, or being taken again: no old figure in the field. */
  readonly repeating: boolean;
  readonly onPick: (observable: string) => void;
  /** Asked before the typed figure is kept: the same with another prefix. */
  readonly sizing: SizeAskProps | undefined;
  readonly onRemark: (remark: Remark, taken: TakenReading) => void;
  readonly onRepeat: (observable: string) => void;
  readonly onPaste: (text: string) => void;
  readonly meter: MeterInHand;
  readonly other: SpecimenInHand;
}

export function MeasureCard({
  test,
  pointId,
  end,
  reading,
  blocked,
  repeating,
  onPick,
  sizing,
  onRemark,
  onRepeat,
  onPaste,
  meter,
  other,
}: MeasureCardProps) {
  const { job, sheet, state } = useJob();
  const listed = test.points.find((each) => each.id === pointId)!;
  const point = end.point.id === pointId ? end.point : listed;
  const taken = readingAt(state, test, point);
  const shown = repeating ? undefined : taken;
  const limits = limitsAt(sheet, state, test, point);
  const now = useNow(30_000);
  const asked = stillAsked(state, test, point, now);
  const counts = functionOf(test, point) === 'count';
  const paths = { point, observable: observableId(test, pointId), onPick };
  return (
    <>
      <PhaseStrip test={test} point={point} />
      <Paths {...paths} where="above" />
      <div
        className={`grid gap-x-5 gap-y-2 ${point.red === undefined ? 'max-w-2xl' : 'lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]'}`}
      >
        {!counts && (
          <BoardDrawing
            sheet={sheet}
            red={point.red}
            black={point.black}
            known={(ref) => knownThere(sheet, state, ref)}
          />
        )}
        <div className="min-w-0">
          {!counts && <Placement point={point} />}
          <PointNotes test={test} point={point} end={end} />
          <PinsElsewhere test={test} point={point} blocked={blocked} where="above" />
          {!blocked && <GivenField test={test} point={point} stale={asked?.stale ?? false} />}
          {!blocked && !asked && (
            <Field
              test={test}
              point={point}
              reading={reading}
              shown={shown}
              live={shown ? undefined : meter.offered}
              onPaste={onPaste}
            />
          )}
          {!blocked && counts && !shown && <CountPad reading={reading} />}
          {sizing && <SizeAsk {...sizing} />}
          {/* The verdict stands right under the digits: it is what one looks for after them. */}
          {!blocked && !asked && (
            <Answer
              test={test}
              point={point}
              shown={shown}
              reading={reading}
              onRemark={onRemark}
              onRepeat={onRepeat}
            />
          )}
          {limits && !counts && (
            <LimitBand
              expect={limits}
              marks={marksOf(test, listed, state, reading, shown ? undefined : meter.offered)}
            />
          )}
          {!blocked && !asked && !shown && !counts && (
            <FigureKeys test={test} point={point} reading={reading} />
          )}
          {!blocked && functionOf(test, point) === 'insulation' && (
            <InsulationFields {...reading.insulation} />
          )}
          {!blocked && !counts && meter.wanted && (
            <MeterStrip
              job={job.id}
              bench={job.bench}
              wanted={meter.wanted}
              touch="Touch the points"
              hold={meter.hold}
              holding
            />
          )}
        </div>
      </div>
      <PinsElsewhere test={test} point={point} blocked={blocked} where="below" />
      <ComparedLines test={test} point={point} />
      {!blocked && <SpecimenBelow {...other} />}
      <GroupVerdicts test={test} />
      <Paths {...paths} where="below" />
      {test.points.length > 1 && <PointTable test={test} current={point} onPick={onPick} />}
    </>
  );
}

/** What is known of a place: the paths that it is on, and what was read there. */
const knownThere = (sheet: Sheet, state: JobState, ref: string): string | undefined =>
  [...pathsAt(sheet, ref).map(onPathWords), readThere(sheet, state, ref)]
    .filter((each) => each !== undefined)
    .join('; ') || undefined;

/** What was read at a place, newest last: for the one who touches its pin in the drawing. */
export function readThere(sheet: Sheet, state: JobState, ref: string): string | undefined {
  const figures = [...state.current.values()].flatMap((taken) => {
    if (taken.kind !== 'reading' || (taken.point.red !== ref && taken.point.black !== ref))
      return [];
    const { reading, judgement, test, point } = taken;
    const other = taken.point.red === ref ? taken.point.black : taken.point.red;
    const place = other === undefined ? undefined : locate(sheet, other);
    const against = place ? ` against ${placeName(place)}` : '';
    const figure = readingWords(reading, expectOf(test, point).unit, judgement.corrected);
    return [`read ${figure}${against}`];
  });
  return figures.length > 0 ? figures.join('; ') : undefined;
}

function Placement({ point }: { point: TestPoint }) {
  const { sheet } = useJob();
  const [first, black] = placementWords(sheet, point).split(', black');
  const details = [point.red, point.black].map((ref) => {
    const place = ref === undefined ? undefined : locate(sheet, ref);
    return place && placeDetail(place);
  });
  return (
    <>
      <p className="m-0 text-[20px] font-bold max-lg:text-[18px]">
        {black === undefined ? (
          `${point.name ?? first}${point.red === undefined ? '' : `. ${first}`}`
        ) : (
          <>
            <span className="text-brick">{first}</span>, black{black}
          </>
        )}
      </p>
      {black !== undefined && details.some(Boolean) && (
        <p className="m-0 text-[14px] text-soft">
          red: {details[0] ?? 'bare point'} · black: {details[1] ?? 'bare point'}
        </p>
      )}
    </>
  );
}

/** How to hold it, the other place that does as well, what it usually reads, the range to set by hand. */
function PointNotes({ test, point, end }: { test: MeasureTest; point: TestPoint; end: EndInHand }) {
  const { sheet } = useJob();
  const { hold, typical, range } = point;
  const { unit } = expectOf(test, point);
  const place = (ref: string | undefined) => (ref === undefined ? undefined : locate(sheet, ref));
  const hot = [place(point.red), place(point.black)].some((each) => each && sideOf(each) === 'hot');
  const other = place(end.other ? test.points.find(({ id }) => id === point.id)?.black : point.or);
  const notes = [
    hot && 'Hot side: it hangs on the mains. Its own common, and no other.',
    range !== undefined && `Set the meter to its ${formatQuantity(range, unit)} range.`,
    typical !== undefined && `Usually ${formatQuantity(typical, unit)}.`,
  ].filter((note) => note !== false);
  return (
    <>
      {end.swap && other && (
        <button
          type="button"
          onClick={end.swap}
          className="mt-1 min-h-11 cursor-pointer border border-soft bg-card px-3 text-[15px]"
        >
          or black on {placeName(other)}: either will do
        </button>
      )}
      {hold && <p className="m-0 mt-1 border-l-4 border-marigold pl-3 text-[15px]">{hold}</p>}
      {notes.length > 0 && <p className="m-0 mt-1 text-[15px] text-soft">{notes.join(' ')}</p>}
    </>
  );
}

interface FieldProps {
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly reading: ReadingEntry;
  readonly shown: TakenReading | undefined;
  /** What the connected meter shows, while nothing is taken here. */
  readonly live: MeterLine | undefined;
  readonly onPaste: (text: string) => void;
}

function Field({ test, point, reading, shown, live, onPaste }: FieldProps) {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    // With the frame: at once it would have the page laid out before the press is answered. What is typed
    // meanwhile comes here all the same.
    const frame = requestAnimationFrame(() => field.current?.focus({ preventScroll: true }));
    return () => cancelAnimationFrame(frame);
  }, [test.id, point.id]);
  useTypeAnywhere(field);
  const figure =
    shown === undefined
      ? live && digitsOf(live)
      : shown.reading.kind !== 'value'
        ? { digits: shown.reading.kind === 'overload' ? 'OL' : shown.reading.kind, unit: '' }
        : shown.reading.to !== undefined
          ? {
              digits: readingWords(
                shown.reading,
                expectOf(test, point).unit,
                shown.judgement.corrected,
              ),
              unit: '',
            }
          : splitQuantity(shown.judgement.corrected!, expectOf(test, point).unit);
  return (
    <label className="flex items-end gap-3 border-b-4 border-ink focus-within:border-jade">
      <span className="sr-only">
        Reading in {METER_FUNCTIONS[functionOf(test, point)].words}
        {shown && figure && `, now ${figure.digits} ${figure.unit}`}
      </span>
      <input
        ref={field}
        data-keys="on"
        inputMode="none"
        autoComplete="off"
        spellCheck={false}
        value={reading.text}
        maxLength={24}
        placeholder={figure?.digits ?? ''}
        onChange={(event) => reading.setText(event.target.value)}
        onPaste={(event) => {
          const text = event.clipboardData.getData('text');
          // A column belongs to several points; a single figure to this one.
          if (!/[\n\t]/.test(text.trim())) return;
          event.preventDefault();
          onPaste(text);
        }}
        className={`reading-field figure block h-[88px] min-w-0 flex-1 border-0 bg-transparent p-0 leading-none text-ink placeholder:opacity-100 max-lg:h-[64px] ${sizeOf(reading.text || (figure?.digits ?? ''))} ${live ? 'placeholder:text-jade' : 'placeholder:text-ink'}`}
      />
      <span aria-hidden="true" className="figure pb-3 text-[32px] text-soft max-lg:pb-2">
        {(reading.text === '' && figure?.unit) || unitSymbol(expectOf(test, point).unit)}
      </span>
    </label>
  );
}

/** The reading is the biggest thing on the card; one of several parts gets smaller before it is cut off. */
function sizeOf(text: string): string {
  if (text.length <= 7) return 'text-[72px] max-lg:text-[56px]';
  return text.length <= 12 ? 'text-[44px] max-lg:text-[40px]' : 'text-[28px] max-lg:text-[26px]';
}

function marksOf(
  test: MeasureTest,
  current: TestPoint,
  state: JobState,
  reading: ReadingEntry,
  live: MeterLine | undefined,
): BandMark[] {
  const { parsed } = reading;
  const typing = parsed.kind === 'value' || parsed.kind === 'span' || parsed.kind === 'overload';
  const marks = test.points.flatMap((point): BandMark[] => {
    const taken = readingAt(state, test, point);
    // Other points have their own limits where the sheet says so: they do not belong on this band.
    if (
      !taken ||
      taken.reading.kind === 'tone' ||
      (point === current && typing) ||
      (point !== current && point.expect !== current.expect)
    )
      return [];
    const { judgement } = taken;
    return [
      {
        label: test.points.length > 1 ? point.id : 'reading',
        // Silence is anywhere above: it lies at the end, as OL does. A tone has no place of its own.
        value: judgement.corrected ?? Infinity,
        half: (judgement.u ?? 0) * Math.sqrt(3),
        kind: point === current ? 'now' : 'other',
      },
    ];
  });
  if (typing)
    marks.push({
      label: 'typed',
      value:
        parsed.kind === 'value' ? parsed.value : parsed.kind === 'span' ? parsed.high : Infinity,
      half: 0,
      kind: 'typed',
    });
  else if (live)
    marks.push({ label: 'meter', value: live.value ?? Infinity, half: 0, kind: 'typed' });
  // The one in hand is drawn last, on top.
  return marks.sort((a, b) => Number(a.kind !== 'other') - Number(b.kind !== 'other'));
}
