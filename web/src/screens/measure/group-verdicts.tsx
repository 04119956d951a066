/** What the readings of a test say together, as soon as it can be told. */
import { ruleTitle, verdictWords } from '@jeitinho/core/judge';
import type { MeasureTest } from '@jeitinho/core/sheet';
import { VERDICT_TEXT, VerdictMark } from '../../parts/verdict-mark';
import { useJob } from '../job/job-context';

export function GroupVerdicts({ test }: { test: MeasureTest }) {
  const { state } = useJob();
  const groups = state.groups.filter((group) =>
    group.test
      ? group.test.id === test.id
      : group.members.some((id) => id.split('@')[0] === test.id),
  );
  if (groups.length === 0) return null;
  return (
    <div role="status" aria-label="Taken together" className="mt-3">
      <ul className="m-0 list-none p-0">
        {groups.map(({ rule, judgement, taken, of }) => (
          <li key={rule.id} className="flex items-start gap-3 border border-hair bg-card px-3 py-2">
            <span className="pt-0.5">
              <VerdictMark verdict={judgement.verdict} outcome={judgement.outcome} />
            </span>
            <span>
              <strong className={VERDICT_TEXT[judgement.verdict]}>
                {ruleTitle(rule)}: {verdictWords(judgement).toLowerCase()}
              </strong>
              <span className="block text-[15px] text-soft">
                {judgement.sentence}
                {taken < of && ` Told after ${taken} of ${of}: the rest cannot mend it.`}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
