/** A test without a meter: look, listen, try. One press answers it. */
import { sourceWords } from '@jeitinho/core';
import { owesProof, type TakenAnswer } from '@jeitinho/core/job';
import type { AskTest } from '@jeitinho/core/sheet';
import { Said } from '../../parts/said';
import { useLoneDigit } from '../../parts/lone-digit';
import { VERDICT_TEXT, VerdictMark } from '../../parts/verdict-mark';
import { useAssessment, useJob } from '../job/job-context';
import { standingOf } from './standing';
import { Button } from '../../parts/button';
import { movedWords, RemarkButtons } from './answer';
import { BenchLook } from './bench-look';
import { FindsPanel } from './finds-panel';
import { Contradiction } from './doubt-panel';
import type { Remark } from './remark-dialogs';

export interface AskCardProps {
  readonly test: AskTest;
  readonly blocked: boolean;
  readonly settled: boolean;
  readonly onAnswer: (answer: string) => void;
  readonly onGoOn: () => void;
  readonly onRemark: (remark: Remark, taken: TakenAnswer) => void;
}

/** With which sense, or with what, the question is answered. */
const HOW_WORDS: Readonly<Record<AskTest['how'], string>> = {
  look: 'by eye',
  listen: 'by ear',
  smell: 'by nose',
  try: 'try it and see',
  read: 'read it off',
  compare: 'compare the two',
};

/** What finds things in places: of a try or a figure read off there is one answer. */
const FINDS_THINGS: ReadonlySet<AskTest['how']> = new Set(['look', 'listen', 'smell', 'compare']);

export function AskCard({ test, blocked, settled, onAnswer, onGoOn, onRemark }: AskCardProps) {
  const { sheet, state, record } = useJob();
  const assessment = useAssessment();
  const meansKnown = (entry: string) => record('contact', { entry, how: 'means-known' });
  const answers = Object.keys(test.answers);
  const taken = state.current.get(test.id);
  const chosen = settled && taken?.kind === 'answer' ? taken : undefined;
  useLoneDigit((digit) => {
    const answer = answers[digit - 1];
    if (!blocked && answer !== undefined) onAnswer(answer);
  });
  return (
    <div className="max-w-2xl">
      <p className="m-0 text-[15px] text-soft">{HOW_WORDS[test.how]}</p>
      <p className="m-0 text-[20px] font-semibold">{test.asks}</p>
      {!blocked && (
        <div role="group" aria-label="Answers" className="mt-3 flex flex-col gap-2">
          {answers.map((answer, i) => (
            <button
              key={answer}
              type="button"
              aria-pressed={chosen?.answer === answer}
              onClick={() => onAnswer(answer)}
              // It is answered: Enter on it goes on, as everywhere, and does not answer again.
              onKeyDown={(event) => {
                if (event.key !== 'Enter' || chosen?.answer !== answer) return;
                event.preventDefault();
                if (!event.repeat) onGoOn();
              }}
              className="flex min-h-[60px] cursor-pointer items-center gap-4 border border-soft bg-card px-4 text-left text-[18px] aria-pressed:border-2 aria-pressed:border-jade aria-pressed:bg-jade-tint aria-pressed:font-bold"
            >
              <span aria-hidden="true" className="figure text-soft max-lg:hidden">
                {i + 1}
              </span>
              {answer}
            </button>
          ))}
        </div>
      )}
      {!blocked && <BenchLook test={test.id} />}
      <Said label="Verdict" className="mt-4 flex items-start gap-3">
        {chosen && (
          <>
            <span className="pt-1">
              <VerdictMark verdict={standingOf(chosen).mark} />
            </span>
            <div>
              <p className={`m-0 text-[20px] font-bold ${VERDICT_TEXT[standingOf(chosen).mark]}`}>
                {standingOf(chosen).words}
              </p>
              <p className="m-0 text-[15px] text-soft">
                {standingOf(chosen).why ?? movedWords(chosen, assessment)}
              </p>
            </div>
          </>
        )}
      </Said>
      {chosen?.contradicts !== undefined && !chosen.resolved && <Contradiction taken={chosen} />}
      {chosen && chosen.standing.kind === 'waits' && owesProof(sheet, chosen) && (
        <Button className="mt-2" onClick={() => void meansKnown(chosen.entry)}>
          It is known to work
        </Button>
      )}
      {chosen && chosen.outcome !== 'ok' && FINDS_THINGS.has(test.how) && (
        <FindsPanel key={chosen.entry} taken={chosen} />
      )}
      {chosen && <RemarkButtons taken={chosen} onRemark={onRemark} />}
      <p className="mt-3 mb-0 text-[14px] text-soft">{sourceWords(sheet, test.page)}</p>
    </div>
  );
}
