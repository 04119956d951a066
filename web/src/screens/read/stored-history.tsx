/** What the machine remembers, to be copied before anything resets it; then what it said. */
import { Link } from 'react-router';
import { keepsWords } from '../history/keeps-words';
import { useJob } from '../job/job-context';

export function StoredHistory() {
  const { job, sheet, state } = useJob();
  const kept = state.histories?.at(-1);
  const warning = keepsWords(sheet);
  return (
    <p
      className={`m-0 mt-4 flex flex-wrap items-center gap-x-4 ${warning && !kept ? 'border-l-4 border-marigold bg-marigold-tint px-4 py-2' : ''}`}
    >
      {!kept && warning && <span className="min-w-0 flex-1">{warning}</span>}
      <Link
        to={`/jobs/${job.id}/history`}
        className="inline-flex min-h-11 items-center font-semibold text-ink underline decoration-jade underline-offset-4"
      >
        {kept
          ? `Stored history, ${kept.rows.length} ${kept.rows.length === 1 ? 'entry' : 'entries'}`
          : 'Copy the stored history'}
      </Link>
    </p>
  );
}
