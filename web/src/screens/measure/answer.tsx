/** The answer within a blink: verdict in words, against what, and what it did to the suspects. */
import { formatQuantity, overruledWords, sourceWords } from '@jeitinho/core';
import type { Assessment, Suspect } from '@jeitinho/core/diagnose';
import { CONTACT_WORDS, type Taken, type TakenReading } from '@jeitinho/core/job';
import { asTemperature, isSeries, judgePurposes, readingWords } from '@jeitinho/core/judge';
import { expectOf, type MeasureTest, type Sheet, type TestPoint } from '@jeitinho/core/sheet';
import { VERDICT_TEXT, VerdictMark } from '../../parts/verdict-mark';
import { percent } from '../../parts/percent';
import { Button } from '../../parts/button';
import { useAssessment, useJob } from '../job/job-context';
import { limitWordsAt } from '../job/taken-words';
import { DoubtPanel } from './doubt-panel';
import type { Remark } from './remark-dialogs';
import type { ReadingEntry } from './use-reading';
import { standingOf } from './standing';
import { toldBefore } from './told';

export interface AnswerProps {
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly shown: TakenReading | undefined;
  readonly reading: ReadingEntry;
  readonly onRemark: (remark: Remark, taken: TakenReading) => void;
  readonly onRepeat: (observable: string) => void;
}

export function Answer({ test, point, shown, reading, onRemark, onRepeat }: AnswerProps) {
  const { sheet, state } = useJob();
  const words = limitWordsAt(sheet, state, test, point);
  const told = shown ?? (reading.text === '' ? toldBefore(state, test, point) : undefined);
  return (
    <div className="min-h-[92px] max-lg:min-h-[52px]">
      <p role="status" className="m-0 min-h-6 text-[16px] max-lg:min-h-0">
        <Echo reading={reading} />
      </p>
      {reading.text === '' && told && (
        <>
          <Told
            taken={told}
            label={told === shown ? undefined : (told.point.name ?? told.point.id)}
          />
          <DoubtPanel
            test={test}
            taken={told}
            onContact={() => onRemark('contact', told)}
            onRepeat={onRepeat}
          />
          <RemarkButtons taken={told} onRemark={onRemark} />
        </>
      )}
      <p className="m-0 mt-1 text-[14px] text-soft max-lg:hidden">
        Limit {words} · {sourceWords(sheet, test.page)}
      </p>
    </div>
  );
}

/** Void and overruling, always in reach of the finding they are about. */
export function RemarkButtons<T extends Taken>({
  taken,
  onRemark,
}: {
  taken: T;
  onRemark: (remark: Remark, taken: T) => void;
}) {
  return (
    <div className="mt-1 flex flex-wrap items-center gap-1">
      {taken.overruled ? (
        <p className="m-0 border-l-4 border-marigold bg-marigold-tint px-3 py-1 text-[15px]">
          {overruledWords(taken)}
        </p>
      ) : (
        <Button kind="quiet" hint="j" onClick={() => onRemark('overrule', taken)}>
          Judge otherwise
        </Button>
      )}
      {taken.standing.kind !== 'void' && (
        <Button kind="quiet" hint="v" onClick={() => onRemark('void', taken)}>
          Void
        </Button>
      )}
    </div>
  );
}

function Echo({ reading }: { reading: ReadingEntry }) {
  if (reading.problem) return <span className="text-brick">{reading.problem}</span>;
  const { parsed } = reading;
  if (parsed.kind === 'empty' || parsed.kind === 'error') return null;
  return (
    <>
      understood: <strong className="figure">{parsed.echo}</strong>
    </>
  );
}

function Told({ taken, label }: { taken: TakenReading; label: string | undefined }) {
  const { sheet } = useJob();
  const assessment = useAssessment();
  const { judgement } = taken;
  const { mark, words, why } = standingOf(taken);
  return (
    <div role="status" aria-label="Verdict" className="flex items-start gap-3">
      <span className="pt-1">
        <VerdictMark verdict={mark} outcome={judgement.outcome} edge={judgement.edge} />
      </span>
      <div className="min-w-0">
        <p
          className={`m-0 text-[20px] leading-tight font-bold max-lg:text-[17px] ${VERDICT_TEXT[mark]}`}
        >
          {label && <>Point {label}: </>}
          {words}
        </p>
        <p className="m-0 text-[15px] text-soft max-lg:text-[14px]">
          {why ?? detailWords(sheet, taken, assessment)}
        </p>
      </div>
    </div>
  );
}

function detailWords(sheet: Sheet, taken: TakenReading, assessment: Assessment): string {
  const { judgement, test, point } = taken;
  const parts: string[] = [];
  const warm = temperatureWords(sheet, taken);
  if (warm) parts.push(warm);
  parts.push(...purposeWords(taken));
  if (judgement.signFlagged)
    parts.push('Minus: leads swapped or polarity reversed; judged by its size.');
  const { reading } = taken;
  if ('climb' in reading || 'peak' in reading)
    parts.push(`Read ${readingWords(reading, expectOf(test, point).unit, judgement.corrected)}.`);
  if (judgement.sentence) parts.push(judgement.sentence);
  if (judgement.remedy) parts.push(judgement.remedy.sentence);
  else if (judgement.u)
    parts.push(
      `±${formatQuantity(judgement.u * Math.sqrt(3), expectOf(test, point).unit, 2)} by the meter.`,
    );
  if (taken.contact) parts.push(`Contact: ${CONTACT_WORDS[taken.contact]}.`);
  const moved = movedWords(taken, assessment);
  if (moved) parts.push(moved);
  return parts.join(' ');
}

/** A sensor’s ohms said as a temperature. */
function temperatureWords(sheet: Sheet, { judgement, test, point }: TakenReading) {
  const expect = expectOf(test, point);
  if (isSeries(expect) || judgement.corrected === undefined) return undefined;
  const t = asTemperature(expect, judgement.corrected, sheet.curves ?? []);
  return t === undefined ? undefined : `That is ${formatQuantity(t, 'degC', 3)}.`;
}

/** What may be done at this figure: unplug, measure resistance. */
function purposeWords({ test, reading }: TakenReading): string[] {
  return judgePurposes(test.purposes ?? [], { reading, function: test.function }).map(
    ({ purpose, allowed }) => `${allowed ? '✓ may' : '✕ may not yet'}: ${purpose.title}.`,
  );
}

/** What the latest finding did: the suspect that moved most; undefined for an older finding. */
export function movedWords(taken: Taken, assessment: Assessment): string | undefined {
  if (assessment.evidence.at(-1)?.entry !== taken.entry) return undefined;
  // What is left is what moves: on arrival and now are the same until work was done.
  const move = ({ now, nowBefore }: Suspect) => now - nowBefore;
  const [most] = [...assessment.suspects].sort((a, b) => Math.abs(move(b)) - Math.abs(move(a)));
  if (!most || Math.abs(move(most)) < 0.01) return 'Moves no suspect.';
  return `${most.fault.name} ${move(most) > 0 ? 'up' : 'down'} to ${percent(most.now)}.`;
}
