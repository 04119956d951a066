/** Every cell of the table of roles and routes: who is let by, who is refused, and that nobody else decides. */
import {
  ACCESS,
  jobFile,
  type JobResource,
  pathOf,
  reachOf,
  ROLES,
  ROUTES,
  type Problem,
  type Role,
  type RouteName,
} from '@jeitinho/core';
import type { StoredEntry } from '@jeitinho/core/job';
import { beginSession } from './sessions';
import { newestSheet } from '@jeitinho/demo';
import { entry, FRIDGE, FRIDGE_JOB, harness, type Harness } from '../../testing/harness';

let h: Harness;
/** By role: somebody who is nothing else, whose visits are others'. */
const cookies = new Map<Role | 'removed' | 'nobody', string>();
const ids = new Map<Role, string>();
let strangersDevice: string;
let own: string;

beforeAll(async () => {
  h = await harness();
  for (const role of ROLES) {
    const { person, cookie } = await h.somebody(`A ${role}`, role);
    cookies.set(role, cookie);
    ids.set(role, person.id);
  }
  const gone = await h.somebody('Somebody who left', 'owner');
  await h.send('DELETE', `/api/v1/people/${gone.person.id}`);
  cookies.set('removed', gone.cookie);
  cookies.set('nobody', 'jeitinho=0123456789012345678901234567890123456789012');
  await h.store.jobs.update({ technician: h.owner.name }, { where: { id: FRIDGE_JOB } });
  strangersDevice = (await beginSession(h.store, h.owner, 'another')).session.id;
  const opened = await h.post<{ id: string }>('/api/v1/jobs', {
    unitId: FRIDGE,
    complaint: 'Warm inside',
  });
  own = opened.body.id;
});
afterAll(() => h.close());

/** Something at the route that is somebody else's, or with `own` theirs. */
function paramsOf(route: RouteName, role: Role | undefined, whose: 'own' | 'other') {
  const { path } = ROUTES[route];
  const id = path.startsWith('/jobs/')
    ? whose === 'own'
      ? own
      : FRIDGE_JOB
    : path.startsWith('/people/')
      ? whose === 'own' && role
        ? ids.get(role)!
        : h.owner.id
      : route === 'endDevice' && whose === 'other'
        ? strangersDevice
        : 'none';
  return { id, revision: 1, hash: '0'.repeat(64) };
}

async function ask(route: RouteName, cookie: string, params: object) {
  const { method } = ROUTES[route];
  const response = await h.bare.request(`/api/v1${pathOf(route, params as never)}`, {
    method,
    headers: { cookie, 'content-type': 'application/json' },
    // Nonsense: whoever is let by is refused for that, and nothing is done.
    ...(method !== 'GET' && method !== 'DELETE' && { body: '{"nonsense":[]}' }),
  });
  const code =
    response.ok || !response.headers.get('content-type')?.includes('json')
      ? ''
      : ((await response.json()) as Problem).code;
  return { status: response.status, code };
}

/** What would end the test's own people is asked of the table alone, and of the guard below. */
const ENDS: ReadonlySet<RouteName> = new Set([
  'signOut',
  'removePerson',
  'backUp',
  'linkForPerson',
]);

const CELLS = (Object.keys(ROUTES) as RouteName[]).flatMap((route) =>
  (['own', 'other'] as const).flatMap((whose) =>
    [...ROLES, 'removed' as const, 'nobody' as const].map((who) => ({ route, whose, who })),
  ),
);

