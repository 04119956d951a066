/** Decide: ranked parts with their evidence, repairs, and honest endings; several may be ticked at once. */
import { headlineOf, leadingPart, notProvenWords } from '@jeitinho/core/diagnose';
import { ENDING_ASKS, endingWords, stageAfter } from '@jeitinho/core/job';
import { useNavigate } from 'react-router';
import { useDraft } from '../../data/draft';
import { ActionBar } from '../../parts/action-bar';
import { useArmed } from '../../parts/armed';
import { Button } from '../../parts/button';
import { useKeys } from '../../parts/keys';
import { money } from '../../parts/money';
import { useAssessment, useJob } from '../job/job-context';
import { stagePath, useGoOn } from '../job/paths';
import { whyWords } from './headline-words';
import { Agreed } from './agreed';
import { BeforePart } from './before-part';
import { LookedAsk } from './looked-ask';
import { NotProvenList } from './not-proven-list';
import { OtherEndings } from './other-endings';
import { PartsMap } from './parts-map';
import { planWords } from './plan-words';
import { PartChoice } from './part-choice';
import { RepairChoices } from './repair-choices';
import { Standing } from './standing';
import { useChosenPlan, useWorth } from './use-worth';
import { BestWay, WorthIt } from './worth-it';
import { useEndings } from './use-endings';

export function Decide() {
  const { job, sheet, state, record } = useJob();
  const assessment = useAssessment();
  const { parts } = assessment;
  const headline = headlineOf(assessment);
  const leading = leadingPart(headline);
  const endings = useEndings();
  const worth = useWorth();
  const { chosen, settled, owes } = endings;
  const [reason, setReason] = useDraft(`reason.${job.id}`);
  const replaced = chosen.filter(({ kind }) => kind === 'replace');
  const chosenPlan = useChosenPlan(worth, chosen);
  // Whoever follows the findings owes no reason for their price.
  const follows = replaced.some(({ part }) => part === leading);
  const dearer = chosenPlan?.dearer && !follows ? chosenPlan : undefined;
  const needsReason =
    replaced.some(({ part }) => part !== leading) || soundThoughBad() || dearer !== undefined;
  const owed = chosen.length === 0 || owes !== undefined || (needsReason && reason.trim() === '');
  const goOn = useGoOn('decide');
  const navigate = useNavigate();

  function soundThoughBad(): boolean {
    return endings.find({ kind: 'sound' }) !== undefined && assessment.accused.size > 0;
  }
  function decideWords(): string {
    const [only] = chosen;
    if (!only) return 'Choose what to do';
    if (chosen.length > 1) return `Decide: all ${chosen.length}`;
    const part = only.kind === 'replace' && parts.find((each) => each.part.id === only.part);
    return `Decide: ${part ? part.part.name : endingWords(sheet, { ...only, to: '' }).split(':')[0]}`;
  }
  const decide = async () => {
    if (owed) return;
    const named = parts.find(({ part }) => part.id === replaced[0]?.part);
    const body = {
      endings: chosen.map((ending) => ({ ...ending })),
      leading,
      probability: Math.min(1, named?.p ?? 0),
      reason: needsReason ? reason.trim() : '',
      ...(dearer && {
        against: {
          words: planWords(sheet, dearer.best),
          cost: dearer.best.cost,
          chosenCost: dearer.plan.cost,
          currency: worth.currency,
        },
      }),
    };
    if (!(await record('decided', body))) return;
    setReason('');
    endings.drop();
    const mends = chosen.some(({ kind }) => ENDING_ASKS[kind].mends);
    void navigate(stagePath(job.id, mends ? 'mend' : stageAfter('prove', state)));
  };
  const armed = useArmed('decide');
  const ready = settled || (armed && !owed);
  const primary = () => (settled ? goOn() : armed && void decide());
  useKeys({ Enter: primary });
  return (
    <>
      <div className="relative min-h-0 flex-1 overflow-y-auto px-6 py-5 max-lg:px-4">
        <Standing />
        <BestWay {...worth} />
        <LookedAsk />
        <PartsMap
          sheet={sheet}
          parts={parts}
          isTicked={(part) => endings.find({ kind: 'replace', part }) !== undefined}
          onToggle={(part) => endings.toggle({ kind: 'replace', part })}
        />
        <fieldset className="m-0 mt-4 border-0 p-0">
          <legend className="sr-only">What to do; several may be ticked</legend>
          {parts.map((part, i) => (
            <PartChoice
              key={part.part.id}
              rank={leading === null ? i + 1 : i}
              suspect={part}
              ticked={endings.find({ kind: 'replace', part: part.part.id }) !== undefined}
              onToggle={() => endings.toggle({ kind: 'replace', part: part.part.id })}
            />
          ))}
          <RepairChoices endings={endings} worth={worth} />
          <OtherEndings endings={endings} />
        </fieldset>
        {needsReason && (
          <ReasonField
            question={
              soundThoughBad()
                ? 'Findings accuse something. Why is it sound?'
                : replaced.some(({ part }) => part !== leading) || !dearer
                  ? whyWords(headline)
                  : `“${planWords(sheet, dearer.best)}” is expected to cost ${money(dearer.best.cost, worth.currency)}, this ${money(dearer.plan.cost, worth.currency)}. Why this?`
            }
            reason={reason}
            onChange={setReason}
          />
        )}
        {replaced.map(({ part }) => (
          <BeforePart key={part} part={part!} />
        ))}
        {chosen.length > 0 && (
          <Agreed endings={chosen} terms={worth} plan={chosenPlan?.plan} settled={settled} />
        )}
        <WorthIt endings={endings} worth={worth} />
        <NotProvenList lines={assessment.notProven.map((item) => notProvenWords(item))} />
      </div>
      <ActionBar
        title={
          settled
            ? 'Decided'
            : chosen.length === 0
              ? 'Nothing is chosen'
              : owed
                ? (owes ?? 'A reason is owed')
                : 'Your decision'
        }
        detail={
          settled
            ? 'what follows is done next'
            : chosen.length === 0
              ? 'no finding accuses a part'
              : chosen.map((ending) => endingWords(sheet, ending)).join('; ')
        }
      >
        <Button kind="go" hint="Enter" onClick={primary} disabled={!ready}>
          {settled ? 'Go on' : decideWords()}
        </Button>
      </ActionBar>
    </>
  );
}

interface ReasonFieldProps {
  readonly question: string;
  readonly reason: string;
  readonly onChange: (reason: string) => void;
}

function ReasonField({ question, reason, onChange }: ReasonFieldProps) {
  return (
    <label className="mt-4 block">
      <span className="font-semibold">{question}</span>{' '}
      <span className="text-[14px] text-soft">It goes on the record.</span>
      <textarea
        rows={2}
        value={reason}
        maxLength={4000}
        onChange={(event) => onChange(event.target.value)}
        className="mt-1 block w-full border border-soft bg-card px-3 py-2"
      />
    </label>
  );
}
