/** A job from elsewhere: whole it comes in, twice it stays once, changed by hand nothing of it does. */
import {
  jobFile,
  type EntriesResource,
  type JobFile,
  type JobResource,
  type Problem,
} from '@jeitinho/core';
import { demoWorld } from '@jeitinho/demo';
import { harness, type Harness } from '../../testing/harness';

/** A signed job of the demo, as another shop would send it. */
const SENT = demoWorld.jobs.find(({ openedAt }) => openedAt !== undefined)!.id;
let file: JobFile;
let h: Harness;
beforeAll(async () => {
  const elsewhere = await harness();
  const job = (await elsewhere.get<JobResource>(`/api/v1/jobs/${SENT}`)).body;
  const { entries } = (await elsewhere.get<EntriesResource>(`/api/v1/jobs/${SENT}/entries`)).body;
  const { photos: _photos, ...made } = jobFile({
    job,
    sheet: job.sheet!,
    entries,
    photos: [],
    savedAt: '2026-11-28T10:00:00.000Z',
  });
  file = made as JobFile;
  await elsewhere.close();
  h = await harness({ demo: false });
});
afterAll(() => h.close());

const bring = <T = { id: string; known: boolean }>(body: unknown) =>
  h.post<T>('/api/v1/job-files', body);
const nothingHere = async () =>
  expect((await h.get<unknown[]>('/api/v1/jobs')).body).toHaveLength(0);

test('an entry changed by hand is named, and nothing of the job comes in', async () => {
  const at = file.entries.findIndex(({ kind }) => kind === 'reading');
  const entries = file.entries.map((entry, i) =>
    i === at ? { ...entry, body: { ...entry.body, typed: '999' } } : entry,
  );
  const refused = await bring<Problem>({ ...file, entries });
  expect(refused.status).toBe(409);
  expect(refused.body).toMatchObject({ code: 'tampered' });
  expect(refused.body.detail).toContain(`Entry ${at + 1} of`);
  expect((await bring<Problem>({ ...file, format: 'jeitinho.job/9' })).status).toBe(422);
  await nothingHere();
});

test('a log that no job would have let in is refused, sealed or not', async () => {
  const [opened, ...rest] = file.entries;
  const from = (entries: JobFile['entries']) =>
    jobFile({
      job: { ...file, ...file.job } as unknown as JobResource,
      sheet: file.sheet,
      entries,
      photos: [],
      savedAt: file.savedAt,
    });
  const twice = await bring<Problem>(from([opened!, ...rest, rest.at(-1)!]));
  expect(twice.status).toBe(409);
  const headless = await bring<Problem>(from(rest));
  expect(headless.body.code).toBe('no-beginning');
  await nothingHere();
});

test('whole it comes in with customer, unit and sheet, and reads as it did; twice it stays once', async () => {
  expect(await bring(file)).toMatchObject({ status: 201, body: { id: SENT, known: false } });
  const job = (await h.get<JobResource>(`/api/v1/jobs/${SENT}`)).body;
  expect(job).toMatchObject({
    customer: { name: file.customer.name },
    unit: { serial: file.unit.serial },
    sheet: { id: file.sheet.id },
    summary: { status: 'signed', partName: 'Cabinet sensor' },
  });
  const { entries } = (await h.get<EntriesResource>(`/api/v1/jobs/${SENT}/entries`)).body;
  expect(entries.map(({ id }) => id)).toEqual(file.entries.map(({ id }) => id));
  expect(await bring(file)).toMatchObject({ status: 200, body: { known: true } });
});

test('another sheet under the same revision here stands in the way, and is named', async () => {
  const job = { ...file.job, id: '01950000-0000-7000-8000-000000000abc' };
  const made = jobFile({
    job: { ...file, ...job } as unknown as JobResource,
    sheet: { ...file.sheet, title: 'Another' },
    entries: file.entries.map((entry, i) => ({
      ...entry,
      id: `01950000-0000-7000-8000-${String(i).padStart(12, '0')}`,
    })),
    photos: [],
    savedAt: file.savedAt,
  });
  const refused = await bring<Problem>(made);
  expect(refused).toMatchObject({ status: 409, body: { code: 'sheet-differs' } });
});