test(`${CELLS.length} cells: whoever may is let by, whoever may not is told so`, async () => {
  const wrong: string[] = [];
  for (const { route, whose, who } of CELLS) {
    const role = who === 'removed' || who === 'nobody' ? undefined : who;
    const reach = reachOf(route, role && [role]);
    const may = reach === 'all' || (reach === 'own' && whose === 'own');
    if (may && ENDS.has(route)) continue;
    // Whether a sheet is there already stands in the body.
    if (route === 'saveSheet' && whose === 'other') continue;
    const { status, code } = await ask(route, cookies.get(who)!, paramsOf(route, role, whose));
    const refused = code === 'signed-out' || code === 'not-yours';
    const wanted = role === undefined ? 'signed-out' : 'not-yours';
    if (may === refused || (!may && code !== wanted))
      wrong.push(`${who} at ${route} (${whose}): ${status} ${code}`);
  }
  expect(wrong).toEqual([]);
});

test('no route is open by oversight: what anybody may is what leads in, and health', () => {
  const open = (Object.keys(ACCESS) as RouteName[]).filter((route) => ACCESS[route] === 'anyone');
  expect(open.sort()).toEqual(
    [
      ...['health', 'ready', 'session', 'signIn', 'signInDemo'],
      ...['passkeyAsk', 'passkeySignIn', 'lookAtLink', 'useLink'],
      // Whoever has a link of 256 bits sees one report.
      'sharedReport',
    ].sort(),
  );
});

test('what is written in a strange way does not slip by', async () => {
  const { cookie } = await h.somebody('Odd Ids', 'technician');
  const odd = await h.post('/api/v1/jobs/%E0%A4%A/entries', { entries: [] }, { cookie });
  expect(odd.status).toBeLessThan(500);
  for (const path of [
    '/api/v1//shop',
    '/api/v1/shop/',
    '/api/v1/%73hop',
    '/api/v1/SHOP',
    '/api/v1/jobs/x/../../shop',
  ]) {
    const response = await h.bare.request(path);
    expect([path, [401, 404].includes(response.status)]).toEqual([path, true]);
  }
  expect((await h.bare.request('/api/v1/shop', { method: 'HEAD' })).status).toBe(401);
});

test('a page of another site cannot act with somebody’s cookie', async () => {
  const refused = await h.post(
    '/api/v1/customers',
    { name: 'X' },
    { origin: 'http://elsewhere.example' },
  );
  expect([refused.status, refused.body.code]).toEqual([403, 'foreign-page']);
  const own = await h.post(
    '/api/v1/customers',
    { name: 'X' },
    { origin: 'http://localhost', host: 'localhost' },
  );
  expect(own.status).toBe(201);
});

