/** Decide: ranked parts with their evidence; one is chosen, and another than the first takes a reason. */
import { headlineOf, leadingPart, notProvenWords, type PartSuspect } from '@jeitinho/core/diagnose';
import { useState } from 'react';
import { useDraft } from '../../data/draft';
import { ActionBar } from '../../parts/action-bar';
import { useArmed } from '../../parts/armed';
import { Button } from '../../parts/button';
import { useKeys } from '../../parts/keys';
import { percent } from '../../parts/percent';
import { evidenceWords } from '../job/evidence-words';
import { useJob } from '../job/job-context';
import { FittedPanel } from './fitted-panel';
import { useGoOn } from '../job/paths';
import { countWords, headlineWords, leadsWords, whyWords } from './headline-words';

const HAND_OVER = 'hand-over';

export function Decide() {
  const { job, state, assessment, record } = useJob();
  const { parts, other, sound } = assessment;
  const headline = headlineOf(assessment);
  // Only findings put a part first; what leads by elimination is not proposed.
  const leading = leadingPart(headline);
  const made = state.decision?.body;
  // Until somebody chooses, the choice follows the evidence, which may still be arriving.
  const [picked, setChoice] = useState<string>();
  const choice = picked ?? (made ? (made.part ?? HAND_OVER) : leading) ?? '';
  const [reason, setReason] = useDraft(`reason.${job.id}`);
  const chosen = parts.find((each) => each.part.id === choice);
  const needsReason = choice !== '' && choice !== leading;
  const owed = choice === '' || (needsReason && reason.trim() === '');
  const settled = made !== undefined && (made.part ?? HAND_OVER) === choice;
  const question = choice === HAND_OVER ? 'Why stop here?' : whyWords(headline);
  const goOn = useGoOn('decide');
  const decide = async () => {
    if (owed) return;
    const kept = await record('decision', {
      action: choice === HAND_OVER ? 'hand-over' : 'replace',
      part: choice === HAND_OVER ? null : choice,
      leading,
      probability: chosen?.p ?? 0,
      reason: needsReason ? reason.trim() : '',
    });
    if (kept) {
      setReason('');
      goOn();
    }
  };
  const armed = useArmed('decide');
  const ready = settled || (armed && !owed);
  const primary = () => (settled ? goOn() : armed && void decide());
  useKeys({ Enter: primary });
  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto px-6 py-5 max-lg:px-4">
        <h1 className="m-0 text-[25px] font-bold">{headlineWords(headline)}</h1>
        <p className="m-0 text-soft">
          {leadsWords(headline)} {countWords(assessment.evidence.length)}
          {headline.kind !== 'nothing-yet' &&
            ` ${percent(sound.p)} that nothing was wrong while it was measured, ${percent(other.p)} that it is something not on this sheet.`}
        </p>
        {assessment.surprise && (
          <p className="m-0 mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
            {evidenceWords(assessment.surprise.item)} quarrels with everything else. Repeat it
            before you decide.
          </p>
        )}
        <fieldset className="m-0 mt-4 border-0 p-0">
          <legend className="sr-only">What to do</legend>
          {parts.map((part, i) => (
            <PartChoice
              key={part.part.id}
              rank={leading === null ? i + 1 : i}
              suspect={part}
              chosen={choice}
              onChoose={setChoice}
            />
          ))}
          <label className="flex min-h-14 cursor-pointer items-center gap-4 border-b border-hair px-3 py-2 has-checked:bg-card">
            <Radio value={HAND_OVER} chosen={choice} onChoose={setChoice} />
            <span>
              <strong>Stop here and hand over</strong>
              <span className="block text-[14px] text-soft">
                To another licence, the maker, or a second pair of eyes. A respectable result.
              </span>
            </span>
          </label>
        </fieldset>
        {needsReason && <ReasonField question={question} reason={reason} onChange={setReason} />}
        {made?.action === 'replace' && <FittedPanel part={made.part!} />}
        <section className="mt-5 bg-marigold-tint px-4 py-3">
          <h2 className="m-0 text-[16px] font-bold text-marigold">Not proven</h2>
          <ul className="m-0 columns-2 list-none gap-8 p-0 text-[15px] max-lg:columns-1">
            {assessment.notProven.map((item, i) => (
              <li key={i}>{notProvenWords(item)}</li>
            ))}
            {assessment.notProven.length === 0 && <li>Every test of the sheet is taken.</li>}
          </ul>
        </section>
      </div>
      <ActionBar
        title={
          settled
            ? 'Decided'
            : choice === ''
              ? 'Nothing is chosen'
              : owed
                ? 'A reason is owed'
                : 'Your decision'
        }
        detail={
          settled
            ? 'next: the report'
            : choice === ''
              ? 'no finding accuses a part'
              : owed && leading !== null
                ? 'the first suspect leads; say why not it'
                : undefined
        }
      >
        <Button kind="go" hint="Enter" onClick={primary} disabled={!ready}>
          {settled
            ? 'Go on to Sign'
            : choice === HAND_OVER
              ? 'Hand over'
              : chosen
                ? `Decide: ${chosen.part.name}`
                : 'Choose what to do'}
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

interface RadioProps {
  readonly value: string;
  readonly chosen: string;
  readonly onChoose: (value: string) => void;
}

/** Arrow keys walk the choices; Enter stays free for the decision itself. */
function Radio({ value, chosen, onChoose }: RadioProps) {
  return (
    <input
      type="radio"
      name="decision"
      data-keys="on"
      value={value}
      checked={chosen === value}
      onChange={() => onChoose(value)}
      className="h-6 w-6 shrink-0 accent-[var(--jade)]"
    />
  );
}

interface PartChoiceProps {
  readonly rank: number;
  readonly suspect: PartSuspect;
  readonly chosen: string;
  readonly onChoose: (value: string) => void;
}

const MOST_REASONS = 4;

function PartChoice({ rank, suspect, chosen, onChoose }: PartChoiceProps) {
  const { assessment } = useJob();
  const { part, p, fixed } = suspect;
  const telling = suspect.weights
    .filter((weight) => weight.strength !== 'nothing')
    .sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor)))
    .slice(0, MOST_REASONS);
  const faults = assessment.suspects.filter((each) => each.part.id === part.id && each.p >= 0.02);
  return (
    <label className="flex cursor-pointer items-start gap-4 border-b border-hair px-3 py-3 has-checked:bg-card has-checked:outline-2 has-checked:-outline-offset-2 has-checked:outline-jade">
      <span className="pt-1">
        <Radio value={part.id} chosen={chosen} onChoose={onChoose} />
      </span>
      <span className="min-w-0 flex-1">
        <span className="flex items-baseline justify-between gap-3">
          <strong className={rank === 0 ? 'text-[20px]' : 'text-[17px]'}>{part.name}</strong>
          <span className={`figure ${rank === 0 ? 'text-[28px]' : 'text-[17px]'}`}>
            {percent(p)}
          </span>
        </span>
        <span className="block h-[7px] bg-hair" aria-hidden="true">
          <span className="grow block h-full bg-ink" style={{ width: `${p * 100}%` }} />
        </span>
        <span className="mt-1 block text-[14px] text-soft">
          {[
            part.number,
            part.minutes ? `${part.minutes} min` : '',
            `once it alone is replaced, the machine works: ${percent(fixed)}`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
        {faults.length > 0 && (
          <span className="mt-1 block text-[15px]">
            {faults.map((each) => `${each.fault.name} ${percent(each.p)}`).join(' · ')}
          </span>
        )}
        {telling.length > 0 && (rank < 3 || chosen === part.id) && (
          <span className="mt-1 block text-[15px] text-soft">
            {telling.map((weight) => (
              <span key={weight.evidence} className="block">
                <span className={weight.direction === 'for' ? 'text-ink' : ''}>
                  {weight.strength} {weight.direction}
                </span>
                : {evidenceWords(assessment.evidence[weight.evidence]!)}
              </span>
            ))}
          </span>
        )}
        {chosen === part.id &&
          part.before?.map((line) => (
            <span key={line} className="mt-1 block text-[15px] text-marigold">
              Before it goes on: {line}
            </span>
          ))}
      </span>
    </label>
  );
}
