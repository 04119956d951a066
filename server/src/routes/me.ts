/** One's own ways in, and the devices that one is signed in on. */
import {
  passkeyKeepInput,
  passwordInput,
  type DeviceResource,
  type PasskeyResource,
} from '@jeitinho/core';
import { Hono } from 'hono';
import { me } from '../auth/guard';
import { keepPasskey, offerPasskey } from '../auth/passkeys';
import { hashPassword, rightPassword } from '../auth/passwords';
import { devicesOf, endsAt, endSessions } from '../auth/sessions';
import { forgetWrong, mayTry, noteWrong } from '../auth/slow-down';
import { jsonBody } from '../json-body';
import { notFound, ProblemError } from '../problem';
import { audit } from '../store/audit';
import type { Store } from '../store/models/index';
import type { Passkey, Session } from '../store/models/people';
import { livingPerson } from '../store/people';
import { shopOf } from '../store/resources';
import { holdsPasskeys, placeOf, type Surroundings } from '../surroundings';
import { refuseWeak } from './session';

const passkeyResource = ({ id, name, madeAt, usedAt }: Passkey): PasskeyResource => ({
  id,
  name,
  madeAt: madeAt.toISOString(),
  usedAt: usedAt?.toISOString() ?? null,
});

export const deviceResource = (session: Session, here?: string): DeviceResource => ({
  id: session.id,
  name: session.device,
  signedInAt: session.madeAt.toISOString(),
  seenAt: session.seenAt.toISOString(),
  until: endsAt(session).toISOString(),
  here: session.id === here,
});

export const myRoutes = (store: Store, around: Surroundings) =>
  new Hono()
    .put('/password', async (c) => {
      const { old, password } = await jsonBody(c, passwordInput);
      const person = await livingPerson(store, me(c).id);
      if (person.demo || person.login == null)
        throw new ProblemError(
          409,
          'no-login',
          'Made-up people have no password: they sign in by one press.',
        );
      await mayTry(store, person.login);
      if (!(await rightPassword(person.password, old))) {
        await noteWrong(store, person.login);
        throw new ProblemError(
          403,
          'wrong-password',
          'Nothing was changed: the old password is another.',
        );
      }
      refuseWeak(password, [person.name, person.login]);
      await person.update({ password: await hashPassword(password) });
      await forgetWrong(store, person.login);
      // Whoever knew the old one is out.
      await endSessions(store, person.id, me(c).session);
      await audit(store, person.name, 'password-changed');
      return c.body(null, 204);
    })
    .get('/passkeys', async (c) => {
      const rows = await store.passkeys.findAll({
        where: { personId: me(c).id },
        order: [['madeAt', 'ASC']],
      });
      return c.json(rows.map(passkeyResource));
    })
    .post('/passkeys/ask', async (c) => {
      const place = placeOf(c, around);
      if (me(c).demo || !holdsPasskeys(place.host, around.secure))
        throw new ProblemError(
          409,
          'no-passkeys-here',
          'Passkeys belong to a name over a secure connection: open this server by its name, not its number.',
        );
      return c.json(await offerPasskey(store, place, me(c), (await shopOf(store)).name));
    })
    .post('/passkeys', async (c) => {
      const key = await keepPasskey(
        store,
        placeOf(c, around),
        me(c).id,
        await jsonBody(c, passkeyKeepInput),
      );
      await audit(store, me(c).name, 'passkey-made', { name: key.name });
      return c.json(passkeyResource(key), 201);
    })
    .delete('/passkeys/:id', async (c) => {
      const where = { id: c.req.param('id'), personId: me(c).id };
      if ((await store.passkeys.destroy({ where })) === 0) throw notFound('such passkey');
      await audit(store, me(c).name, 'passkey-dropped');
      return c.body(null, 204);
    });

export const deviceRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const { id, session } = me(c);
      return c.json((await devicesOf(store, id)).map((each) => deviceResource(each, session)));
    })
    .delete('/:id', async (c) => {
      const session = await store.sessions.findByPk(c.req.param('id'));
      if (!session) throw notFound('such device');
      const whose = await store.people.findByPk(session.personId);
      await session.destroy();
      await audit(store, me(c).name, 'device-ended', {
        whose: whose?.name ?? '',
        device: session.device,
      });
      return c.body(null, 204);
    });
