/** The measuring card: one placement of the probes, or one question, at a time. */
import { formatQuantity, type MeterLine, type Unit } from '@jeitinho/core';
import {
  dialRefusal,
  dutyOf,
  energyRefusal,
  meterProblem,
  nextStep,
  placeOfEntry,
  stillAsked,
  type Refusal,
  type Taken,
} from '@jeitinho/core/job';
import { isSeries } from '@jeitinho/core/judge';
import { expectOf, findPoint, isMeasured, observableId, stateOf } from '@jeitinho/core/sheet';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useDraft } from '../../data/draft';
import { meterFeed } from '../../data/meter/feed';
import { useHoldChoice } from '../../data/meter/hold';
import { useArmed } from '../../parts/armed';
import { useKeys } from '../../parts/keys';
import { useJob } from '../job/job-context';
import { AskCard } from './ask-card';
import { useCurrentStep } from './current-step';
import { FootBar } from './foot-bar';
import { LeadZeroCard } from './lead-zero';
import { MeasureCard } from './measure-card';
import { toldBefore } from './told';
import { PasteDialog } from './paste-dialog';
import { RemarkDialog, type Remark } from './remark-dialogs';
import { SkipDialog } from './skip-dialog';
import { asksForLive, StateGate } from './state-gate';
import { TestHead } from './test-head';
import { MeterDialog } from './meter-dialog';
import { TrackCard } from './track-card';
import { useKeeping } from './use-keeping';
import { useMeter } from './use-meter';
import { useReading } from './use-reading';
import { useSpoken } from './use-spoken';
import { isTimed, WindowPanel } from './window-panel';
import { stagePath, useGoOn } from '../job/paths';

