/** On Today: what is to come after visits that are done or wait, overdue first. */
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { aheadItems, dueWords } from '../../data/ahead-items';
import { localDay } from '../../data/now';
import { aheadOptions } from '../../data/queries';
import { LINK } from '../../parts/link';

/** Days that are looked ahead here; the month has all. */
const DAYS = 14;
const MOST = 3;

export function AheadOfVisits({ now }: { readonly now: number }) {
  const query = useQuery(aheadOptions());
  const today = localDay(now);
  const until = localDay(now + DAYS * 86_400_000);
  const all = aheadItems(query.data ?? []);
  const soon = all.filter(({ on }) => on <= until);
  if (all.length === 0) return null;
  const shown = soon.slice(0, MOST);
  return (
    <section aria-label="What is to come" className="mb-8">
      <h2 className="m-0 flex items-baseline justify-between border-b border-ink pb-2 text-[18px] font-bold">
        What is to come
        <Link to="/month" className={`${LINK} text-[15px] font-normal`}>
          The month
        </Link>
      </h2>
      <ol className="m-0 list-none p-0">
        {shown.map(({ entry, text, on, job }) => (
          <li key={entry} className="border-b border-hair">
            <Link
              to={`/jobs/${job.id}/sign`}
              className="flex min-h-14 gap-4 py-2 text-ink no-underline"
            >
              <span
                className={`w-20 shrink-0 text-[15px] ${on < today ? 'font-semibold text-brick' : on === today ? 'font-semibold text-marigold' : 'text-soft'}`}
              >
                {on < today && '▲ '}
                {dueWords(on, today)}
              </span>
              <span className="min-w-0">
                <strong className="block">{text}</strong>
                <span className="text-[14px] text-soft">
                  {job.unit.label} · {job.site.name}
                </span>
              </span>
            </Link>
          </li>
        ))}
      </ol>
      {all.length > shown.length && (
        <p className="m-0 pt-1 text-[14px] text-soft">
          {all.length - shown.length} more in the month.
        </p>
      )}
    </section>
  );
}
