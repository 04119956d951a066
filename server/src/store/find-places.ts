/** Customers with their sites and units, found by the words of any of them. */
import { hasWords, type PlaceResource } from '@jeitinho/core';
import type { Store } from './models/index';
import type { Customer } from './models/customer';
import { raw } from './raw';
import { customerResource, siteResource, unitResource } from './resources';
import { anyOf, startingWith, wordsOf } from './words';

const MOST_FOUND = 30;
/** Customers with one of the words, before all words are looked for. */
const MOST_LOOKED_AT = 300;

/** @param words - Of the customer, their sites or units; each may be cut short. */
export async function findPlaces(store: Store, words: string): Promise<PlaceResource[]> {
  const list = wordsOf(words);
  const any = anyOf(list);
  const ids = any ? await withAnyWord(store, any) : await named(store, words.trim());
  const places = await placesOf(store, await store.customers.findAll({ where: { id: ids } }));
  return (any ? places.filter((place) => hasWords(textsOf(place), list)) : places)
    .sort((a, b) => a.name.localeCompare(b.name))
    .slice(0, MOST_FOUND);
}

const idsOf = (rows: readonly { readonly id: string }[]) => rows.map(({ id }) => id);

const named = async (store: Store, start: string) =>
  idsOf(
    await raw<{ id: string }[]>(
      store.sequelize,
      `SELECT id FROM customers WHERE name LIKE ? ORDER BY name, id LIMIT ${MOST_FOUND}`,
      [startingWith(start)],
    ),
  );

const withAnyWord = async (store: Store, any: string) =>
  idsOf(
    await raw<{ id: string }[]>(
      store.sequelize,
      `SELECT id FROM customers WHERE MATCH (name, phone) AGAINST (? IN BOOLEAN MODE)
       UNION
       SELECT customerId AS id FROM sites WHERE MATCH (name, address, town) AGAINST (? IN BOOLEAN MODE)
       UNION
       SELECT s.customerId AS id FROM units u JOIN sites s ON s.id = u.siteId
        WHERE MATCH (u.label, u.maker, u.model, u.serial) AGAINST (? IN BOOLEAN MODE)
       LIMIT ${MOST_LOOKED_AT}`,
      [any, any, any],
    ),
  );

const textsOf = ({ name, phone, sites }: PlaceResource): string[] => [
  name,
  phone,
  ...sites.flatMap((site) => [
    site.name,
    site.address,
    site.town,
    ...site.units.flatMap(({ label, maker, model, serial }) => [label, maker, model, serial]),
  ]),
];

/** The customers with everything that stands at their sites, in their order. */
export async function placesOf(
  store: Store,
  customers: readonly Customer[],
): Promise<PlaceResource[]> {
  const order: [string, string][] = [
    ['name', 'ASC'],
    ['id', 'ASC'],
  ];
  const sites = await store.sites.findAll({ where: { customerId: idsOf(customers) }, order });
  const units = await store.units.findAll({
    where: { siteId: idsOf(sites) },
    order: [
      ['label', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return customers.map((customer) => ({
    ...customerResource(customer),
    sites: sites
      .filter(({ customerId }) => customerId === customer.id)
      .map((site) => ({
        ...siteResource(site),
        units: units.filter(({ siteId }) => siteId === site.id).map(unitResource),
      })),
  }));
}
