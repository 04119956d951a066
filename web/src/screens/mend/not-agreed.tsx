/** Before hands are in the machine: whether the customer agreed to what was decided. */
import { Link } from 'react-router';
import { money } from '../../parts/money';
import { LINK } from '../../parts/link';
import { useJob } from '../job/job-context';
import { stagePath } from '../job/paths';

export function NotAgreed() {
  const { job, state } = useJob();
  const { accepted, decision } = state;
  const current = accepted?.body.decision === decision?.id ? accepted?.body : undefined;
  if (current?.agreed)
    return (
      <p className="m-0 mt-2 text-jade">
        ✓ {current.by} agreed to {money(current.amount, current.currency)}.
      </p>
    );
  return (
    <p className="m-0 mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
      <strong>
        {current ? `${current.by} did not agree to it.` : 'Nobody has agreed to the cost yet.'}
      </strong>{' '}
      <Link to={stagePath(job.id, 'decide')} className={LINK}>
        {current ? 'Decide anew' : 'Note what they say'}
      </Link>
    </p>
  );
}
