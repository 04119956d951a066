/** A part that could be replaced, with how likely it is and the findings behind that. */
import { isFinding, type PartSuspect } from '@jeitinho/core/diagnose';
import { percent } from '../../parts/percent';
import { evidenceWords } from '../job/evidence-words';
import { useAssessment } from '../job/job-context';
import { ROW, Tick } from './tick';

export interface PartChoiceProps {
  readonly rank: number;
  readonly suspect: PartSuspect;
  readonly ticked: boolean;
  readonly onToggle: () => void;
}

const MOST_REASONS = 4;

export function PartChoice({ rank, suspect, ticked, onToggle }: PartChoiceProps) {
  const assessment = useAssessment();
  const { part, p, fixed } = suspect;
  const faults = assessment.suspects.filter((each) => each.part?.id === part.id && each.p >= 0.02);
  return (
    <label className={ROW}>
      <span className="pt-1">
        <Tick name={`Replace: ${part.name}`} ticked={ticked} onToggle={onToggle} />
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
            part.licence ? `licence: ${part.licence}` : '',
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
        {(rank < 3 || ticked) && <Reasons suspect={suspect} />}
        {ticked &&
          part.before?.map((line) => (
            <span key={line} className="mt-1 block text-[15px] text-marigold">
              Before it goes on: {line}
            </span>
          ))}
      </span>
    </label>
  );
}

function Reasons({ suspect }: { readonly suspect: PartSuspect }) {
  const assessment = useAssessment();
  const telling = suspect.weights
    .filter(
      ({ strength, evidence }) =>
        strength !== 'nothing' && isFinding(assessment.evidence[evidence]!),
    )
    .sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor)))
    .slice(0, MOST_REASONS);
  if (telling.length === 0) return null;
  return (
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
  );
}
