/** Shops of their own: the first owner, the last one, and a server that others reach. */
import type { Problem, SessionResource } from '@jeitinho/core';
import { harness } from '../../testing/harness';
import { newLink } from './links';

const LONG = 'um longo caminho de volta';
const NOBODY = { cookie: 'none=1' };

test('a link makes the first owner, once', async () => {
  const shop = await harness({ demo: false });
  await shop.store.sessions.destroy({ where: {} });
  await shop.store.people.destroy({ where: {} });
  const first = await shop.get<SessionResource>('/api/v1/session', NOBODY);
  expect(first.body).toMatchObject({ person: null, ownerWanted: true, demo: [] });
  const { path } = await newLink(shop.store, 'owner', null);
  const token = path.split('#')[1]!;
  const body = { token, name: 'Lia Mota', login: 'lia', password: LONG, device: 'laptop' };
  const asked = await shop.post<{ kind: string }>('/api/v1/session/link/look', { token }, NOBODY);
  expect(asked.body.kind).toBe('owner');
  const weak = await shop.post(
    '/api/v1/session/link',
    { ...body, password: 'Lia Mota Lia Mota' },
    NOBODY,
  );
  expect([weak.status, weak.body.code]).toEqual([422, 'weak-password']);
  // A name that is taken costs nothing: the same link lets in afterwards.
  await shop.somebody('Rita Mar', 'office');
  const taken = await shop.post('/api/v1/session/link', { ...body, name: 'rita mar' }, NOBODY);
  expect([taken.status, taken.body.code]).toEqual([409, 'name-taken']);
  const used = await shop.post<SessionResource>('/api/v1/session/link', body, NOBODY);
  expect(used.body.person).toMatchObject({
    name: 'Lia Mota',
    roles: ['owner', 'lead', 'technician'],
  });
  const again = await shop.post('/api/v1/session/link', { ...body, login: 'other' }, NOBODY);
  expect([again.status, again.body.code]).toEqual([404, 'link-over']);
  expect((await shop.get<SessionResource>('/api/v1/session', NOBODY)).body.ownerWanted).toBe(false);
  await shop.close();
});

test('two owners who remove each other at once: one of them stays', async () => {
  const shop = await harness({ demo: false });
  const other = await shop.somebody('Iara Melo', 'owner');
  const mine = await shop.cookieOf(shop.owner);
  const remove = (id: string, cookie: string) =>
    shop.app.request(`/api/v1/people/${id}`, { method: 'DELETE', headers: { cookie } });
  const both = await Promise.all([
    remove(other.person.id, mine),
    remove(shop.owner.id, other.cookie),
  ]);
  const owners = (await shop.store.people.findAll({ where: { removedAt: null } })).filter(
    ({ roles }) => roles.includes('owner'),
  );
  expect(owners).toHaveLength(1);
  expect(both.filter(({ status }) => status === 204)).toHaveLength(1);
  const left = await shop.cookieOf(owners[0]!);
  const last = await shop.post(
    '/api/v1/people',
    { name: 'Only a hand', roles: ['technician'] },
    { cookie: left },
  );
  expect(last.status).toBe(201);
  const step = await shop.app.request(`/api/v1/people/${owners[0]!.id}`, {
    method: 'PATCH',
    headers: { cookie: left, 'content-type': 'application/json' },
    body: JSON.stringify({ roles: ['technician'] }),
  });
  expect([step.status, ((await step.json()) as Problem).code]).toEqual([409, 'last-owner']);
  await shop.close();
});

test('made-up people sign in nowhere but on loopback', async () => {
  const wide = await harness({
    around: {
      secure: true,
      loopback: false,
      madeUp: false,
      hosts: ['shop.test'],
      behindProxy: false,
    },
  });
  const told = await wide.get<SessionResource>('/api/v1/session', NOBODY);
  expect([told.body.demo, told.body.ownerWanted]).toEqual([[], true]);
  const refused = await wide.post(
    '/api/v1/session/demo',
    { person: wide.owner.id, device: 'x' },
    NOBODY,
  );
  expect(refused.status).toBe(404);
  await wide.close();
});
