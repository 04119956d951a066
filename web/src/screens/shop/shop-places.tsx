/** The rooms of the shop: prices, people, keeping, trail; those that one may enter. */
import { NavLink } from 'react-router';
import type { RouteName } from '@jeitinho/core';
import { may, useMe } from '../../data/me';

const ROOMS: readonly (readonly [string, string, RouteName])[] = [
  ['/shop', 'Prices', 'priceList'],
  ['/people', 'People', 'people'],
  ['/keeping', 'Keeping', 'keeping'],
  ['/trail', 'Trail', 'audit'],
];

export function ShopPlaces() {
  const me = useMe();
  return (
    <nav aria-label="Rooms of the shop" className="-mt-2 mb-3 flex flex-wrap gap-x-1">
      {ROOMS.filter(([, , route]) => may(me, route) !== undefined).map(([to, words]) => (
        <NavLink
          key={to}
          to={to}
          className="flex min-h-11 items-center px-3 text-soft no-underline first:-ml-3 aria-[current=page]:font-semibold aria-[current=page]:text-ink aria-[current=page]:underline aria-[current=page]:decoration-2 aria-[current=page]:underline-offset-8"
        >
          {words}
        </NavLink>
      ))}
    </nav>
  );
}
