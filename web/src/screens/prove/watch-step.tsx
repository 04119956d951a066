/** A step of a prove procedure that is watched: figures over time against its limits, or what somebody saw. */
import type { MeterFunction } from '@jeitinho/core';
import type { Placement } from '@jeitinho/core/bench';
import { judgeWatch, readsLike, type ProvingStep, type Watch } from '@jeitinho/core/job';
import {
  expectWords,
  isSeries,
  verdictWords,
  type Judgement,
  type SeriesExpectation,
} from '@jeitinho/core/judge';
import { functionOf } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { useDraft } from '../../data/draft';
import { clockTime } from '../../data/now';
import { Button } from '../../parts/button';
import { VERDICT_TEXT, VerdictMark } from '../../parts/verdict-mark';
import { useJob } from '../job/job-context';
import { Track } from '../measure/track';
import { parseTrack, seriesOf, trackText } from '../measure/track-draft';
import { TrackRecorder } from '../measure/track-recorder';

export function WatchStep({ step }: { readonly step: ProvingStep }) {
  const { job, sheet, state, record } = useJob();
  const { procedure, at, watched } = step;
  const watch = procedure.steps[at]!.watch!;
  const { expect } = watch;
  const [kept, keep] = useDraft(`watch.${job.id}.${procedure.id}.${at}.${state.works.length}`);
  const [again, setAgain] = useState(false);
  const [writing, setWriting] = useState(false);
  const draft = parseTrack(kept);
  const { samples } = draft;
  const series = seriesOf(draft);
  const where = { procedure: procedure.id, step: at };
  const recording = samples.length > 0 || again || !watched;
  const judged = recording
    ? samples.length > 0
      ? judgeWatch(sheet, { ...where, ...series }, state.meters)
      : undefined
    : watched.judged;
  const { samples: before = [], event: marked } = watched?.body ?? {};
  const shown = recording
    ? series
    : { samples: before, ...(marked !== undefined && { event: marked }) };
  const finish = async (body: Partial<typeof series> & { seen?: boolean }) => {
    if (!(await record('watched', { ...where, ...body, note: '' }))) return;
    keep('');
    setAgain(false);
    setWriting(false);
  };
  return (
    <div className="py-2">
      <p className="m-0">
        <strong>Watch {watch.what ?? 'it'}</strong>{' '}
        <span className="text-soft">{expectWords(expect)}</span>
      </p>
      {isSeries(expect) && <Track series={shown} expect={expect} />}
      {judged && <Verdict judged={judged} at={recording ? undefined : watched.at} />}
      {recording && isSeries(expect) && (writing || samples.length > 0) && (
        <TrackRecorder
          job={job.id}
          bench={job.bench}
          wanted={placementFor(watch, expect, readsLike(sheet, watch))}
          expect={expect}
          draft={draft}
          onDraft={(next) => keep(trackText(next))}
        />
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {samples.length > 0 && (
          <>
            <Button kind="go" onClick={() => void finish(series)}>
              Keep what was watched
            </Button>
            <Button kind="quiet" onClick={() => keep('')}>
              Start over
            </Button>
          </>
        )}
        {recording && samples.length === 0 && (
          <>
            {isSeries(expect) && !writing && (
              <Button kind="go" onClick={() => setWriting(true)}>
                Write its figures
              </Button>
            )}
            <Button onClick={() => void finish({ seen: true })}>Seen: as it should</Button>
            <Button onClick={() => void finish({ seen: false })}>Seen: not as it should</Button>
          </>
        )}
        {!recording && <Button onClick={() => setAgain(true)}>Watch it again</Button>}
      </div>
    </div>
  );
}

interface VerdictProps {
  readonly judged: Judgement;
  /** When it was kept; while it is recorded the verdict is so far. */
  readonly at: string | undefined;
}

const Verdict = ({ judged, at }: VerdictProps) => (
  <p role="status" className="m-0 mt-1 flex items-start gap-2">
    <VerdictMark verdict={judged.verdict} outcome={judged.outcome} />
    <span>
      <strong className={VERDICT_TEXT[judged.verdict]}>{verdictWords(judged)}</strong>{' '}
      <span className="text-soft">
        {judged.sentence}
        {at && ` At ${clockTime(at)}.`}
      </span>
    </span>
  </p>
);

/** With which function a meter watches it: that of a test of the same place, else by the unit. */
function placementFor(
  watch: Watch,
  expect: SeriesExpectation,
  like: ReturnType<typeof readsLike>,
): Placement {
  const fn: MeterFunction = like
    ? functionOf(like.test, like.point)
    : expect.unit === 'degC'
      ? 'temperature'
      : 'display';
  return {
    function: fn,
    ...(watch.red !== undefined && { red: watch.red }),
    ...(watch.black !== undefined && { black: watch.black }),
    ...(like && { state: like.test.state }),
  };
}
