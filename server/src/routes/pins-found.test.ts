/** Pins that visits found elsewhere: told of a sheet until its author has changed that connector. */
import type { JobResource, PinsFoundResource } from '@jeitinho/core';
import { rePinned, type WrittenSheet } from '@jeitinho/core/sheet';
import { entry, FRIDGE, harness, type Harness } from '../../testing/harness';

const SHEET = 'tarumbe-uf440i';
let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const newJob = async () =>
  (await h.post<JobResource>('/api/v1/jobs', { unitId: FRIDGE, complaint: 'test' })).body.id;
const send = (job: string, entries: unknown[]) =>
  h.post(`/api/v1/jobs/${job}/entries`, { entries });
const offered = async () => (await h.get<PinsFoundResource[]>(`/api/v1/sheets/${SHEET}/pins`)).body;

test('what two visits found is offered once; taken back it is not; written in, no more', async () => {
  const sheet = (await h.get<WrittenSheet>(`/api/v1/sheets/${SHEET}`)).body;
  const board = sheet.boards.find(({ connectors }) => connectors?.[0]!.pins.length)!;
  const plug = board.connectors![0]!;
  const connector = `${board.id}.${plug.id}`;
  const [a, b] = plug.pins.map(({ n }) => n) as [number, number];
  const at = { [a]: b, [b]: a };
  expect(await offered()).toEqual([]);

  const [one, two] = [await newJob(), await newJob()];
  const first = entry('pins', { connector, at });
  expect((await send(one, [first])).status).toBe(200);
  await send(two, [entry('pins', { connector, at })]);
  expect(await offered()).toMatchObject([{ connector, at, visits: 2, job: two }]);

  await send(one, [entry('withdrawn', { entry: first.id, reason: 'mistyped' })]);
  expect(await offered()).toMatchObject([{ visits: 1, job: two }]);

  // Another change leaves it offered; the pins written in answer it.
  const next = { ...sheet, revision: sheet.revision + 1, title: `${sheet.title} again` };
  await h.post('/api/v1/sheets', next);
  expect(await offered()).toHaveLength(1);
  await h.post('/api/v1/sheets', {
    ...rePinned(next, connector, at),
    revision: sheet.revision + 2,
  });
  expect(await offered()).toEqual([]);

  // Visits keep the sheet that they were opened with, and their pins.
  await send(two, [entry('pins', { connector, at: {} })]);
  expect(await offered()).toEqual([]);
});

test('two pins at one place are refused with the reason', async () => {
  const job = await newJob();
  const refused = await send(job, [entry('pins', { connector: 'nowhere.X', at: {} })]);
  expect(refused.status).toBe(409);
  expect(JSON.stringify(refused.body)).toContain('no connector');
  expect((await h.get('/api/v1/sheets/none/pins')).status).toBe(404);
});
