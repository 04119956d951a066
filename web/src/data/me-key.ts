/** Under which the device's store keeps who is working on it: for page and service worker alike. */
import type { PersonResource } from '@jeitinho/core';
import type { LocalStore } from './local-store';

export const ME_KEY = 'me';

export interface KeptMe {
  readonly person: PersonResource;
  /** Whether the server's cookie is theirs: else what they write waits for it. */
  readonly signedIn: boolean;
}

/** Whoever works here; undefined where nobody signed in yet. */
async function keptMe(store: LocalStore): Promise<KeptMe | undefined> {
  const kept = await store.documents.get(ME_KEY);
  // Written by this program alone.
  return kept?.value as KeptMe | undefined;
}

const namesOf = ({ name, formerly }: PersonResource): ReadonlySet<string> =>
  new Set([name, ...formerly]);

/** All names of whoever works here; undefined where nobody signed in yet. */
export async function namesHere(store: LocalStore): Promise<ReadonlySet<string> | undefined> {
  const me = await keptMe(store);
  return me && namesOf(me.person);
}

/** Under which names entries may be sent now: none while their author is not signed in. */
export async function namesSent(store: LocalStore): Promise<ReadonlySet<string> | undefined> {
  const me = await keptMe(store);
  return me && (me.signedIn ? namesOf(me.person) : new Set());
}
