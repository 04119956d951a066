/** Who is working on a device: as the server says it, and as somebody says it while the server is away. */
import type { PersonResource, SessionResource } from '@jeitinho/core';
import { localStore } from './local-store';
import { forgetKnown, goOnAs, leave, myName, noteSession, noteSignedIn, turnNow } from './me';
import { ME_KEY, namesHere, namesSent } from './me-key';

const person = (name: string): PersonResource => ({
  ...{ id: name, name, roles: ['technician'], licences: [] },
  ...{ formerly: [`${name} before`], removedAt: null },
});
const session = (who: PersonResource | null): SessionResource => ({
  ...{ person: who, hasPassword: false, demo: [], ownerWanted: false, passkeys: false },
});
const [davi, rute] = [person('Davi'), person('Rute')];
const settled = () => new Promise((resolve) => setTimeout(resolve, 20));

test('the server’s word is noted, and their old names are theirs too', async () => {
  noteSession(session(davi));
  await settled();
  expect(myName()).toBe('Davi');
  expect(await namesSent(localStore)).toEqual(new Set(['Davi', 'Davi before']));
});

test('whoever goes on without the server is not turned back by another’s cookie', async () => {
  noteSession(session(davi));
  goOnAs({ id: 'Rute', name: 'Rute' });
  await settled();
  expect(myName()).toBe('Rute');
  // Nothing may be sent: the cookie is still Davi's.
  expect(await namesSent(localStore)).toEqual(new Set());
  expect(await namesHere(localStore)).toEqual(new Set(['Rute']));
  noteSession(session(davi));
  expect(myName()).toBe('Rute');
  noteSignedIn(rute, { passkey: true });
  await settled();
  expect(await namesSent(localStore)).toEqual(new Set(['Rute', 'Rute before']));
  // From here on the server's word counts again.
  noteSession(session(davi));
  expect(myName()).toBe('Davi');
});

test('what was asked before somebody came in says nothing of who is here after it', () => {
  noteSession(session(davi));
  const asked = turnNow();
  noteSignedIn(rute, {});
  noteSession(session(null), asked);
  noteSession(session(davi), asked);
  expect(myName()).toBe('Rute');
  noteSession(session(davi), turnNow());
  expect(myName()).toBe('Davi');
});

test('nobody signed in takes no name away: work goes on under it, and waits', () => {
  noteSession(session(davi));
  noteSession(session(null));
  expect(myName()).toBe('Davi');
});

test('who leaves is gone from the device’s store as well', async () => {
  noteSession(session(davi));
  await settled();
  leave();
  await settled();
  expect(myName()).toBe('technician');
  expect(await localStore.documents.get(ME_KEY)).toBeUndefined();
  forgetKnown('Davi');
});
