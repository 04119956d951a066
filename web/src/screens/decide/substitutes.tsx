/** Other parts that this shop has fitted in the place of one, and how they fared. */
import type { Part } from '@jeitinho/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { substitutesOptions } from '../../data/queries';
import { longDay } from '../../data/now';
import { LINK } from '../../parts/link';
import { useJob } from '../job/job-context';

export function Substitutes({ part }: { readonly part: Part }) {
  const { job, sheet } = useJob();
  const found = useQuery(substitutesOptions(sheet.id, part.id));
  const rows = (found.data ?? []).filter((row) => row.job !== job.id);
  if (rows.length === 0) return null;
  return (
    <ul aria-label="Fitted in its place before" className="m-0 list-none p-0 text-[15px]">
      {rows.map(({ job: id, number, at, fared }) => (
        <li key={`${id} ${number}`}>
          <strong>{number}</strong> on {longDay(at)}: {FARED[fared]}{' '}
          <Link to={`/jobs/${id}/sign`} className={LINK}>
            That visit
          </Link>
        </li>
      ))}
    </ul>
  );
}

const FARED = {
  proven: 'fitted, and proven to work.',
  unproven: 'fitted, and not proven.',
  'came-back': 'fitted, and the unit came back.',
  'not-fitted': 'held against it, and not fitted.',
} as const;
