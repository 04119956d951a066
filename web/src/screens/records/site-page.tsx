/** A site: what stands there, and everything of it over the years. */
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { ApiProblem, ask } from '../../data/api';
import { DeskFrame } from '../../parts/desk-frame';
import { many } from '../../parts/many';
import { NotHere } from '../not-here';
import { PatternCard } from './pattern-card';
import { Years } from './years';

export function SitePage() {
  const { siteId = '' } = useParams();
  const asked = useQuery({
    queryKey: ['sites', siteId, 'years'],
    queryFn: () => ask('siteYears', { params: { id: siteId } }),
    retry: false,
  });
  const patterns = useQuery({ queryKey: ['patterns'], queryFn: () => ask('patterns', {}) });
  if (asked.isPending)
    return (
      <DeskFrame>
        <p className="text-soft">Looking …</p>
      </DeskFrame>
    );
  if (!asked.data)
    return asked.error instanceof ApiProblem ? (
      <NotHere what="There is no such site" detail="The address may be mistyped." />
    ) : (
      <NotHere what="This site cannot be shown now" detail="The server does not answer." />
    );
  const { site, customer, units, years } = asked.data;
  const here = new Set(units.map(({ id }) => id));
  const own = (patterns.data?.patterns ?? []).filter(({ events }) =>
    events.every(({ unit }) => here.has(unit)),
  );
  return (
    <DeskFrame>
      <p className="m-0 text-[14px] text-soft">
        <Link to="/customers" className="text-soft">
          Customers
        </Link>{' '}
        ·{' '}
        <Link to={`/customers/${customer.id}`} className="text-soft">
          {customer.name}
        </Link>
      </p>
      <h1 className="m-0 text-[25px] leading-tight font-bold">{site.name}</h1>
      <p className="m-0 text-soft">{[site.address, site.town].filter(Boolean).join(', ')}</p>
      <ul className="m-0 mt-3 list-none p-0">
        {units.map(({ id, label, maker, model, visits }) => (
          <li key={id} className="border-b border-hair">
            <Link
              to={`/units/${id}`}
              className="flex min-h-12 items-center justify-between gap-4 text-ink no-underline"
            >
              <strong>{label}</strong>
              <span className="text-soft">
                {maker} {model} · {many(visits, 'visit', 'visits')}
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {own.map((each) => (
        <PatternCard
          key={`${each.by} ${each.group} ${each.what}`}
          pattern={each}
          currency={patterns.data!.currency}
        />
      ))}
      <Years years={years} whose="site" />
    </DeskFrame>
  );
}