export function Measure() {
  const { job, sheet, state, record, undo } = useJob();
  const navigate = useNavigate();
  const leaveMeasuring = useGoOn('measure');
  const current = useCurrentStep();
  const { step, next, previous, goTo } = current;
  const { test } = step;
  const measured = isMeasured(test) ? test : undefined;
  const point = findPoint(test, step.point);
  const series = measured && point && isSeries(expectOf(measured, point));
  const reading = useReading(series ? undefined : measured, step.point ?? '');
  const [choosingMeter, setChoosingMeter] = useState(false);
  const [skipping, setSkipping] = useState(false);
  const [zeroing, setZeroing] = useState(false);
  const [repeating, setRepeating] = useState<string>();
  const [remark, setRemark] = useState<{ kind: Remark; taken: Taken }>();
  const [pasting, setPasting] = useState<string>();
  const [second, setSecond] = useDraft(`second.${job.id}`);
  useSpoken(step);

  // A test that was not begun is skipped whole, a begun one point by point.
  const begun = measured?.points.some((each) => state.current.has(observableId(measured, each.id)));
  const skippedPoint = begun ? step.point : undefined;
  const unfit =
    measured &&
    point &&
    meterProblem(state.meters, sheet, dutyOf(sheet, measured, point, state.given.get(test.id)));
  const refusal: Refusal | undefined =
    energyRefusal(sheet, state.energy, test) ??
    (measured && point && dialRefusal(sheet, state, measured, point)) ??
    (unfit && { code: 'meter-unfit', message: unfit.message });
  const asked = measured && point && stillAsked(state, measured, point);
  const taken = state.current.get(step.observable);
  const empty = reading.text === '';
  const settled = taken !== undefined && repeating !== step.observable;
  // What the answer speaks of: this placement once it is read, until then the one before it.
  const told = settled
    ? taken
    : measured && point && empty
      ? toldBefore(state, measured, point)
      : undefined;
  const repeat = (observable: string) => {
    goTo(observable);
    setRepeating(observable);
  };
  const goOn = () => {
    if (next) goTo(next.observable);
    else leaveMeasuring();
  };
  const leave = () => {
    const beyond = nextStep(sheet, state, step.observable, { leaveTest: !begun });
    if (beyond) goTo(beyond.observable);
  };
  const { keep, sizing } = useKeeping({
    current,
    test: measured,
    point,
    reading,
    onKept: () => setRepeating(undefined),
  });
  const dialogOpen =
    choosingMeter || skipping || zeroing || remark !== undefined || pasting !== undefined;
  const meter = useMeter(
    step.observable,
    measured && point && !series
      ? {
          test: measured,
          point,
          closed: refusal !== undefined || asked !== undefined || !empty || settled || dialogOpen,
          onKept: () => {
            setRepeating(undefined);
            if (current.nextPoint) goTo(current.nextPoint.observable);
            else goTo(step.observable);
          },
        }
      : undefined,
  );
  const offered = empty && !settled && !refusal && !asked ? meter.offered : undefined;
  useGoOnByItself(settled && empty && !dialogOpen && !owesContact(told), step.observable, goOn);
  const answer = async (words: string) => {
    if (await record('answer', { test: test.id, answer: words })) setRepeating(undefined);
  };
  const armed = useArmed(`${step.observable} ${refusal?.code}`);
  const attended = !sheet.safety.secondPerson || second.trim() !== '';
  const confirmLive = () =>
    void record('energised', {
      precautions: true,
      ...(sheet.safety.secondPerson && { second: second.trim() }),
    });
  const primary = () => {
    if (refusal?.code === 'dead-not-proven') void navigate(stagePath(job.id, 'safe'));
    else if (refusal?.code === 'meter-unfit') setChoosingMeter(true);
    else if (refusal) {
      if (asksForLive(refusal) && armed && attended) confirmLive();
    } else if (!empty) void keep();
    else if (offered) void meter.keep(offered);
    else if (settled || state.skipped.has(step.observable)) goOn();
  };
  /** Back to the place of what was undone: it will want another figure. */
  const undoHere = async () => {
    const gone = await undo();
    const from = gone && placeOfEntry(gone, sheet);
    const place = current.steps.find(
      (each) => each.observable === from?.observable || each.test.id === from?.test,
    );
    if (place) goTo(place.observable);
  };
  const whenEmpty = (run: () => void) => (empty && !zeroing && !asked ? run : undefined);
  useKeys(
    defined({
      Enter: zeroing ? undefined : primary,
      s: whenEmpty(() => setSkipping(true)),
      b: previous && whenEmpty(() => goTo(previous.observable)),
      r: told && whenEmpty(() => repeat(told.observable)),
      n: whenEmpty(goOn),
      z: whenEmpty(() => void undoHere()),
      c: owesContact(told) && whenEmpty(() => setRemark({ kind: 'contact', taken: told })),
      j: told && whenEmpty(() => setRemark({ kind: 'overrule', taken: told })),
      v: told && whenEmpty(() => setRemark({ kind: 'void', taken: told })),
      g: measured && !series && !refusal ? whenEmpty(() => setPasting('')) : undefined,
      l: measured?.function === 'ohm' ? whenEmpty(() => setZeroing(true)) : undefined,
      o: measured && !series && !refusal ? whenEmpty(() => reading.setText('OL')) : undefined,
    }),
  );

  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto px-6 py-4 max-lg:px-3.5 max-lg:py-2">
        <TestHead current={current} onZero={() => setZeroing(true)} />
        {refusal && (
          <StateGate
            refusal={refusal}
            state={stateOf(sheet, test)}
            second={second}
            onSecond={setSecond}
          />
        )}
        {!refusal && isTimed(stateOf(sheet, test)) && <WindowPanel test={test} />}
        {zeroing ? (
          <LeadZeroCard onDone={() => setZeroing(false)} />
        ) : measured && point && series ? (
          <TrackCard
            key={step.observable}
            test={measured}
            point={point}
            blocked={refusal !== undefined}
            settled={settled}
            onRemark={(kind, of) => setRemark({ kind, taken: of })}
          />
        ) : measured ? (
          <MeasureCard
            test={measured}
            pointId={step.point!}
            reading={reading}
            blocked={refusal !== undefined}
            repeating={!settled}
            onPick={goTo}
            sizing={sizing}
            onRemark={(kind, of) => setRemark({ kind, taken: of })}
            onRepeat={repeat}
            onPaste={setPasting}
            meter={meter}
          />
        ) : (
          !isMeasured(test) && (
            <AskCard
              test={test}
              blocked={refusal !== undefined}
              settled={settled}
              onAnswer={(words) => void answer(words)}
              onRemark={(kind, of) => setRemark({ kind, taken: of })}
            />
          )
        )}
      </div>
      <FootBar
        current={current}
        reading={measured && !series && !asked && !zeroing && !refusal ? reading : undefined}
        idle={series ? 'Record the series' : asked ? 'That figure first' : 'Choose an answer'}
        offered={offered && `Keep ${figureWords(offered)}`}
        refusal={refusal}
        armed={armed && attended}
        settled={settled || state.skipped.has(step.observable)}
        onPrimary={primary}
        onSkip={() => setSkipping(true)}
        onUndo={() => void undoHere()}
        onContact={
          owesContact(told) ? () => setRemark({ kind: 'contact', taken: told }) : undefined
        }
      />
      <RemarkDialog
        remark={remark?.kind}
        taken={remark?.taken}
        onClose={() => setRemark(undefined)}
      />
      {measured && point && (
        <PasteDialog
          test={measured}
          from={point}
          text={pasting}
          onClose={() => setPasting(undefined)}
        />
      )}
      <MeterDialog open={choosingMeter} onOpenChange={setChoosingMeter} />
      <SkipDialog
        open={skipping}
        title={skippedPoint === undefined ? test.title : `${test.title}, ${skippedPoint}`}
        onClose={() => setSkipping(false)}
        onSkip={async (reason) => {
          setSkipping(false);
          const point = skippedPoint === undefined ? {} : { point: skippedPoint };
          if (await record('skipped', { test: test.id, reason, ...point })) leave();
        }}
      />
    </>
  );
}

/** After auto-hold took the last placement of a test: a moment for its verdict, then the next. */
function useGoOnByItself(ready: boolean, place: string, goOn: () => void): void {
  const { on } = useHoldChoice();
  const taken = useRef<string>(undefined);
  const run = useRef(goOn);
  useEffect(() => {
    run.current = goOn;
  });
  useEffect(() => {
    if (!ready) {
      // Only what was taken while this card stood here: not a card come back to.
      taken.current = place;
      return undefined;
    }
    if (!on || taken.current !== place || meterFeed().status !== 'on') return undefined;
    const timer = setTimeout(() => run.current(), VERDICT_MS);
    return () => clearTimeout(timer);
  }, [ready, place, on]);
}

/** How long a verdict stands before auto-hold goes on. */
const VERDICT_MS = 2000;

const figureWords = (line: MeterLine): string =>
  line.value === null ? 'OL' : formatQuantity(line.value, line.unit as Unit);

/** Whether a finding waits for its proof of contact. */
const owesContact = (taken: Taken | undefined): taken is Taken =>
  taken?.kind === 'reading' && taken.judgement.contactOwed;

/** Drops what is not there, so that those keys stay free for typing. */
function defined(
  keys: Record<string, (() => void) | false | undefined>,
): Record<string, () => void> {
  return Object.fromEntries(
    Object.entries(keys).filter(
      (pair): pair is [string, () => void] => typeof pair[1] === 'function',
    ),
  );
}
