/** The measuring card: one placement of the probes, or one question, at a time. */
import { useLayoutEffect, useRef } from 'react';
import { formatQuantity, type MeterLine, type Unit } from '@jeitinho/core';
import { findPoint, isMeasured, variantOwed, wantsOf } from '@jeitinho/core/sheet';
import { useJob } from '../job/job-context';
import { WhichMachine } from '../job/which-machine';
import { AskCard } from './ask-card';
import { owesContact } from './card-state';
import { FootBar } from './foot-bar';
import { LeadZeroCard } from './lead-zero';
import { MeasureCard } from './measure-card';
import { MeterDialog } from './meter-dialog';
import { PasteDialog } from './paste-dialog';
import { RemarkDialog } from './remark-dialogs';
import { SkipDialog } from './skip-dialog';
import { StateGate } from './state-gate';
import { TestHead } from './test-head';
import { TrackCard } from './track-card';
import { useCard, useSkipping, type Card } from './use-card';
import { takenWords, useSpoken } from './use-spoken';
import { isTimed, WindowPanel } from './window-panel';

export function Measure() {
  const { sheet, state: job } = useJob();
  const card = useCard();
  const { current, refusal, second, setSecond, series, asked, wants } = card;
  const { step } = current;
  const { state } = wantsOf(sheet, step.test, findPoint(step.test, step.point));
  const wanted = wants.find((want) => want.kind === 'state');
  const whichMachine = variantOwed(sheet, step.test, findPoint(step.test, step.point));
  useSpoken(step);
  const scroller = useRef<HTMLDivElement>(null);
  const scrolled = useRef(false);
  // Another placement, or a verdict, is read from the top, wherever the one before was left.
  const said = job.current.get(step.observable)?.entry;
  useLayoutEffect(() => {
    if (!scrolled.current) return;
    scrolled.current = false;
    // With the frame: at once it would have the page laid out before the key is answered.
    requestAnimationFrame(() => scroller.current?.scrollTo({ top: 0 }));
  }, [step.observable, said]);
  return (
    <>
      <div
        ref={scroller}
        onScroll={() => {
          scrolled.current = true;
        }}
        className="relative min-h-0 flex-1 overflow-y-auto px-6 py-4 max-lg:px-3.5 max-lg:py-2"
      >
        <TestHead
          current={current}
          wants={wants}
          other={card.series ? undefined : card.other}
          onZero={() => card.open({ kind: 'zero' })}
        />
        {whichMachine && (
          <div className="mb-4">
            <WhichMachine question={whichMachine} />
          </div>
        )}
        {refusal && !whichMachine && (
          <StateGate
            refusal={refusal}
            state={state}
            second={second}
            onSecond={setSecond}
            powering={card.powering}
          />
        )}
        {!refusal && wanted && (isTimed(state) || !wanted.met) && (
          <WindowPanel state={state} current={wanted.met} entering={card.entering} />
        )}
        {card.before && (
          <p className="m-0 mb-3 border-l-4 border-hair bg-card px-4 py-2 text-[15px]">
            Before the work: <strong>{takenWords(card.before)}</strong> It is another machine now.
          </p>
        )}
        <Body card={card} />
      </div>
      <FootBar
        current={current}
        reading={
          card.figures && !asked && card.over.kind !== 'zero' && !refusal ? card.reading : undefined
        }
        idle={series ? 'Record the series' : asked ? 'That figure first' : 'Choose an answer'}
        offered={card.offered && `Keep ${figureWords(card.offered)}`}
        refusal={refusal}
        armed={card.ready}
        settled={card.done}
        enters={card.enters}
        onPrimary={card.primary}
        onSkip={() => card.open({ kind: 'skip' })}
        onUndo={card.undo}
        onContact={owesContact(card.told) ? () => void card.remarkOn('contact') : undefined}
      />
      <Dialogs card={card} />
    </>
  );
}

/** What is in hand: the leads alone, a series, a figure, or a question. */
function Body({ card }: { card: Card }) {
  const { record } = useJob();
  const { step, goTo } = card.current;
  const { test } = step;
  const { measured, point, series, settled } = card;
  const blocked = card.refusal !== undefined;
  if (card.over.kind === 'zero') return <LeadZeroCard onDone={card.close} />;
  if (measured && point && series)
    return (
      <TrackCard
        key={step.observable}
        test={measured}
        point={point}
        blocked={blocked}
        settled={settled}
        onRemark={(remark, taken) => card.open({ kind: 'remark', remark, taken })}
      />
    );
  if (measured)
    return (
      <MeasureCard
        test={measured}
        pointId={step.point ?? ''}
        end={card.end}
        reading={card.reading}
        blocked={blocked}
        repeating={!settled}
        onPick={goTo}
        sizing={card.sizing}
        onRemark={(remark, taken) => card.open({ kind: 'remark', remark, taken })}
        onRepeat={card.repeat}
        onPaste={(text) => card.open({ kind: 'paste', text })}
        meter={card.meter}
        other={card.other}
      />
    );
  const answer = async (words: string) => {
    if (await record('answer', { test: test.id, answer: words })) card.kept();
  };
  return isMeasured(test) ? null : (
    <AskCard
      test={test}
      blocked={blocked}
      settled={settled}
      onAnswer={(words) => void answer(words)}
      onGoOn={card.primary}
      onRemark={(remark, taken) => card.open({ kind: 'remark', remark, taken })}
    />
  );
}

function Dialogs({ card }: { card: Card }) {
  const { over, measured, point, open, close } = card;
  const skipping = useSkipping(card);
  const remark = over.kind === 'remark' ? over : undefined;
  return (
    <>
      <RemarkDialog remark={remark?.remark} taken={remark?.taken} onClose={close} />
      {measured && point && (
        <PasteDialog
          test={measured}
          from={point}
          text={over.kind === 'paste' ? over.text : undefined}
          onClose={close}
        />
      )}
      <MeterDialog
        open={over.kind === 'meters'}
        onOpenChange={(wanted) => (wanted ? open({ kind: 'meters' }) : close())}
      />
      <SkipDialog
        open={over.kind === 'skip'}
        title={skipping.title}
        onClose={close}
        onSkip={(reason) => void skipping.skip(reason)}
      />
    </>
  );
}

const figureWords = (line: MeterLine): string =>
  line.value === null ? 'OL' : formatQuantity(line.value, line.unit as Unit);
