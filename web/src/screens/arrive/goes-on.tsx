/** What this visit goes on from: the findings and the work of the one before. */
import { Link } from 'react-router';
import { longDay } from '../../data/now';
import { useJob } from '../job/job-context';
import { stagePath } from '../job/paths';

export function GoesOn() {
  const { state } = useJob();
  const { continues } = state;
  if (!continues) return null;
  const count = continues.carried.length;
  return (
    <section
      aria-label="Goes on from an earlier visit"
      className="mt-4 border-l-4 border-jade bg-jade-tint px-4 py-2"
    >
      <p className="m-0">
        <strong>Goes on from the visit of {longDay(continues.at)}.</strong> What was found and done
        then counts, as of that day.{' '}
        <Link to={stagePath(continues.job, 'sign')} className="text-ink">
          Its report
        </Link>
      </p>
      <details>
        <summary className="min-h-11 cursor-pointer py-2">
          {count} {count === 1 ? 'thing' : 'things'} taken over
        </summary>
        <ul className="m-0 columns-2 list-none gap-6 p-0 pb-2 text-[15px] max-lg:columns-1">
          {continues.carried.map(({ words }, i) => (
            <li key={i}>{words}</li>
          ))}
        </ul>
      </details>
    </section>
  );
}
