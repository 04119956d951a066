/**
 * Passkeys (WebAuthn, level 2): the server gives a challenge, the browser's authenticator signs it for this
 * host name. The library checks; challenges are used once and kept in the database, for any server may be asked
 * the second time. User verification is required: a stolen phone alone opens nothing.
 */
import type {
  AuthenticationResponseJSON,
  AuthenticatorTransport,
  RegistrationResponseJSON,
} from '@simplewebauthn/server';
import { Op } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import { ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import type { Passkey, Person } from '../store/models/people';

/** It takes half a second to load: for the first passkey, and not for every start. */
const library = () => import('@simplewebauthn/server');

const PATIENCE_MS = 5 * 60_000;
const MOST_PASSKEYS = 20;

/** The address that the browser shows: passkeys belong to its name. */
export interface Place {
  readonly host: string;
  readonly origin: string;
}

const failed = () =>
  new ProblemError(
    403,
    'passkey-refused',
    'The passkey was not accepted. Try again, or sign in with your password.',
  );

async function begin(store: Store, personId: string | null, challenge: string) {
  const id = uuidv7();
  await store.ceremonies.create({
    id,
    personId,
    challenge,
    until: new Date(Date.now() + PATIENCE_MS),
  });
  return id;
}

/** A challenge that was given out, once. @throws {ProblemError} 403 */
async function challengeOf(store: Store, id: string, personId: string | null): Promise<string> {
  const where = { id, personId: personId ?? { [Op.is]: null } };
  const row = await store.ceremonies.findOne({ where });
  const used = (await store.ceremonies.destroy({ where })) === 0;
  if (!row || used || row.until.getTime() < Date.now()) throw failed();
  return row.challenge;
}

export async function askForPasskey(store: Store, { host }: Place) {
  const { generateAuthenticationOptions } = await library();
  const options = await generateAuthenticationOptions({
    rpID: host,
    userVerification: 'required',
    timeout: PATIENCE_MS,
  });
  return { id: await begin(store, null, options.challenge), options: { ...options } };
}

/** @throws {ProblemError} 403 */
export async function personByPasskey(
  store: Store,
  { host, origin }: Place,
  id: string,
  answer: Readonly<Record<string, unknown>>,
): Promise<Person> {
  const challenge = await challengeOf(store, id, null);
  // What it lacks of the shape, the library refuses.
  const response = answer as unknown as AuthenticationResponseJSON;
  const key =
    typeof response.id === 'string'
      ? await store.passkeys.findByPk(response.id.slice(0, 400))
      : null;
  const person = key && (await store.people.findByPk(key.personId));
  if (!key || !person || person.removedAt) throw failed();
  const { verifyAuthenticationResponse } = await library();
  const checked = await verifyAuthenticationResponse({
    response,
    expectedChallenge: challenge,
    expectedOrigin: origin,
    expectedRPID: host,
    requireUserVerification: true,
    credential: {
      id: key.id,
      publicKey: new Uint8Array(key.publicKey),
      counter: key.counter,
      transports: [...key.transports] as AuthenticatorTransport[],
    },
  }).catch(() => undefined);
  if (!checked?.verified) throw failed();
  await key.update({ counter: checked.authenticationInfo.newCounter, usedAt: new Date() });
  return person;
}

export async function offerPasskey(
  store: Store,
  { host }: Place,
  person: Pick<Person, 'id' | 'name'>,
  shop: string,
) {
  const known = await store.passkeys.findAll({ where: { personId: person.id } });
  if (known.length >= MOST_PASSKEYS)
    throw new ProblemError(
      409,
      'too-many',
      'Twenty passkeys are kept already: put one away first.',
    );
  const { generateRegistrationOptions } = await library();
  const options = await generateRegistrationOptions({
    rpName: shop,
    rpID: host,
    userID: new TextEncoder().encode(person.id),
    userName: person.name,
    attestationType: 'none',
    excludeCredentials: known.map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    timeout: PATIENCE_MS,
  });
  return { id: await begin(store, person.id, options.challenge), options: { ...options } };
}

/** @throws {ProblemError} 403 where it is not what was asked for. */
export async function keepPasskey(
  store: Store,
  { host, origin }: Place,
  personId: string,
  { id, response, name }: { readonly id: string; readonly response: object; readonly name: string },
): Promise<Passkey> {
  const challenge = await challengeOf(store, id, personId);
  const { verifyRegistrationResponse } = await library();
  const checked = await verifyRegistrationResponse({
    response: response as RegistrationResponseJSON,
    expectedChallenge: challenge,
    expectedOrigin: origin,
    expectedRPID: host,
    requireUserVerification: true,
  }).catch(() => undefined);
  if (!checked?.verified) throw failed();
  const { credential } = checked.registrationInfo;
  if (await store.passkeys.findByPk(credential.id)) throw failed();
  return store.passkeys.create({
    id: credential.id,
    personId,
    publicKey: Buffer.from(credential.publicKey),
    counter: credential.counter,
    transports: credential.transports ?? [],
    name,
    madeAt: new Date(),
  });
}
