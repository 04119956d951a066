/** What is owed when it comes to signing: named here, and signed all the same only with a reason. */
import { owedAtSigning } from '@jeitinho/core/job';
import { useDraft } from '../../data/draft';
import { Link } from 'react-router';
import { LINK } from '../../parts/link';
import { useJob } from '../job/job-context';
import { stagePath } from '../job/paths';

export interface OwedState {
  readonly lines: readonly string[];
  readonly reason: string;
  readonly setReason: (text: string) => void;
  /** Whether something is owed and no reason written. */
  readonly unsaid: boolean;
}

export function useOwed(): OwedState {
  const { job, sheet, state } = useJob();
  const [reason, setReason] = useDraft(`owed.${job.id}`);
  const lines = state.decision ? owedAtSigning(sheet, state) : [];
  return { lines, reason, setReason, unsaid: lines.length > 0 && reason.trim() === '' };
}

export function OwedPanel({ owed }: { readonly owed: OwedState }) {
  const { job } = useJob();
  if (owed.lines.length === 0) return null;
  return (
    <section
      aria-labelledby="owed"
      className="no-print mt-5 border border-ink border-l-4 border-l-marigold bg-marigold-tint p-5 max-lg:p-4"
    >
      <h2 id="owed" className="m-0 text-[20px] font-bold">
        Still owed
      </h2>
      <ul className="m-0 mt-1 pl-5">
        {owed.lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <p className="m-0 mt-1">
        Do it in{' '}
        <Link to={stagePath(job.id, 'mend')} className={LINK}>
          Mend
        </Link>{' '}
        or{' '}
        <Link to={stagePath(job.id, 'prove')} className={LINK}>
          Prove
        </Link>
        , or write why it is signed all the same. Both stand in the report, and a repair that is not
        proven comes up on Today in a week.
      </p>
      <label className="mt-2 block text-[14px] text-soft">
        Why it is signed with this owed
        <textarea
          rows={2}
          value={owed.reason}
          maxLength={4000}
          onChange={(event) => owed.setReason(event.target.value)}
          className="mt-1 block w-full border border-soft bg-paper px-3 py-2 text-[16px] text-ink"
        />
      </label>
    </section>
  );
}
