/** The same part replaced at other units of the site: ask what they share before the next one is bought. */
import { Link } from 'react-router';
import { longDay } from '../../data/now';
import { LINK } from '../../parts/link';
import { useJob } from '../job/job-context';

export function SitePattern({ part }: { readonly part: string }) {
  const { job } = useJob();
  const same = (job.pattern ?? []).filter(
    (each) => each.sheetId === job.sheetId && each.part === part,
  );
  if (same.length === 0) return null;
  return (
    <div className="border-l-4 border-marigold bg-marigold-tint px-3 py-2">
      <p className="m-0">
        <strong>
          {same.length === 1
            ? 'It is not the first here.'
            : `It is not the first here: ${same.length} before.`}
        </strong>{' '}
        What do they share: the supply, heat, moisture, the last person’s work?
      </p>
      <ul className="m-0 list-none p-0 text-[15px]">
        {same.map(({ job: id, unit, at, partName }) => (
          <li key={id}>
            <Link to={`/jobs/${id}/sign`} className={LINK}>
              {unit}, {longDay(at)}
            </Link>
            <span className="sr-only">: {partName}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
