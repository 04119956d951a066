/** Under which the device's store keeps who is signed in: for page and service worker alike. */
import type { PersonResource } from '@jeitinho/core';
import type { LocalStore } from './local-store';

export const ME_KEY = 'me';

/** All names that are theirs; undefined where nobody signed in here yet. */
export async function namesHere(store: LocalStore): Promise<ReadonlySet<string> | undefined> {
  const kept = await store.documents.get(ME_KEY);
  // Written by this program alone.
  const person = kept?.value as PersonResource | undefined;
  return person && new Set([person.name, ...person.formerly]);
}
