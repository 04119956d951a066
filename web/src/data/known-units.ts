/** Units that this device knows of, found by their words while the server is away. */
import { hasWords, plainWords, type PlaceResource, type UnitFound } from '@jeitinho/core';
import { localStore, type LocalStore } from './local-store';

/** The shop's places as they are kept for times without the server: as many as one page has. */
export const PLACES_KEPT = 200;
export const placesKeptKey = 'places-kept';

const MOST_FOUND = 30;

/** Undefined where this device knows of none at all. */
export async function unitsKnownHere(
  words: string,
  store: LocalStore = localStore,
  most = MOST_FOUND,
): Promise<UnitFound[] | undefined> {
  const places = ((await store.documents.get(placesKeptKey))?.value ?? []) as PlaceResource[];
  const units = places.flatMap(({ sites }) =>
    sites.flatMap((site) =>
      site.units.map((unit) => ({
        found: { ...unit, siteName: site.name, town: site.town },
        address: site.address,
      })),
    ),
  );
  const jobs = await store.jobs.toArray();
  const visited = jobs.map(({ unit, site }) => ({
    found: { ...unit, siteName: site.name, town: site.town },
    address: site.address,
  }));
  const known = [...new Map([...visited, ...units].map((each) => [each.found.id, each])).values()];
  if (known.length === 0) return undefined;
  const wanted = plainWords(words);
  return known
    .filter(({ found: { label, maker, model, serial, siteName, town }, address }) => {
      return hasWords([label, maker, model, serial, siteName, town, address], wanted);
    })
    .map(({ found }) => found)
    .sort((a, b) => a.label.localeCompare(b.label))
    .slice(0, most);
}
