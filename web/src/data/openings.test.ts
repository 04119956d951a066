/** Visits opened without the server: worked on here, opened there first, and once. */
import type { PlaceResource, UnitFound, UnitResource } from '@jeitinho/core';
import { smallSheet as sheet } from '../../../core/test/small-sheet';
import { watchAnswers } from './answer-watch';
import { ApiProblem } from './api';
import { placesKeptKey, unitsKnownHere } from './known-units';
import { LocalStore } from './local-store';
import { openVisit, sendOpening } from './openings';
import { unsentJobs } from './outbox';
import { unsentByJob } from './unsent';

beforeAll(() => watchAnswers(() => undefined));

let store: LocalStore;
let n = 0;
beforeEach(async () => {
  store = new LocalStore(`openings-${(n += 1)}`);
  await store.documents.bulkPut([
    { key: '/shop', value: { name: 'Shop', town: '', technician: 'Ana', people: [], meter: null } },
    { key: `/sheets/${sheet.id}`, value: sheet },
  ]);
});
afterEach(() => store.delete());

const plain: UnitResource = {
  id: 'unit-1',
  siteId: 'site-1',
  label: 'Upright fridge',
  maker: 'Nobody',
  model: 'X-1',
  serial: 'UF4-20331',
  kind: 'fridge',
  installedOn: null,
  warrantyUntil: null,
  sheetId: sheet.id,
};
const site = { id: 'site-1', customerId: 'c-1', name: 'Café da Ponte', address: '', town: 'Lume' };
const unit: UnitFound = { ...plain, siteName: site.name, town: site.town };
const visit = { unit, complaint: 'Warm', urgent: true, visitAt: '2026-11-27T12:00:00.000Z' };

const answers = (answer: () => Response | Promise<Response>) => {
  const asked: { path: string; body: unknown }[] = [];
  globalThis.fetch = (async (path: string, init: { body: string }) => {
    asked.push({ path, body: JSON.parse(init.body) });
    return answer();
  }) as unknown as typeof fetch;
  return asked;
};
const away = () => Promise.reject(new TypeError('network'));
const problem = (status: number, code: string, detail: string) =>
  new Response(JSON.stringify({ code, detail, status }), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  });

test('without the server it is opened here, with its sheet and the meter in hand', async () => {
  answers(away);
  const { id } = await openVisit(visit, store);
  const job = (await store.jobs.get(id))!;
  expect(job).toMatchObject({
    complaint: 'Warm',
    urgent: true,
    sheetId: sheet.id,
    summary: { stage: 'arrive', status: 'open' },
    site: { name: 'Café da Ponte' },
  });
  const [entry] = await store.entries.where({ jobId: id }).toArray();
  expect(entry).toMatchObject({
    kind: 'opened',
    author: 'technician',
    body: { meter: null, rules: 2 },
  });
  expect(await unsentJobs(store)).toEqual([id]);
  expect(await unsentByJob(store)).toMatchObject([{ jobId: id, unsent: 1, refused: 0 }]);
});

test('it goes out first, under the ids that it has here, and is known to have gone', async () => {
  answers(away);
  const { id } = await openVisit(visit, store);
  const [entry] = await store.entries.where({ jobId: id }).toArray();
  const there = { ...(await store.jobs.get(id))!, visits: 3 };
  const asked = answers(() => new Response(JSON.stringify(there), { status: 201 }));
  await sendOpening(id, store);
  expect(asked).toMatchObject([
    { path: '/api/v1/jobs', body: { id, unitId: unit.id, opened: { id: entry!.id } } },
  ]);
  expect(await store.openings.count()).toBe(0);
  expect((await store.jobs.get(id))!.visits).toBe(3);
});

test('sent twice because an answer was lost, it is there once; refused, it is kept with the reason', async () => {
  answers(away);
  const first = await openVisit(visit, store);
  answers(() => problem(409, 'id-used', 'A job with this id is there already.'));
  await sendOpening(first.id, store);
  expect(await store.openings.count()).toBe(0);
  answers(away);
  const second = await openVisit(visit, store);
  answers(() => problem(422, 'unknown-unit', 'There is no such unit.'));
  await expect(sendOpening(second.id, store)).rejects.toThrow(ApiProblem);
  expect(await unsentByJob(store)).toMatchObject([
    { refused: 1, unsent: 0, reason: 'There is no such unit.' },
  ]);
});

test('a refusal of a server that is there opens nothing here', async () => {
  answers(() => problem(422, 'unknown-unit', 'There is no such unit.'));
  await expect(openVisit(visit, store)).rejects.toThrow('There is no such unit.');
  expect(await store.jobs.count()).toBe(0);
});

test('units that are kept are found by their words, accents aside', async () => {
  expect(await unitsKnownHere('fridge', store)).toBeUndefined();
  const place: PlaceResource = {
    id: 'c-1',
    name: 'Café da Ponte',
    phone: '',
    sites: [{ ...site, units: [plain] }],
  };
  await store.documents.put({ key: placesKeptKey, value: [place] });
  expect((await unitsKnownHere('cafe UF4', store))!.map(({ label }) => label)).toEqual([
    'Upright fridge',
  ]);
  expect(await unitsKnownHere('boiler', store)).toEqual([]);
});
