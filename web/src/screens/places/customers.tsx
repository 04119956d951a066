/** Customers with what stands at their places: found by any word of them, added, brought in from a list. */
import type { PlaceResource } from '@jeitinho/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { placesOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { Notice } from '../../parts/notice';
import { SearchLine } from '../../parts/search-line';
import { NewCustomer } from './place-forms';

export function Customers() {
  const [words, setWords] = useState('');
  const asked = useDeferredValue(words.trim());
  const query = useInfiniteQuery(placesOptions(asked));
  const navigate = useNavigate();
  const found = query.data?.pages.flatMap(({ items }) => items) ?? [];
  return (
    <DeskFrame>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="m-0 text-[25px] font-bold">Customers</h1>
        <div className="flex flex-wrap items-center gap-3">
          <Link to="/customers/import" className="inline-flex min-h-11 items-center px-2 text-ink">
            Bring in a list
          </Link>
          <NewCustomer onAdded={(id) => void navigate(`/customers/${id}`)} />
        </div>
      </div>
      <SearchLine
        label="A name, a street, a serial number, a model, what it is called"
        words={words}
        onWords={setWords}
      />
      <Notice
        text={
          query.isError
            ? 'The customers cannot be fetched: the server does not answer, and this device has none kept.'
            : undefined
        }
      />
      <p role="status" className="mt-2 mb-1 text-[14px] text-soft">
        {query.isPending ? 'Looking …' : countWords(found.length, asked, query.hasNextPage)}
      </p>
      <ol className="m-0 list-none p-0">
        {found.map((place) => (
          <PlaceRow key={place.id} place={place} words={asked} />
        ))}
      </ol>
      {query.isSuccess && found.length === 0 && (
        <p className="border-l-4 border-marigold bg-marigold-tint px-4 py-3">
          {asked === ''
            ? 'No customers yet. Add the first with “New customer”, or bring in the list you have.'
            : 'Nobody by those words. Fewer of them, or their beginnings, find more.'}
        </p>
      )}
      {query.hasNextPage && (
        <p className="mt-4">
          <Button disabled={query.isFetchingNextPage} onClick={() => void query.fetchNextPage()}>
            {query.isFetchingNextPage ? 'One moment …' : 'Show more'}
          </Button>
        </p>
      )}
    </DeskFrame>
  );
}

function countWords(n: number, words: string, more: boolean): string {
  const customers = n === 1 ? 'one customer' : `${n} customers`;
  if (words !== '') return `${customers} by “${words}”`;
  return more ? `the first ${n} customers` : customers;
}

/** The units that the words speak of; all where they speak of the customer alone. */
function unitsShown({ sites }: PlaceResource, words: string) {
  const all = sites.flatMap((site) => site.units.map((unit) => ({ unit, site })));
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const meant = all.filter(({ unit }) => {
    const text = `${unit.label} ${unit.maker} ${unit.model} ${unit.serial}`.toLowerCase();
    return wanted.some((word) => text.includes(word));
  });
  return meant.length > 0 ? meant : all;
}

/** A shop's longest customer would fill the screen. */
const MOST_UNITS = 8;

function PlaceRow({ place, words }: { readonly place: PlaceResource; readonly words: string }) {
  const shown = unitsShown(place, words);
  const count = place.sites.reduce((sum, { units }) => sum + units.length, 0);
  return (
    <li className="grid grid-cols-[minmax(0,20rem)_minmax(0,1fr)] gap-x-6 border-b border-hair py-1 max-lg:grid-cols-1">
      <Link
        to={`/customers/${place.id}`}
        className="flex min-h-11 flex-col justify-center text-ink no-underline"
      >
        <strong className="text-[18px]">{place.name}</strong>
        <span className="text-[14px] text-soft">{placeWords(place)}</span>
      </Link>
      <ul className="m-0 flex list-none flex-wrap items-center gap-x-5 p-0">
        {shown.slice(0, MOST_UNITS).map(({ unit }) => (
          <li key={unit.id}>
            <Link to={`/units/${unit.id}`} className="inline-flex min-h-11 items-center gap-2">
              <span className="text-ink">{unit.label}</span>
              <span className="figure text-[14px] text-soft">{unit.model}</span>
            </Link>
          </li>
        ))}
        {count > Math.min(shown.length, MOST_UNITS) && (
          <li className="text-[14px] text-soft">
            {count - Math.min(shown.length, MOST_UNITS)} more
          </li>
        )}
        {count === 0 && <li className="text-[14px] text-soft">no unit yet</li>}
      </ul>
    </li>
  );
}

function placeWords({ phone, sites }: PlaceResource): string {
  const [first] = sites;
  const where = sites.length > 1 ? `${sites.length} places` : (first?.address ?? '');
  return [where, first?.town, phone].filter(Boolean).join(' · ');
}
