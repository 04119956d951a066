/** Bodies that are not as they should be: told at the door, and nothing is stored. */
import type { JobResource, Problem } from '@jeitinho/core';
import { pino } from 'pino';
import { entry, FRIDGE, harness, type Harness } from '../../testing/harness';
import { createApp } from '../app';
import { connect } from '../store/database';
import { defineModels } from '../store/models/index';

let h: Harness;
let job: string;
beforeAll(async () => {
  h = await harness();
  job = (await h.post<JobResource>('/api/v1/jobs', { unitId: FRIDGE, complaint: 'x' })).body.id;
});
afterAll(() => h.close());

const send = (...entries: unknown[]) => h.post<Problem>(`/api/v1/jobs/${job}/entries`, { entries });

test('half a character is refused with its place, in a value and in a name', async () => {
  const half = { ...entry('observed', { text: 'x' }), body: { text: 'cut \ud83d' } };
  const { status, body } = await send(entry('observed', { text: 'fine 🙂' }), half);
  expect(status).toBe(422);
  expect(body.errors).toEqual([
    { path: '/entries/1/body/text', message: expect.stringContaining('half a character') },
  ]);
  expect((await send({ ...half, body: { '\ude00': 1 } })).status).toBe(422);
  expect((await send(entry('observed', { text: 'whole 🙂' }))).status).toBe(200);
});

test.each([
  '2026-02-31T08:00:00.000Z',
  '2026-02-29T08:00:00.000Z',
  '2026-03-02T25:00:00.000Z',
  '2026-13-01T00:00:00.000Z',
  '0000-01-01T00:00:00.000Z',
])('an entry of %s is none of any calendar', async (at) => {
  const { status, body } = await send({ ...entry('observed', { text: 'x' }), at });
  expect(status).toBe(422);
  expect(body.errors?.[0]?.path).toBe('/entries/0/at');
});

test('nor a visit or an installation on such a day', async () => {
  const visit = await h.post('/api/v1/jobs', {
    unitId: FRIDGE,
    complaint: 'x',
    visitAt: '2026-02-31T08:00:00.000Z',
  });
  expect(visit).toMatchObject({ status: 422, body: { errors: [{ path: '/visitAt' }] } });
  const unit = await h.get<{ siteId: string }>(`/api/v1/units/${FRIDGE}`);
  const made = await h.post('/api/v1/units', {
    siteId: unit.body.siteId,
    label: 'x',
    maker: 'x',
    model: 'x',
    kind: 'x',
    installedOn: '2023-02-29',
  });
  expect(made).toMatchObject({ status: 422, body: { errors: [{ path: '/installedOn' }] } });
});

test.each([
  ['/api/v1/sheets/ondar-pb14/revisions/99999999999999', 404],
  ['/api/v1/sheets/ondar-pb14/revisions/1e3', 404],
  ['/api/v1/sheets/ondar-pb14/revisions/-1/dictionary', 200],
  ['/api/v1/jobs/JOB/entries?after=2147483648', 400],
])('numbers beyond their type: %s answers %i', async (path, status) => {
  expect((await h.get(path.replace('JOB', job))).status).toBe(status);
});

test('a body of thirty thousand keys, or a name of four hundred thousand letters, is told in a few words', async () => {
  const keys = `{${Array.from({ length: 30_000 }, (_, i) => `"k${i}":1`).join(',')}}`;
  const name = JSON.stringify({
    entries: [{ ...entry('observed', { text: 'x' }), [`k${'x'.repeat(400_000)}`]: 1 }],
  });
  for (const text of [keys, name, '['.repeat(20_000) + ']'.repeat(20_000)]) {
    const { status, body } = await h.post<Problem>(`/api/v1/jobs/${job}/entries`, text);
    expect(status).toBe(422);
    expect(JSON.stringify(body).length).toBeLessThan(3_000);
  }
});

test('bytes that are no UTF-8 are no JSON', async () => {
  const response = await h.app.request(`/api/v1/jobs/${job}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: new Uint8Array([0x7b, 0x22, 0xff, 0x22, 0x3a, 0x31, 0x7d]),
  });
  expect(response.status).toBe(400);
});

test('a database that is away is 503, with the time after which to come again', async () => {
  const gone = connect({ database: 'jeitinho', socketPath: '/nowhere/db.sock' });
  const app = createApp({
    store: defineModels(gone),
    log: pino({ level: 'silent' }),
  });
  for (const path of ['/health/ready', '/api/v1/jobs', '/api/v1/units', `/api/v1/jobs/${job}`]) {
    const response = await app.request(path, { headers: { cookie: 'jeitinho=somebody' } });
    expect([path, response.status]).toEqual([path, 503]);
    expect(Number(response.headers.get('retry-after'))).toBeGreaterThan(0);
    expect(await response.json()).toMatchObject({ code: 'no-database' });
  }
  const appended = await app.request(`/api/v1/jobs/${job}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie: 'jeitinho=somebody' },
    body: JSON.stringify({ entries: [entry('observed', { text: 'x' })] }),
  });
  expect(appended.status).toBe(503);
  // Alive all the same: whoever watches it need not start it again.
  expect((await app.request('/health')).status).toBe(200);
});
