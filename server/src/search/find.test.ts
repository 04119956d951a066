/** Anything is found by its words, years later and mistyped; what was erased is not. */
import type { FoundResource, Problem } from '@jeitinho/core';
import { demoWorld } from '@jeitinho/demo';
import { v7 as uuidv7 } from 'uuid';
import { entry, FRIDGE, FRIDGE_JOB, harness, type Harness } from '../../testing/harness';
import { indexNewUnits } from './index-units';
import { projectNow, refreshSummaries } from '../store/projections';
import { raw } from '../store/raw';

let h: Harness;
beforeAll(async () => {
  h = await harness();
  await indexNewUnits(h.store);
  await refreshSummaries(h.store);
});
afterAll(() => h.close());

const find = async (q: string) =>
  (await h.get<FoundResource>(`/api/v1/find?q=${encodeURIComponent(q)}`)).body;
const namesOf = ({ found }: FoundResource) =>
  found.map((each) => (each.kind === 'job' ? each.job.complaint : each.unit.label));
const wordsIn = async (word: string) =>
  raw<unknown[]>(h.store.sequelize, 'SELECT 1 FROM found_words WHERE word = ?', [word]);

test('a serial number with its dash or without, a code, a part, a wire, a word of a note', async () => {
  const roof = 'Same as unit 1 in May: dead since dawn, 47 3.';
  for (const q of ['NX-00719', 'nx00719', '00719', 'dawn 47', 'inverter board 00719'])
    expect([q, namesOf(await find(q))]).toEqual([q, expect.arrayContaining([roof])]);
  expect(namesOf(await find('map callback'))).toEqual([
    'Callback: since the new board it blows cold when it should heat.',
  ]);
  // Measured at a blue wire, an igniter of the gym.
  expect(namesOf(await find('gym igniter'))).toEqual(
    expect.arrayContaining(['No heat in the gym, six blinks.']),
  );
  // The unit itself, and by where it stands.
  expect(namesOf(await find('NX-00719'))).toContain('Rooftop unit 3');
  expect(namesOf(await find('ladeira candeias'))).toContain('Upright fridge');
});

test('every word must be met, each as it begins', async () => {
  expect(namesOf(await find('frid tarum'))).toContain('Upright fridge');
  expect((await find('fridge igniter')).found).toEqual([]);
});

test('a typing mistake is read as what is there, and said; what nothing comes near is said as well', async () => {
  const slipped = await find('rooftpo');
  expect(namesOf(slipped)).toContain('Rooftop unit 3');
  expect(slipped.readAs).toEqual({ rooftpo: 'rooftop' });
  expect((await find('NX-00817')).readAs).toEqual({ '00817': expect.any(String) as string });
  const nothing = await find('fridge qqqqzzzz');
  expect(nothing).toMatchObject({ found: [], unknown: ['qqqqzzzz'] });
  // Short words, as codes are, must be right.
  expect((await find('q7')).unknown).toEqual(['q7']);
});

test('ten thousand characters are refused in words; a regular expression is a few words, and nothing is nothing', async () => {
  const { status, body } = await h.get<Problem>(`/api/v1/find?q=${'x'.repeat(10_000)}`);
  expect([status, body.code]).toEqual([400, 'too-long']);
  expect(body.detail).toMatch('10,000');
  expect(namesOf(await find('^(fri.*)+$'))).toContain('Upright fridge');
  expect(await find('.*%_\\ "')).toMatchObject({ found: [], unknown: [] });
  expect(await find('')).toMatchObject({ found: [] });
  expect((await find("fridge' OR 1=1 --")).found).toEqual([]);
});

test('what is written now is found in a moment, and what is taken back no more', async () => {
  const seen = entry('observed', { text: 'A cockroach nest behind the cover' });
  await h.post(`/api/v1/jobs/${FRIDGE_JOB}/entries`, { entries: [seen] });
  expect((await find('cockroach')).found).toMatchObject([{ kind: 'job', job: { id: FRIDGE_JOB } }]);
  await h.post(`/api/v1/jobs/${FRIDGE_JOB}/entries`, {
    entries: [entry('withdrawn', { entry: seen.id, reason: 'a slip' })],
  });
  expect((await find('cockroach')).found).toEqual([]);
});

test('a unit that is called something else takes its jobs with it', async () => {
  await h.send('PATCH', `/api/v1/units/${FRIDGE}`, { label: 'Zebra cabinet' });
  const found = await find('zebra');
  expect(found.found.map(({ kind }) => kind).sort()).toEqual(
    expect.arrayContaining(['job', 'unit']),
  );
  await h.send('PATCH', `/api/v1/units/${FRIDGE}`, { label: 'Upright fridge' });
  expect((await find('zebra')).found).toEqual([]);
});

test('a new place is found at once; a job without a sheet too', async () => {
  const unit = uuidv7();
  await h.post('/api/v1/units', {
    ...{ id: unit, siteId: demoWorld.sites[0]!.id, label: 'Quibble press', maker: 'Nobody' },
    ...{ model: 'Q-1', kind: 'press' },
  });
  expect(namesOf(await find('quibble'))).toEqual(['Quibble press']);
  await h.post('/api/v1/jobs', { unitId: unit, complaint: 'Gargles at night' });
  expect(namesOf(await find('gargles'))).toEqual(['Gargles at night']);
});

test('nothing is found by the name of a customer who was erased, nor is it kept', async () => {
  const customer = demoWorld.customers.find(({ name }) => name === 'Tomás Quintela')!;
  expect((await find('quintela')).found.length).toBeGreaterThan(1);
  for (const job of demoWorld.jobs.filter(({ unitId }) => unitId.endsWith('130')))
    await raw(h.store.sequelize, "UPDATE jobs SET status = 'signed' WHERE id = ?", [job.id]);
  const erased = await h.send('POST', `/api/v1/customers/${customer.id}/erase`);
  expect(erased.status).toBe(200);
  expect(await find('quintela')).toMatchObject({ found: [] });
  expect(await wordsIn('quintela')).toEqual([]);
  // The machine is there still, by its plate.
  expect((await find('AS-4410')).found.length).toBeGreaterThan(0);
});

test('where nothing finds anything, after a restore, all is found again', async () => {
  const before = (await find('rooftop')).found.length;
  for (const table of ['found_in', 'found_docs', 'found_words'])
    await raw(h.store.sequelize, `DELETE FROM ${table}`);
  h.store.memory.forget();
  expect((await find('rooftop')).found).toEqual([]);
  await indexNewUnits(h.store);
  await refreshSummaries(h.store);
  await projectNow(h.store);
  expect((await find('rooftop')).found).toHaveLength(before);
});
