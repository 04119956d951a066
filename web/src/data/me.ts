/**
 * Who is signed in on this device. Known here so that the page works without the server: entries carry the name
 * at once, and are sent when the server knows them too.
 */
import type { PersonResource, Role, RouteName, SessionResource } from '@jeitinho/core';
import { reachOf } from '@jeitinho/core';
import { useSyncExternalStore } from 'react';
import { ask } from './api';
import { dropItem, keepItem, keptItem } from './device';
import { localStore } from './local-store';
import { ME_KEY, type KeptMe } from './me-key';
import { onSignedOut } from './signed-out';

const ME = 'jeitinho.me';
const KNOWN = 'jeitinho.known';
const GOES_ON = 'jeitinho.goes-on';
const MOST_KNOWN = 12;

/** Somebody who signed in on this device before. */
export interface Known {
  readonly id: string;
  readonly name: string;
  /** What they sign in with; absent where one press does. */
  readonly login?: string | undefined;
  /** The last time by passkey. */
  readonly passkey?: boolean | undefined;
}

interface Here {
  readonly me: PersonResource | undefined;
  /** The server said that nobody is signed in here. */
  readonly signedOut: boolean;
  readonly known: readonly Known[];
  /** They go on all the same: what they write is kept, and sent when they sign in. */
  readonly goesOn: boolean;
}

function parsed<T>(key: string): T | undefined {
  try {
    return JSON.parse(keptItem(key) ?? 'null') ?? undefined;
  } catch {
    return undefined;
  }
}

let here: Here = {
  me: parsed<PersonResource>(ME),
  signedOut: keptItem(GOES_ON) !== undefined,
  goesOn: keptItem(GOES_ON) !== undefined,
  known: parsed<Known[]>(KNOWN) ?? [],
};
const listeners = new Set<() => void>();

function set(next: Here): void {
  here = next;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

// Another tab of this browser changed hands: one cookie, one person.
if (typeof window !== 'undefined')
  window.addEventListener('storage', ({ key }) => {
    if (key !== ME && key !== GOES_ON && key !== KNOWN) return;
    const goesOn = keptItem(GOES_ON) !== undefined;
    const me = parsed<PersonResource>(ME);
    set({ me, known: parsed<Known[]>(KNOWN) ?? [], goesOn, signedOut: goesOn || !me });
  });

/** For whatever sends, the service worker too, which sees only this store. */
function keepMe(person: PersonResource, signedIn: boolean): void {
  const value: KeptMe = { person, signedIn };
  localStore.documents.put({ key: ME_KEY, value }).catch(() => undefined);
  if (signedIn) dropItem(GOES_ON);
}

/** Grows with every change of hands: what was asked before one says nothing of who is here after it. */
let turn = 0;
export const turnNow = (): number => turn;

/** What the server says of this device. @param asked - The turn in which it was asked. */
export function noteSession({ person }: SessionResource, asked = turn): void {
  if (asked !== turn) return;
  // Somebody goes on here whom the server does not know yet: its cookie is still another's.
  if (!person || (here.goesOn && here.me?.id !== person.id)) return noteSignedOut();
  noteSignedIn(person);
}

/** Somebody came in, or is still in. @param how - How they did, where they just did. */
export function noteSignedIn(
  person: PersonResource,
  how?: { readonly login?: string; readonly passkey?: boolean },
): void {
  if (how) turn += 1;
  const before = here.known.find(({ id }) => id === person.id);
  keepItem(ME, JSON.stringify(person));
  const known = [
    {
      id: person.id,
      name: person.name,
      login: how?.login ?? before?.login,
      passkey: how ? how.passkey : before?.passkey,
    },
    ...here.known.filter(({ id }) => id !== person.id),
  ].slice(0, MOST_KNOWN);
  keepItem(KNOWN, JSON.stringify(known));
  keepMe(person, true);
  set({ me: person, signedOut: false, goesOn: false, known });
}

/** The server knows nobody here: what is written waits, under the name that it has. */
export function noteSignedOut(): void {
  if (!here.signedOut) set({ ...here, signedOut: true });
}

/**
 * Something was refused for want of a session. It may have been sent under the one before a change of hands: the
 * server is asked who is here now.
 */
onSignedOut(() => {
  const asked = turn;
  ask('session', {}).then(
    (session) => noteSession(session, asked),
    () => undefined,
  );
});

/** They left this device: their name stays among those who may come back. */
export function leave(): void {
  turn += 1;
  dropItem(ME);
  dropItem(GOES_ON);
  localStore.documents.delete(ME_KEY).catch(() => undefined);
  set({ ...here, me: undefined, signedOut: true, goesOn: false });
}

/** Without the server the device changes hands all the same; what each writes waits for their own signing in. */
export function goOnAs({ id, name }: Known): void {
  const person: PersonResource =
    here.me?.id === id
      ? here.me
      : { id, name, roles: ['technician'], licences: [], formerly: [], removedAt: null };
  keepItem(ME, JSON.stringify(person));
  turn += 1;
  keepMe(person, false);
  keepItem(GOES_ON, person.id);
  set({ ...here, me: person, signedOut: true, goesOn: true });
}

export function forgetKnown(id: string): void {
  const known = here.known.filter((each) => each.id !== id);
  keepItem(KNOWN, JSON.stringify(known));
  set({ ...here, known });
}

export const useHere = (): Here => useSyncExternalStore(subscribe, () => here);
export const useMe = (): PersonResource | undefined => useHere().me;

/** Under which name entries are written now. */
export const myName = (): string => here.me?.name ?? 'technician';
export const useMyName = (): string => useHere().me?.name ?? 'technician';

/** Whether somebody may do something; what they may not is not offered. */
export const may = (person: { readonly roles: readonly Role[] } | undefined, route: RouteName) =>
  reachOf(route, person?.roles);
export const useMay = (route: RouteName): boolean => may(useMe(), route) !== undefined;
