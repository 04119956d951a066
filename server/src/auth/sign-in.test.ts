/** Ways in: passwords and their slowing down, links, sessions, people who come and go. */
import type { PersonKept, Problem, SessionResource } from '@jeitinho/core';
import { demoWorld } from '@jeitinho/demo';
import { DAVI, harness, type Harness } from '../../testing/harness';
import { newLink } from './links';
import { rightPassword, hashPassword, weakness } from './passwords';
import { beginSession, devicesOf, IDLE_MS, lives, LONGEST_MS, whoIs } from './sessions';
import { mayTry, noteWrong, waitAfter } from './slow-down';
import { Buckets } from './client-limit';

const LONG = 'um longo caminho de volta';
const NOBODY = { cookie: 'none=1' };

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

/** Signs in and gives status, answer and the cookie's line. */
async function signIn(body: object, path = '/api/v1/session') {
  const response = await h.bare.request(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ device: 'a phone', ...body }),
  });
  return {
    status: response.status,
    body: (await response.json()) as SessionResource & Problem,
    cookie: response.headers.get('set-cookie') ?? '',
    retryAfter: response.headers.get('retry-after'),
  };
}

async function withLogin(name: string, login: string, ...roles: ('technician' | 'owner')[]) {
  const { person } = await h.somebody(name, ...roles);
  await person.update({ login, password: await hashPassword(LONG) });
  return person;
}

describe('passwords', () => {
  test('are kept as Argon2id with a salt of their own, and only the right one fits', async () => {
    const [one, two] = await Promise.all([hashPassword(LONG), hashPassword(LONG)]);
    expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(one).not.toBe(two);
    expect(await rightPassword(one, LONG)).toBe(true);
    expect(await rightPassword(one, `${LONG}.`)).toBe(false);
    expect(await rightPassword(null, LONG)).toBe(false);
  });

  test.each([
    ['aaaaaaaaaaaaaa', 'over and over'],
    ['password123456', 'tried first'],
    ['Davi Moura 99', 'tried first'],
    [LONG, undefined],
  ])('%s: %s', (password, words) => {
    const weak = weakness(password, ['Davi Moura', 'davi']);
    if (words === undefined) expect(weak).toBeUndefined();
    else expect(weak).toContain(words);
  });

  test('let in with a cookie that no script reads and no other site sends', async () => {
    await withLogin('Bia Prado', 'bia', 'technician');
    const { status, body, cookie } = await signIn({ login: 'bia', password: LONG });
    expect([status, body.person?.name]).toEqual([200, 'Bia Prado']);
    expect(cookie).toMatch(/^jeitinho=[\w-]{43};/);
    for (const word of ['HttpOnly', 'SameSite=Strict', 'Path=/']) expect(cookie).toContain(word);
    const token = /^jeitinho=([\w-]+)/.exec(cookie)![1]!;
    // What stands in the database opens nothing.
    expect(await h.store.sessions.count({ where: { token } })).toBe(0);
    expect(await whoIs(h.store, token)).toMatchObject({ name: 'Bia Prado' });
  });

  test('a wrong one a thousand times: each waits longer, the right one too, and then it is let in', async () => {
    const person = await withLogin('Caio Nunes', 'caio', 'technician');
    expect([0, 4, 5, 6, 14, 15, 1000].map(waitAfter)).toEqual([0, 0, 1, 2, 512, 900, 900]);
    const start = Date.now();
    for (let i = 0; i < 1000; i += 1) await noteWrong(h.store, 'caio', start + i);
    await expect(mayTry(h.store, ' CAIO ', start + 1000)).rejects.toMatchObject({
      problem: { status: 429, code: 'too-often' },
      retryAfter: 900,
    });
    const shut = await signIn({ login: 'caio', password: LONG });
    expect([shut.status, shut.body.code]).toEqual([429, 'too-often']);
    expect(Number(shut.retryAfter)).toBeGreaterThan(800);
    // A clock set back a year locks nobody out for a year.
    await expect(mayTry(h.store, 'caio', start - 365 * 86_400_000)).rejects.toMatchObject({
      retryAfter: 900,
    });
    await expect(mayTry(h.store, 'caio', start + 1000 + 901_000)).resolves.toBeUndefined();
    // An owner's link lets him in at once.
    const { body } = await h.post<{ path: string }>(`/api/v1/people/${person.id}/link`, {});
    const token = body.path.split('#')[1]!;
    const used = await signIn(
      { token, login: 'caio', password: 'outro caminho bem longo' },
      '/api/v1/session/link',
    );
    expect(used.status).toBe(200);
    expect((await signIn({ login: 'caio', password: 'outro caminho bem longo' })).status).toBe(200);
  });

  test('nobody learns who is known: a login that is none is answered and slowed down the same', async () => {
    const unknown = await signIn({ login: 'nobody.at.all', password: LONG });
    await withLogin('Dora Pires', 'dora', 'technician');
    const known = await signIn({ login: 'dora', password: 'wrong' });
    expect([unknown.status, unknown.body.detail]).toEqual([known.status, known.body.detail]);
    for (let i = 0; i < 6; i += 1) await noteWrong(h.store, 'nobody.at.all');
    expect((await signIn({ login: 'nobody.at.all', password: LONG })).status).toBe(429);
    const lines = await h.store.audit.findAll({ where: { what: 'wrong-password' } });
    expect(JSON.stringify(lines)).not.toContain('nobody.at.all');
  });

  test('a new one ends all other devices; the old one must be known', async () => {
    const person = await withLogin('Eva Lobo', 'eva', 'technician');
    const [here, there] = [await h.cookieOf(person), await h.cookieOf(person)];
    const change = (old: string, password: string) =>
      h.app.request('/api/v1/me/password', {
        method: 'PUT',
        headers: { cookie: here, 'content-type': 'application/json' },
        body: JSON.stringify({ old, password }),
      });
    expect((await change('wrong', 'another long sentence')).status).toBe(403);
    expect((await change(LONG, 'passwordpassword')).status).toBe(422);
    expect((await change(LONG, 'another long sentence')).status).toBe(204);
    expect((await h.get('/api/v1/shop', { cookie: here })).status).toBe(200);
    expect((await h.get('/api/v1/shop', { cookie: there })).status).toBe(401);
  });
});

