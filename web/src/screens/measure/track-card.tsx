/** A series over time: figures stamped as they are kept, the event marked, the whole judged as it grows. */
import {
  accuracyAt,
  driverOf,
  dutyOf,
  eventOf,
  expectOf,
  expectWords,
  functionOf,
  instrumentFor,
  isSeries,
  judgeSeries,
  observableId,
  parseEntry,
  secondsOf,
  seriesWords,
  sourceWords,
  verdictWords,
  type Judgement,
  type MeasureTest,
  type Sample,
  type SeriesExpectation,
  type TestPoint,
} from '@jeitinho/core';
import { useState } from 'react';
import { useDraft } from '../../data/draft';
import { useNow } from '../../data/now';
import { Button } from '../../parts/button';
import { BoardDrawing } from '../../parts/board/board-drawing';
import { VERDICT_TEXT, VerdictMark } from '../../parts/verdict-mark';
import { useJob } from '../job/job-context';
import { Track } from './track';
import { parseTrack, trackText, type TrackDraft } from './track-draft';

export interface TrackCardProps {
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly blocked: boolean;
  readonly settled: boolean;
}

export function TrackCard({ test, point, blocked, settled }: TrackCardProps) {
  const { job, sheet, state, record } = useJob();
  const [kept, keepText] = useDraft(`series.${job.id}.${test.id}.${point.id}`);
  const expect = expectOf(test, point) as SeriesExpectation;
  const draft = parseTrack(kept);
  const taken = state.current.get(observableId(test, point.id));
  const shown =
    settled && draft.samples.length === 0 && taken?.kind === 'series' ? taken : undefined;
  const series = shown?.series ?? seriesOf(draft);
  const judgement = shown?.judgement ?? (draft.samples.length > 0 ? judgeNow() : undefined);

  function judgeNow(): Judgement {
    const meter = instrumentFor(state.meters, sheet, dutyOf(sheet, test, point));
    const largest = Math.max(...draft.samples.map(({ value }) => Math.abs(value)));
    const a = meter && accuracyAt(meter, functionOf(test, point), largest);
    const u = a ? ((largest * a.percent) / 100 + a.absolute) / Math.sqrt(3) : 0;
    return judgeSeries(expect, seriesOf(draft), u);
  }

  const finish = async () => {
    const { samples, event } = seriesOf(draft);
    const body = {
      test: test.id,
      point: point.id,
      function: functionOf(test, point),
      samples: samples.map((each) => ({ ...each })),
      ...(event !== undefined && { event }),
    };
    if (await record('series', body)) keepText('');
  };

  return (
    <div className="grid gap-x-5 gap-y-2 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
      <div>
        <BoardDrawing sheet={sheet} red={point.red} black={point.black} />
        <Track series={series} expect={expect} />
      </div>
      <div className="min-w-0">
        {!blocked && (
          <Recorder expect={expect} draft={draft} onDraft={(next) => keepText(trackText(next))} />
        )}
        {judgement && (
          <div role="status" aria-label="Verdict" className="mt-3 flex items-start gap-3">
            <span className="pt-1">
              <VerdictMark verdict={judgement.verdict} outcome={judgement.outcome} />
            </span>
            <div>
              <p className={`m-0 text-[20px] font-bold ${VERDICT_TEXT[judgement.verdict]}`}>
                {verdictWords(judgement)}
              </p>
              <p className="m-0 text-[15px] text-soft">
                {judgement.sentence} {shown && seriesWords(shown)}
              </p>
            </div>
          </div>
        )}
        {!blocked && draft.samples.length > 0 && (
          <div className="mt-3 flex flex-wrap gap-2">
            <Button kind="go" onClick={() => void finish()}>
              Keep this series
            </Button>
            <Button kind="quiet" onClick={() => keepText('')}>
              Start over
            </Button>
          </div>
        )}
        <p className="mt-3 mb-0 text-[14px] text-soft">
          Wanted: {expectWords(expect)} · {sourceWords(sheet, test.page)}
        </p>
      </div>
    </div>
  );
}