describe('own and other', () => {
  test('a technician saves a sheet that nobody has, and proposes what changes one', async () => {
    const { person, cookie } = await h.somebody('Pia Dias', 'technician');
    const sheet = newestSheet('tarumbe-uf440i');
    const next = { ...sheet, revision: sheet.revision + 1, title: 'A clearer title' };
    const refused = await h.post('/api/v1/sheets', next, { cookie });
    expect([refused.status, refused.body.code]).toEqual([403, 'not-yours']);
    const fresh = { ...sheet, id: 'press-p1', revision: 1 };
    expect((await h.post('/api/v1/sheets', fresh, { cookie })).status).toBe(201);
    const proposed = await h.post<{ id: string }>('/api/v1/proposals?note=Clearer', next, {
      cookie,
    });
    expect(proposed.status).toBe(201);
    const decide = (take: boolean, reason: string, who?: string) =>
      h.post(
        `/api/v1/proposals/${proposed.body.id}/decide`,
        { take, reason },
        who === undefined ? {} : { cookie: who },
      );
    expect((await decide(true, '', cookie)).status).toBe(403);
    expect((await decide(false, ' ')).body.code).toBe('no-reason');
    expect((await decide(true, '')).status).toBe(200);
    expect((await decide(true, '')).body.code).toBe('decided');
    const revisions = await h.get<{ author: string }[]>('/api/v1/sheets/tarumbe-uf440i/revisions');
    expect(revisions.body[0]!.author).toBe(person.name);
  });

  test('a technician writes in a visit that is nobody’s or their own, not in another’s', async () => {
    const { person, cookie } = await h.somebody('Nina Sá', 'technician');
    const write = (job: string) =>
      h.post(
        `/api/v1/jobs/${job}/entries`,
        { entries: [{ ...entry('observed', { text: 'hums' }), author: person.name }] },
        { cookie },
      );
    expect((await write(own)).status).toBe(200);
    const refused = await write(FRIDGE_JOB);
    expect([refused.status, refused.body.code]).toEqual([403, 'not-yours']);
    // Handed on meanwhile, while she was in a cellar: what she writes there comes in all the same.
    await h.store.jobs.update({ technician: h.owner.name }, { where: { id: own } });
    expect((await write(own)).status).toBe(200);
  });

  test('nobody writes in another’s name, not even an owner', async () => {
    const foreign = { ...entry('observed', { text: 'x' }), author: 'Rute Sabiá' };
    const { status, body } = await h.post(`/api/v1/jobs/${FRIDGE_JOB}/entries`, {
      entries: [entry('observed', { text: 'mine' }), foreign],
    });
    expect([status, body.code, body.entry]).toEqual([
      403,
      'not-the-author',
      { index: 1, id: foreign.id },
    ]);
    expect(await h.store.entries.count({ where: { id: foreign.id } })).toBe(0);
  });

  test('what somebody who left had not sent comes in by a lead who vouches for it', async () => {
    const { person, cookie } = await h.somebody('Rui Faro', 'technician');
    const opened = await h.post<{ id: string }>(
      '/api/v1/jobs',
      { unitId: FRIDGE, complaint: 'x' },
      { cookie },
    );
    const { id } = opened.body;
    await h.send('DELETE', `/api/v1/people/${person.id}`);
    const unsent = { ...entry('observed', { text: 'in the cellar' }), author: person.name };
    const late = await h.post(`/api/v1/jobs/${id}/entries`, { entries: [unsent] }, { cookie });
    expect([late.status, late.body.code]).toEqual([401, 'signed-out']);
    // Nobody else sends it as an entry; the file of the visit holds it.
    const job = (await h.get<JobResource>(`/api/v1/jobs/${id}`)).body;
    const log = (await h.get<{ entries: StoredEntry[] }>(`/api/v1/jobs/${id}/entries`)).body
      .entries;
    const { photos: _photos, ...file } = jobFile({
      ...{ job, sheet: job.sheet!, photos: [], savedAt: new Date().toISOString() },
      entries: [...log, { ...unsent, seq: log.length + 1 } as never],
    });
    const lead = await h.somebody('Sara Nobre', 'lead');
    const brought = await h.post('/api/v1/job-files', file, { cookie: lead.cookie });
    expect(brought.status).toBe(200);
    expect((await h.store.entries.findOne({ where: { id: unsent.id } }))?.author).toBe(person.name);
    const [line] = await h.store.audit.findAll({ where: { what: 'job-file-brought' } });
    expect(line).toMatchObject({ who: 'Sara Nobre' });
    expect(String(line!.about.authors)).toContain(person.name);
  });

  test('who was renamed still sends what carries the old name', async () => {
    const { person, cookie } = await h.somebody('Ivo Reis', 'lead');
    await h.send('PATCH', `/api/v1/people/${person.id}`, { name: 'Ivo Reis Lima' });
    const written = { ...entry('observed', { text: 'from before' }), author: 'Ivo Reis' };
    const { status } = await h.post(
      `/api/v1/jobs/${FRIDGE_JOB}/entries`,
      { entries: [written] },
      { cookie },
    );
    expect(status).toBe(200);
  });

  test('a visit opened by somebody is theirs in its log', async () => {
    const { person, cookie } = await h.somebody('Téo Luz', 'office');
    const { body } = await h.post<{ id: string }>(
      '/api/v1/jobs',
      { unitId: FRIDGE, complaint: 'x' },
      { cookie },
    );
    const [opened] = await h.store.entries.findAll({ where: { jobId: body.id } });
    expect(opened!.author).toBe(person.name);
  });
});
