/** A series over time: figures stamped as they are kept, the event marked, the whole judged as it grows. */
import { seriesWords, sourceWords } from '@jeitinho/core';
import { seriesErrors, type TakenSeries } from '@jeitinho/core/job';
import {
  expectWords,
  judgeSeries,
  verdictWords,
  type Judgement,
  type SeriesExpectation,
} from '@jeitinho/core/judge';
import {
  expectOf,
  functionOf,
  observableId,
  type MeasureTest,
  type TestPoint,
} from '@jeitinho/core/sheet';
import { useDraft } from '../../data/draft';
import { useMeterFeed } from '../../data/meter/feed';
import { Button } from '../../parts/button';
import { BoardDrawing } from '../../parts/board/board-drawing';
import { VERDICT_TEXT, VerdictMark } from '../../parts/verdict-mark';
import { useJob } from '../job/job-context';
import { RemarkButtons } from './answer';
import { ImportTrack } from './import-track';
import type { Remark } from './remark-dialogs';
import { Track } from './track';
import { owesContact } from './card-state';
import { standingOf } from './standing';
import { parseTrack, seriesOf, trackText } from './track-draft';
import { TrackRecorder } from './track-recorder';
import { placementOf } from './use-meter';

export interface TrackCardProps {
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly blocked: boolean;
  readonly settled: boolean;
  readonly onRemark: (remark: Remark, taken: TakenSeries) => void;
}

export function TrackCard({ test, point, blocked, settled, onRemark }: TrackCardProps) {
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
    const errors = seriesErrors(sheet, test, point, state.meters);
    return judgeSeries(expect, seriesOf(draft), errors);
  }

  const feed = useMeterFeed();
  const simulated = feed.kind === 'simulated' && feed.job === job.id ? (true as const) : undefined;
  const finish = async () => {
    const { samples, event } = seriesOf(draft);
    const body = {
      test: test.id,
      point: point.id,
      function: functionOf(test, point),
      samples: samples.map((each) => ({ ...each })),
      ...(event !== undefined && { event }),
      ...(simulated && { simulated }),
    };
    if (await record('series', body)) keepText('');
  };

  return (
    <div className="grid gap-x-5 gap-y-2 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
      {/* While it is recorded, the track is what one looks at; on a phone the boards make room. */}
      <div className="flex flex-col gap-2 max-lg:contents">
        <div className="max-lg:order-1">
          <Track series={series} expect={expect} />
        </div>
        <div className={series.samples.length > 0 ? 'max-lg:order-3' : 'max-lg:order-1'}>
          <BoardDrawing sheet={sheet} red={point.red} black={point.black} />
        </div>
      </div>
      <div className="min-w-0 max-lg:order-2">
        {!blocked && (
          <TrackRecorder
            job={job.id}
            bench={job.bench}
            wanted={placementOf({ test, point }, observableId(test, point.id))}
            expect={expect}
            draft={draft}
            onDraft={(next) => keepText(trackText(next))}
          />
        )}
        {judgement && <TrackVerdict judgement={judgement} shown={shown} />}
        {shown && owesContact(shown) && shown.standing.kind === 'waits' && (
          <Button hint="c" className="mt-2" onClick={() => onRemark('contact', shown)}>
            Contact is proven
          </Button>
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
        {!blocked && draft.samples.length === 0 && (
          <ImportTrack expect={expect} onDraft={(next) => keepText(trackText(next))} />
        )}
        {shown && <RemarkButtons taken={shown} onRemark={onRemark} />}
        <p className="mt-3 mb-0 text-[14px] text-soft">
          Wanted: {expectWords(expect)} · {sourceWords(sheet, test.page)}
        </p>
      </div>
    </div>
  );
}

interface TrackVerdictProps {
  readonly judgement: Judgement;
  /** The series that is kept; while it is recorded, its verdict so far is told. */
  readonly shown: TakenSeries | undefined;
}

function TrackVerdict({ judgement, shown }: TrackVerdictProps) {
  const { mark, words, why } = shown
    ? standingOf(shown)
    : { mark: judgement.verdict, words: verdictWords(judgement), why: undefined };
  return (
    <div role="status" aria-label="Verdict" className="mt-3 flex items-start gap-3">
      <span className="pt-1">
        <VerdictMark verdict={mark} outcome={judgement.outcome} />
      </span>
      <div>
        <p className={`m-0 text-[20px] font-bold ${VERDICT_TEXT[mark]}`}>{words}</p>
        <p className="m-0 text-[15px] text-soft">
          {why ?? judgement.sentence} {shown && seriesWords(shown)}
        </p>
      </div>
    </div>
  );
}
