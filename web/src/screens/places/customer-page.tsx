/** A customer: how they are reached, their places, what stands there. */
import type { PlaceResource } from '@jeitinho/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { ask } from '../../data/api';
import { placeOptions } from '../../data/queries';
import { DeskFrame } from '../../parts/desk-frame';
import { many } from '../../parts/many';
import { NotHere } from '../not-here';
import { useMay } from '../../data/me';
import { EraseCustomer } from './erase-customer';
import { MergeDialog } from './merge-dialog';
import { EditCustomer, EditSite, NewSite, NewUnit } from './place-forms';

export function CustomerPage() {
  const { customerId = '' } = useParams();
  const query = useQuery(placeOptions(customerId));
  if (query.isPending)
    return (
      <DeskFrame>
        <p className="text-soft">Looking …</p>
      </DeskFrame>
    );
  const [place] = query.data ?? [];
  if (!place)
    return (
      <NotHere
        what={query.isError ? 'This customer cannot be shown now' : 'There is no such customer'}
        detail={
          query.isError
            ? 'The server does not answer, and this device has not seen them before.'
            : 'The address may be mistyped, or come from another shop.'
        }
      />
    );
  return <Customer place={place} />;
}

function Customer({ place }: { readonly place: PlaceResource }) {
  const mayErase = useMay('eraseCustomer');
  const mayEdit = useMay('editCustomer');
  return (
    <DeskFrame>
      <p className="m-0 text-[14px]">
        <Link to="/customers" className="text-soft">
          Customers
        </Link>
      </p>
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1 className="m-0 text-[25px] leading-tight font-bold">{place.name}</h1>
          <p className="m-0 text-[17px]">
            {place.phone ? (
              <a href={`tel:${place.phone}`} className="figure inline-flex min-h-11 items-center">
                {place.phone}
              </a>
            ) : (
              <span className="text-soft">no phone noted</span>
            )}
          </p>
        </div>
        <div className="flex flex-wrap items-center gap-2">
          {mayErase && <EraseCustomer id={place.id} name={place.name} />}
          {mayEdit && (
            <MergeDialog
              id={place.id}
              name={place.name}
              guess={place.name.split(' ')[0] ?? ''}
              belongings="places and units"
              find={async (q) =>
                (await ask('places', { query: { q } })).map(({ id, name, phone, sites }) => ({
                  id,
                  title: name,
                  detail: [phone, ...sites.map((site) => site.address || site.name)]
                    .filter(Boolean)
                    .join(' · '),
                }))
              }
              merge={(double) =>
                ask('mergeCustomer', { params: { id: place.id }, body: { double } })
              }
            />
          )}
          {mayEdit && <EditCustomer customer={place} />}
          <NewSite customerId={place.id} />
        </div>
      </div>
      {place.sites.map((site) => (
        <Site key={site.id} site={site} place={place} />
      ))}
      {place.sites.length === 0 && (
        <p className="mt-5 border-l-4 border-marigold bg-marigold-tint px-4 py-3">
          No place yet. Add the house, the roof or the cold room with “New place”; its units follow.
        </p>
      )}
    </DeskFrame>
  );
}

type SiteOf = PlaceResource['sites'][number];

function Site({ site, place }: { readonly site: SiteOf; readonly place: PlaceResource }) {
  const navigate = useNavigate();
  const others = place.sites.filter(({ id }) => id !== site.id);
  return (
    <section aria-label={site.name} className="mt-7">
      <div className="flex flex-wrap items-end justify-between gap-x-3 border-b border-ink pb-1">
        <div>
          <h2 className="m-0 text-[18px] font-bold">
            <Link to={`/sites/${site.id}`} className="inline-flex min-h-11 items-center text-ink">
              {site.name}
            </Link>
          </h2>
          <p className="m-0 text-soft">
            {[site.address, site.town].filter(Boolean).join(', ') || 'no address noted'}
          </p>
        </div>
        <div className="flex flex-wrap items-center">
          {others.length > 0 && (
            <MergeDialog
              id={site.id}
              name={site.name}
              guess=""
              belongings="units"
              find={(words) =>
                Promise.resolve(
                  others
                    .filter(({ name }) => name.toLowerCase().includes(words.toLowerCase()))
                    .map(({ id, name, address, units }) => ({
                      id,
                      title: name,
                      detail: [address, many(units.length, 'unit', 'units')]
                        .filter(Boolean)
                        .join(' · '),
                    })),
                )
              }
              merge={(double) => ask('mergeSite', { params: { id: site.id }, body: { double } })}
            />
          )}
          <EditSite site={site} />
          <NewUnit siteId={site.id} onAdded={(id) => void navigate(`/units/${id}`)} />
        </div>
      </div>
      <ul className="m-0 list-none p-0">
        {site.units.map((unit) => (
          <li key={unit.id} className="border-b border-hair">
            <Link
              to={`/units/${unit.id}`}
              className="flex min-h-14 flex-wrap items-center gap-x-4 py-1 text-ink no-underline"
            >
              <strong className="min-w-40 text-[17px]">{unit.label}</strong>
              <span className="figure">
                {unit.maker} {unit.model}
              </span>
              <span className="figure text-soft">{unit.serial}</span>
              {!unit.sheetId && <span className="text-[14px] text-marigold">▲ no sheet yet</span>}
            </Link>
          </li>
        ))}
        {site.units.length === 0 && (
          <li className="py-3 text-soft">No unit here yet. Add it as its plate says.</li>
        )}
      </ul>
    </section>
  );
}
