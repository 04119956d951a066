/** Signing in and out: by password, by passkey, by a link, and in the demo by one press. */
import {
  demoSignInInput,
  linkLookInput,
  linkUseInput,
  passkeySignInInput,
  signInInput,
  type SessionResource,
} from '@jeitinho/core';
import { Hono, type Context } from 'hono';
import { giveToken, takeToken, tokenIn } from '../auth/cookie';
import { signInLimit } from '../auth/client-limit';
import { linkAt, ownerWanted } from '../auth/links';
import { askForPasskey, personByPasskey } from '../auth/passkeys';
import { hashPassword, rightPassword, weakness } from '../auth/passwords';
import { digest } from '../auth/secrets';
import { beginSession, endSessions } from '../auth/sessions';
import { forgetWrong, mayTry, noteWrong } from '../auth/slow-down';
import { jsonBody } from '../json-body';
import { notFound, ProblemError } from '../problem';
import { audit } from '../store/audit';
import type { Store } from '../store/models/index';
import type { Person } from '../store/models/people';
import { addPerson, freeName, livingPeople, livingPerson, personResource } from '../store/people';
import { holdsPasskeys, placeOf, type Surroundings } from '../surroundings';

export const sessionRoutes = (store: Store, around: Surroundings) => {
  const { secure, madeUp } = around;

  async function sessionOf(c: Context, person: Person | null): Promise<SessionResource> {
    const [living, wanted] = await Promise.all([livingPeople(store), ownerWanted(store)]);
    const demo = madeUp ? living.filter((each) => each.demo) : [];
    return {
      person: person && personResource(person),
      hasPassword: person?.password != null,
      demo: demo.map(({ id, name, roles }) => ({ id, name, roles: [...roles] })),
      ownerWanted: wanted && demo.length === 0,
      passkeys: holdsPasskeys(placeOf(c, around).host, secure),
    };
  }

  /** A new session, and the one that this device had before is over: no token outlives a change of hands. */
  async function signIn(c: Context, person: Person, device: string, how: string) {
    const before = tokenIn(c, secure);
    if (before) await store.sessions.destroy({ where: { token: digest(before) } });
    const { token } = await beginSession(store, person, device);
    giveToken(c, token, secure);
    await audit(store, person.name, 'signed-in', { how, device });
    return c.json(await sessionOf(c, person));
  }

  return new Hono()
    .use(signInLimit(around))
    .get('/', async (c) => {
      const person = c.get('person');
      return c.json(await sessionOf(c, person ? await store.people.findByPk(person.id) : null));
    })
    .post('/', async (c) => {
      const { login, password, device } = await jsonBody(c, signInInput);
      await mayTry(store, login);
      const person = await store.people.findOne({
        where: { login: login.trim(), removedAt: null },
      });
      if (!(await rightPassword(person?.password, password))) {
        const failed = await noteWrong(store, login);
        // Not what was typed: it may be the password.
        await audit(store, person?.name ?? 'nobody known', 'wrong-password', { failed });
        throw new ProblemError(
          403,
          'wrong-password',
          'Name and password do not belong together. Nothing that you wrote here is lost.',
        );
      }
      await forgetWrong(store, login);
      return signIn(c, person!, device, 'password');
    })
    .delete('/', async (c) => {
      const person = c.get('person')!;
      await store.sessions.destroy({ where: { id: person.session } });
      takeToken(c, secure);
      await audit(store, person.name, 'signed-out');
      return c.body(null, 204);
    })
    .post('/demo', async (c) => {
      const { person: id, device } = await jsonBody(c, demoSignInInput);
      const person = madeUp ? await store.people.findByPk(id) : null;
      if (!person?.demo || person.removedAt) throw notFound('such person of a demo');
      return signIn(c, person, device, 'demo');
    })
    .post('/passkey/ask', async (c) => c.json(await askForPasskey(store, placeOf(c, around))))
    .post('/passkey', async (c) => {
      const { id, response, device } = await jsonBody(c, passkeySignInInput);
      const person = await personByPasskey(store, placeOf(c, around), id, response);
      return signIn(c, person, device, 'passkey');
    })
    .post('/link/look', async (c) => {
      const { token } = await jsonBody(c, linkLookInput);
      const link = await linkAt(store, token);
      const person = link.personId ? await livingPerson(store, link.personId) : null;
      return c.json({
        kind: link.kind,
        name: person?.name ?? '',
        login: person?.login ?? '',
        until: link.until.toISOString(),
      });
    })
    .post('/link', async (c) => {
      const { token, name, login, password, device } = await jsonBody(c, linkUseInput);
      const link = await linkAt(store, token);
      const kept = link.personId ? await livingPerson(store, link.personId) : null;
      const called = kept?.name ?? name?.trim();
      if (called === undefined)
        throw new ProblemError(
          422,
          'invalid-body',
          'Nothing was stored: say what you are called.',
          {
            errors: [{ path: '/name', message: 'is missing.' }],
          },
        );
      refuseWeak(password, [called, login]);
      const other = await store.people.findOne({ where: { login: login.trim() } });
      if (other && other.id !== kept?.id)
        throw new ProblemError(
          409,
          'login-taken',
          'Somebody else signs in with this name: choose another.',
          {
            errors: [{ path: '/login', message: 'is taken.' }],
          },
        );
      // Before the link is used up: whoever chooses a name that is taken chooses another, by the same link.
      if (!kept) await freeName(store, called);
      const hashed = await hashPassword(password);
      // Used up first: of two that come at once, one finds it gone.
      if ((await store.links.destroy({ where: { token: digest(token) } })) === 0)
        await linkAt(store, token);
      const person =
        kept ?? (await addPerson(store, { name: called, roles: ['owner', 'lead', 'technician'] }));
      await person.update({ login: login.trim(), password: hashed });
      await forgetWrong(store, login);
      await endSessions(store, person.id);
      await audit(store, person.name, 'link-used', { kind: link.kind });
      return signIn(c, person, device, 'link');
    });
};

/** @throws {ProblemError} 422 */
export function refuseWeak(password: string, about: readonly string[]): void {
  const weak = weakness(password, about);
  if (weak !== undefined)
    throw new ProblemError(422, 'weak-password', `Nothing was stored: the password ${weak}`, {
      errors: [{ path: '/password', message: weak }],
    });
}