const seriesOf = ({ startedAt, samples, eventAt }: TrackDraft) => ({
  samples,
  ...(eventAt !== undefined && { event: Math.max(0, (eventAt - startedAt) / 1000) }),
});

interface RecorderProps {
  readonly expect: SeriesExpectation;
  readonly draft: TrackDraft;
  readonly onDraft: (draft: TrackDraft) => void;
}

function Recorder({ expect, draft, onDraft }: RecorderProps) {
  const [text, setText] = useState('');
  const [driverText, setDriverText] = useState('');
  const now = useNow(500);
  const parsed = parseEntry(text, expect.unit);
  const driver = driverOf(expect);
  const driverValue = Number(driverText.replace(',', '.'));
  const driverMissing =
    driver !== undefined && (driverText.trim() === '' || Number.isNaN(driverValue));
  const event = eventOf(expect);
  const light = isSeries(expect) && expect.kind === 'pattern';
  const begun = draft.samples.length > 0;
  const elapsed = begun ? Math.max(0, Math.floor((now - draft.startedAt) / 1000)) : 0;
  const seconds = secondsOf(expect);

  const add = (value: number) => {
    const at = Date.now();
    const startedAt = begun ? draft.startedAt : (draft.eventAt ?? at);
    const sample: Sample = {
      t: (at - startedAt) / 1000,
      value,
      ...(driver !== undefined && { driver: driverValue }),
    };
    onDraft({ ...draft, startedAt, samples: [...draft.samples, sample] });
    setText('');
  };

  return (
    <form
      data-keys="off"
      onSubmit={(submit) => {
        submit.preventDefault();
        if (parsed.kind === 'value' && !driverMissing) add(parsed.value);
      }}
    >
      <p className="m-0 text-[15px] text-soft">
        <span role="timer" className="figure text-[22px] text-ink">
          {elapsed} s
        </span>{' '}
        {seconds > 0 ? `of ${seconds} s` : ''} · {draft.samples.length} figures. Each one is stamped
        when you keep it.
      </p>
      {light ? (
        <div className="mt-2 flex gap-2">
          <Button onClick={() => add(1)}>Light on now</Button>
          <Button onClick={() => add(0)}>Light off now</Button>
        </div>
      ) : (
        <div className="mt-2 flex flex-wrap items-end gap-2">
          {driver !== undefined && (
            <label className="text-[14px] text-soft">
              {driver}
              <input
                inputMode="decimal"
                autoComplete="off"
                value={driverText}
                maxLength={12}
                onChange={(change) => setDriverText(change.target.value)}
                className="figure block min-h-12 w-28 border border-soft bg-card px-3 text-[20px] text-ink"
              />
            </label>
          )}
          <label className="text-[14px] text-soft">
            Figure now
            <input
              autoFocus
              inputMode="decimal"
              autoComplete="off"
              value={text}
              maxLength={24}
              onChange={(change) => setText(change.target.value)}
              className="figure block min-h-12 w-40 border border-soft bg-card px-3 text-[22px] text-ink"
            />
          </label>
          <Button type="submit" disabled={parsed.kind !== 'value' || driverMissing}>
            Add
          </Button>
        </div>
      )}
      <p role="status" className="m-0 mt-1 min-h-6">
        {parsed.kind === 'error' ? (
          <span className="text-brick">{parsed.message}</span>
        ) : parsed.kind === 'value' ? (
          <span className="figure">{parsed.echo}</span>
        ) : null}
      </p>
      {event !== undefined && (
        <Button
          aria-pressed={draft.eventAt !== undefined}
          onClick={() => {
            const at = Date.now();
            onDraft({ ...draft, startedAt: begun ? draft.startedAt : at, eventAt: at });
          }}
        >
          {draft.eventAt === undefined ? `Mark now: ${event}` : `✓ marked: ${event}`}
        </Button>
      )}
    </form>
  );
}