describe('sessions', () => {
  test('end unused after thirty days, and in any case after a hundred and eighty', () => {
    const now = Date.parse('2026-11-28T08:00:00Z');
    expect(lives(now, now, now + IDLE_MS - 1)).toBe(true);
    expect(lives(now, now, now + IDLE_MS)).toBe(false);
    expect(lives(now, now + LONGEST_MS, now + LONGEST_MS)).toBe(false);
    // The server's own clock was a year ahead when it began: over as soon as it is right.
    expect(lives(now + 365 * 86_400_000, now + 365 * 86_400_000, now)).toBe(false);
    expect(lives(now + 60_000, now + 60_000, now)).toBe(true);
  });

  test('are listed by device, and one that is ended is out at once', async () => {
    const { person, cookie } = await h.somebody('Fábio Rosa', 'technician');
    const { session, token } = await beginSession(h.store, person, 'an old tablet');
    const listed = await h.get<{ name: string; here: boolean }[]>('/api/v1/devices', { cookie });
    expect(listed.body.map(({ name, here }) => [name, here])).toEqual(
      expect.arrayContaining([
        ['an old tablet', false],
        ['test', true],
      ]),
    );
    const ended = await h.app.request(`/api/v1/devices/${session.id}`, {
      method: 'DELETE',
      headers: { cookie },
    });
    expect(ended.status).toBe(204);
    expect(await whoIs(h.store, token)).toBeUndefined();
    expect(await devicesOf(h.store, person.id)).toHaveLength(1);
  });

  test('signing out ends the session, not only the cookie', async () => {
    const { cookie } = await h.somebody('Gil Braga', 'technician');
    await h.app.request('/api/v1/session', { method: 'DELETE', headers: { cookie } });
    expect((await h.get('/api/v1/shop', { cookie })).status).toBe(401);
  });

  test('one address cannot guess at many names', () => {
    const buckets = new Buckets(3, 0.5);
    expect([0, 0, 0, 0].map((at) => buckets.take('a', at))).toEqual([0, 0, 0, 2]);
    expect(buckets.take('b', 0)).toBe(0);
    expect(buckets.take('a', 2000)).toBe(0);
    // A clock that runs backwards fills nothing.
    expect(buckets.take('a', 1000)).toBeGreaterThan(0);
  });
});

