/** Ways in, as the page asks for them. Each notes who is here, and what waited is sent. */
import type { SessionResource } from '@jeitinho/core';
import { ask } from './api';
import { leave, noteSignedIn } from './me';
import { sendAll } from './outbox';
import { patiently } from './piece';

/** What the list of one's devices calls this one. */
export function deviceTitle(agent = navigator.userAgent): string {
  const system = /Android|iPhone|iPad|Windows|Macintosh|Linux/.exec(agent)?.[0] ?? 'a device';
  const browser = /Firefox|Edg|OPR|Chrome|Safari/.exec(agent)?.[0] ?? 'a browser';
  const plain: Readonly<Record<string, string>> = { Edg: 'Edge', OPR: 'Opera', Macintosh: 'Mac' };
  return `${plain[browser] ?? browser} on ${plain[system] ?? system}`;
}

const device = () => deviceTitle();

async function noted(
  session: Promise<SessionResource>,
  how: { readonly login?: string; readonly passkey?: boolean } = {},
): Promise<SessionResource> {
  const answer = await session;
  if (answer.person) noteSignedIn(answer.person, how);
  void sendAll();
  return answer;
}

export const signIn = (login: string, password: string) =>
  noted(ask('signIn', { body: { login, password, device: device() } }), { login });

export const signInDemo = (person: string) =>
  noted(ask('signInDemo', { body: { person, device: device() } }));

export const comeInByLink = (body: {
  token: string;
  name?: string;
  login: string;
  password: string;
}) => noted(ask('useLink', { body: { ...body, device: device() } }), { login: body.login });

/** @throws {Error} with a sentence, also where the person or the browser breaks it off. */
export async function signInWithPasskey(): Promise<SessionResource> {
  const { startAuthentication } = await patiently(() => import('@simplewebauthn/browser'));
  const { id, options } = await ask('passkeyAsk', { body: undefined });
  const response = await brokenOff(() =>
    // What the library of the server made, the library of the browser takes.
    startAuthentication({ optionsJSON: options as never }),
  );
  return noted(
    ask('passkeySignIn', { body: { id, response: { ...response }, device: device() } }),
    { passkey: true },
  );
}

/** @throws {Error} with a sentence. */
export async function makePasskey(): Promise<void> {
  const { startRegistration } = await patiently(() => import('@simplewebauthn/browser'));
  const { id, options } = await ask('newPasskey', { body: undefined });
  const response = await brokenOff(() => startRegistration({ optionsJSON: options as never }));
  await ask('keepPasskey', { body: { id, response: { ...response }, name: device() } });
}

async function brokenOff<T>(ceremony: () => Promise<T>): Promise<T> {
  try {
    return await ceremony();
  } catch (error) {
    if ((error as Error).name === 'InvalidStateError')
      throw new Error('This device holds a passkey of yours already.', { cause: error });
    throw new Error('No passkey was used: it was broken off, or this device has none for here.', {
      cause: error,
    });
  }
}

export async function signOut(): Promise<void> {
  await ask('signOut', {});
  leave();
}
