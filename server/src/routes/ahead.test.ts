/** What is to come after visits, over all of them; substitutes, and how they fared. */
import type { JobListItem, JobResource, SubstituteResource } from '@jeitinho/core';
import { demoWorld } from '@jeitinho/demo';
import { deadBatch, entry, FRIDGE, harness, type Harness } from '../../testing/harness';
import { seedDemo } from '../seed';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const newJob = async () =>
  (await h.post<JobResource>('/api/v1/jobs', { unitId: FRIDGE, complaint: 'test' })).body.id;
const send = async (job: string, entries: unknown[]) => {
  const sent = await h.post(`/api/v1/jobs/${job}/entries`, { entries });
  expect([sent.status, sent.body]).toEqual([200, expect.anything()]);
};
const ahead = async () => (await h.get<JobListItem[]>('/api/v1/jobs?ahead=open')).body;

test('jobs after which something is to come, the earliest first; done it goes', async () => {
  const demo = await ahead();
  expect(demo.map(({ summary }) => summary!.ahead![0]!.what)).toEqual([
    'other',
    'parts',
    'send-back',
  ]);
  const job = await newJob();
  const first = entry('follow-up', { what: 'visit', on: '2020-01-02', note: '' });
  await send(job, [first, entry('follow-up', { what: 'prove', on: '2030-05-06', note: '' })]);
  expect((await ahead())[0]).toMatchObject({ id: job });
  await send(job, [entry('followed-up', { entry: first.id, note: '' })]);
  const now = await ahead();
  expect(now.at(-1)!.summary!.ahead).toMatchObject([{ on: '2030-05-06', text: 'Prove it' }]);
  expect((await h.get('/api/v1/jobs?ahead=all')).status).toBe(400);
});

test('seeded again on another day, the demo’s days stay as they were', async () => {
  const before = (await ahead()).flatMap(({ summary }) => summary!.ahead!.map(({ on }) => on));
  await seedDemo(h.store, demoWorld, new Date(Date.now() + 3 * 86_400_000));
  expect((await ahead()).flatMap(({ summary }) => summary!.ahead!.map(({ on }) => on))).toEqual(
    before,
  );
});

test('the same part replaced at other units of the site is told with a job, the newest first', async () => {
  const rooftop2 = demoWorld.units.find(({ label }) => label === 'Rooftop unit 2')!;
  const { body } = await h.post<JobResource>('/api/v1/jobs', {
    unitId: rooftop2.id,
    complaint: 'x',
  });
  expect(body.pattern).toMatchObject([
    { unit: 'Rooftop unit 3', part: 'inv-board' },
    { unit: 'Rooftop unit 1', part: 'inv-board' },
  ]);
  expect((await h.get<JobResource>(`/api/v1/jobs/${await newJob()}`)).body.pattern).toEqual([]);
});

test('a substitute is remembered: held against it only, fitted, come back; the maker’s own is none', async () => {
  const told = async () =>
    (await h.get<SubstituteResource[]>('/api/v1/sheets/tarumbe-uf440i/substitutes?part=inv-board'))
      .body;
  expect(await told()).toEqual([]);
  const job = await newJob();
  const held = (number: string) =>
    entry('matched', { part: 'inv-board', number, values: {}, note: '' });
  await send(job, [held('TB-4425')]);
  expect(await told()).toEqual([]);
  const other = held('KX-9');
  await send(job, [...deadBatch(), other]);
  expect(await told()).toMatchObject([{ job, number: 'KX-9', fared: 'not-fitted' }]);
  await send(job, [entry('work', { what: 'fitted', part: 'inv-board', note: '' })]);
  await ahead();
  expect(await told()).toMatchObject([{ fared: 'unproven' }]);
  await newJob();
  expect(await told()).toMatchObject([{ fared: 'came-back' }]);
  await send(job, [entry('withdrawn', { entry: other.id, reason: 'wrong job' })]);
  expect(await told()).toEqual([]);
  expect((await h.get('/api/v1/sheets/none/substitutes?part=x')).status).toBe(404);
});