describe('links', () => {
  test('run out, and a newer one ends the older', async () => {
    const { person } = await h.somebody('Hugo Sena', 'technician');
    const old = await newLink(h.store, 'joins', person.id);
    await newLink(h.store, 'joins', person.id, Date.now() - 8 * 86_400_000);
    for (const { path } of [old]) {
      const { status } = await h.post(
        '/api/v1/session/link/look',
        { token: path.split('#')[1] },
        NOBODY,
      );
      expect(status).toBe(404);
    }
  });
});

describe('made-up people', () => {
  test('sign in by one press on loopback', async () => {
    const { body } = await h.get<SessionResource>('/api/v1/session', NOBODY);
    expect(body.demo.map(({ name }) => name).sort()).toEqual(
      demoWorld.people.map(({ name }) => name).sort(),
    );
    const [made] = body.demo;
    expect((await signIn({ person: made!.id }, '/api/v1/session/demo')).status).toBe(200);
  });
});

describe('people', () => {
  test('who was removed is out at once, and nobody gets the name', async () => {
    const { person, cookie } = await h.somebody('Jonas Vale', 'technician');
    await h.send('DELETE', `/api/v1/people/${person.id}`);
    expect((await h.get('/api/v1/shop', { cookie })).status).toBe(401);
    const twin = await h.post('/api/v1/people', { name: 'jonas vale', roles: ['technician'] });
    expect([twin.status, twin.body.code]).toEqual([409, 'name-taken']);
  });

  test('licences have their day, and one that no calendar has is refused', async () => {
    const licences = [{ name: 'Gas work', until: '2027-02-31' }];
    const refused = await h.post('/api/v1/people', {
      name: 'Kim Paz',
      roles: ['technician'],
      licences,
    });
    expect(refused.status).toBe(422);
    const made = await h.post<{ person: PersonKept; link: { path: string } }>('/api/v1/people', {
      name: 'Kim Paz',
      roles: ['technician'],
      licences: [{ name: 'Gas work', until: '2027-03-31' }],
    });
    expect(made.body.person.licences).toEqual([{ name: 'Gas work', until: '2027-03-31' }]);
    expect(made.body.link.path).toMatch(/^\/welcome#[\w-]{43}$/);
  });

  test('others see no logins, an owner does', async () => {
    const { cookie } = await h.somebody('Lara Neri', 'lead');
    const seen = await h.get<object[]>('/api/v1/people', { cookie });
    expect(JSON.stringify(seen.body)).not.toContain('login');
    expect(JSON.stringify((await h.get('/api/v1/people')).body)).toContain('login');
  });
});

test('the trail of who only grows: the database itself refuses to change or shorten it', async () => {
  const before = await h.store.audit.count();
  await expect(h.store.audit.update({ who: 'x' }, { where: {} })).rejects.toThrow();
  await expect(h.store.audit.destroy({ where: {} })).rejects.toThrow();
  expect(await h.store.audit.count()).toBe(before);
  const { body } = await h.get<{ who: string; what: string }[]>('/api/v1/audit?limit=200');
  for (const what of [
    'signed-in',
    'person-added',
    'person-removed',
    'link-made',
    'password-changed',
    'device-ended',
  ])
    expect(body.map((line) => line.what)).toContain(what);
  expect(body.some(({ who }) => who === DAVI)).toBe(true);
});
