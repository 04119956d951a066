import type {
  AppendedResource,
  EntriesResource,
  JobListItem,
  JobResource,
  Problem,
  Report,
} from '@jeitinho/core';
import { demoWorld } from '@jeitinho/demo';
import {
  DAVI,
  deadBatch,
  entry,
  FRIDGE,
  FRIDGE_JOB,
  harness,
  type Harness,
} from '../../testing/harness';
import { seedDemo } from '../seed';
import { projectNow, refreshSummaries } from '../store/projections';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

/** The one job whose unit has no sheet. */
const bareJob = () => {
  const unit = demoWorld.units.find(({ sheetId }) => sheetId === null)!;
  return demoWorld.jobs.find(({ unitId }) => unitId === unit.id)!.id;
};

/** A new job on the fridge, so that tests do not share a log. */
async function newJob(): Promise<string> {
  const { body } = await h.post<JobResource>('/api/v1/jobs', { unitId: FRIDGE, complaint: 'test' });
  return body.id;
}
const path = (job: string) => `/api/v1/jobs/${job}/entries`;
const send = <T = AppendedResource>(job: string, entries: unknown[]) =>
  h.post<T>(path(job), { entries });
const log = async (job: string, after = 0) =>
  (await h.get<EntriesResource>(`${path(job)}?after=${after}`)).body;

describe('jobs', () => {
  test('the demo has its open and signed jobs, and one unit still without a sheet', async () => {
    const { body } = await h.get<JobListItem[]>('/api/v1/jobs');
    expect(body).toHaveLength(demoWorld.jobs.length);
    expect((await h.get<JobListItem[]>('/api/v1/jobs?limit=2')).body).toHaveLength(2);
    const signed = (await h.get<JobListItem[]>('/api/v1/jobs?status=signed')).body;
    expect(signed.map((job) => job.summary?.partName)).toContain('Cabinet sensor');
    expect(signed).toHaveLength(8);
    const bare = body.filter((job) => job.sheetId === null);
    expect(bare.every((job) => job.complaint !== '' && job.unit.label !== '')).toBe(true);
    expect(bare.map((job) => job.unit.label)).toEqual(['Corridor water cooler']);
  });

  test('a job comes with its frozen sheet, its shop and the unit’s earlier visits', async () => {
    const { body } = await h.get<JobResource>(`/api/v1/jobs/${FRIDGE_JOB}`);
    expect(body.sheet?.id).toBe('tarumbe-uf440i');
    expect(body.shop.people).toContain('Davi Moura');
    expect(body.history.map((visit) => visit.summary?.codes)).toContainEqual(['31']);
  });

  test('a job keeps the revision it was opened with', async () => {
    const sheet = structuredClone(demoWorld.sheets[1]!);
    const job = await newJob();
    const posted = await h.post('/api/v1/sheets', {
      ...sheet,
      revision: 3,
      title: 'Third edition',
    });
    expect(posted.status).toBe(201);
    expect((await h.get<JobResource>(`/api/v1/jobs/${job}`)).body.sheet?.revision).toBe(2);
    const later = await newJob();
    expect((await h.get<JobResource>(`/api/v1/jobs/${later}`)).body.sheet?.title).toBe(
      'Third edition',
    );
  });

  test.each([
    ['GET', '/api/v1/jobs/nobody', 404],
    ['GET', '/api/v1/jobs/nobody/entries', 404],
    ['GET', '/api/v1/jobs/nobody/report', 404],
    ['GET', '/api/v1/jobs?status=asleep', 400],
    ['GET', '/api/v1/jobs?limit=none', 400],
    ['GET', '/api/v1/nothing', 404],
  ])('%s %s answers %p as a problem', async (_, address, status) => {
    const got = await h.get<Problem>(address);
    expect(got.status).toBe(status);
    expect(got.type).toBe('application/problem+json');
    expect(got.body.detail).not.toBe('');
  });

  test('a job for a unit that is not there is refused with the place', async () => {
    const got = await h.post('/api/v1/jobs', {
      unitId: '01930000-0000-7000-8000-999999999999',
      complaint: '',
    });
    expect(got).toMatchObject({
      status: 422,
      body: { code: 'unknown-unit', errors: [{ path: '/unitId' }] },
    });
  });

  test('seeding again changes nothing', async () => {
    const before = await h.store.entries.count();
    await seedDemo(h.store, demoWorld);
    expect(await h.store.entries.count()).toBe(before);
  });
});

describe('entries', () => {
  test('are numbered per job and come back in order, from where one left off', async () => {
    const job = await newJob();
    const note = entry('observed', { text: 'hums' });
    const code = entry('code', { shown: '21' });
    expect((await send(job, [note, code])).body).toEqual({
      accepted: [
        { id: note.id, seq: 2 },
        { id: code.id, seq: 3 },
      ],
      last: 3,
      offset: 0,
    });
    const { entries, last } = await log(job, 1);
    expect(entries).toEqual([
      { ...note, seq: 2 },
      { ...code, seq: 3 },
    ]);
    expect(last).toBe(3);
    expect((await log(job)).entries[0]!.kind).toBe('opened');
  });

  test('the same batch twice stores nothing twice', async () => {
    const job = await newJob();
    const batch = deadBatch();
    const first = await send(job, batch);
    const second = await send(job, [...batch, batch[0]]);
    expect(second.body.accepted.slice(0, batch.length)).toEqual(first.body.accepted);
    expect((await log(job)).entries).toHaveLength(batch.length + 1);
  });

  test('two devices at once are numbered one after the other, without a gap', async () => {
    const job = await newJob();
    await Promise.all(
      Array.from({ length: 12 }, (_, i) => send(job, [entry('observed', { text: `note ${i}` })])),
    );
    const { entries } = await log(job);
    expect(entries.map((each) => each.seq)).toEqual(Array.from({ length: 13 }, (_, i) => i + 1));
  });

  test('a malformed batch stores nothing, and says which entry and why', async () => {
    const job = await newJob();
    const bad = { ...entry('observed', { text: 'x' }), at: 'yesterday' };
    const got = await send<Problem>(job, [entry('observed', { text: 'good' }), bad]);
    expect(got.status).toBe(422);
    expect(got.body).toMatchObject({
      code: 'invalid-entry',
      entry: { index: 1, id: bad.id },
      errors: [{ path: '/entries/1/at' }],
    });
    expect((await log(job)).entries).toHaveLength(1);
  });

  test.each<[string, unknown, number]>([
    ['no list', {}, 422],
    ['an empty list', { entries: [] }, 422],
    ['too many', { entries: Array.from({ length: 501 }, () => ({})) }, 422],
    ['not JSON', 'entries, please', 400],
    ['a list of nothings', { entries: [null] }, 422],
  ])('%s is refused', async (_, body, status) => {
    const job = await newJob();
    expect((await h.post(path(job), body)).status).toBe(status);
  });

  test('a body without its content type, and one of five megabytes', async () => {
    const job = await newJob();
    expect((await h.post(path(job), '{}', { 'content-type': 'text/plain' })).status).toBe(415);
    const huge = JSON.stringify({
      entries: [entry('observed', { text: 'x' })],
      pad: 'x'.repeat(5e6),
    });
    const got = await h.post(path(job), huge, { 'content-length': String(huge.length) });
    expect(got).toMatchObject({ status: 413, body: { code: 'too-large' } });
  });

  test('a dead test on a live unit is refused with the rule; the whole batch stays out', async () => {
    const job = await newJob();
    const reading = entry('reading', {
      test: 'inv-fuse',
      point: 'F1',
      function: 'ohm',
      reading: { kind: 'value', value: 0.4 },
      typed: '0.4',
    });
    const got = await send<Problem>(job, [entry('observed', { text: 'first' }), reading]);
    expect(got).toMatchObject({
      status: 409,
      body: { code: 'dead-not-proven', entry: { index: 1, id: reading.id } },
    });
    expect(got.body.detail).toMatch(/LIVE/);
    expect((await log(job)).entries).toHaveLength(1);
    expect((await send(job, [...deadBatch(), reading])).status).toBe(200);
  });

  test('an id used before for something else is refused, in this job or another', async () => {
    const job = await newJob();
    const other = await newJob();
    const note = entry('observed', { text: 'mine' });
    await send(job, [note]);
    const changed = { ...note, body: { text: 'changed' } };
    for (const [where, what] of [
      [job, changed],
      [other, note],
    ] as const) {
      const got = await send<Problem>(where, [what]);
      expect(got).toMatchObject({ status: 409, body: { code: 'id-used', entry: { id: note.id } } });
    }
  });

  test('a job without a sheet takes no work', async () => {
    const bare = bareJob();
    expect(await send(bare, [entry('observed', { text: 'x' })])).toMatchObject({
      status: 409,
      body: { code: 'no-sheet' },
    });
  });

  test('after= must be a number', async () => {
    expect((await h.get(`${path(FRIDGE_JOB)}?after=soon`)).status).toBe(400);
  });

  test('readings stand in columns for statistics', async () => {
    const job = await newJob();
    const reading = entry('reading', {
      test: 'inv-fuse',
      point: 'F1',
      function: 'ohm',
      reading: { kind: 'overload' },
      typed: 'OL',
    });
    await send(job, [...deadBatch(), reading]);
    const row = await h.store.entries.findOne({ where: { id: reading.id } });
    expect(row).toMatchObject({ test: 'inv-fuse', point: 'F1', value: null });
  });
});

describe('projections', () => {
  test('follow the log, and are rebuilt from it to the same', async () => {
    const job = await newJob();
    await send(job, [...deadBatch(), entry('code', { shown: '21' })]);
    await projectNow(h.store);
    const kept = (await h.store.jobs.findByPk(job))!;
    expect(kept.summary).toMatchObject({ energy: 'dead', codes: ['21'] });
    await kept.update({ summary: null, summaryVersion: 0 });
    expect(await refreshSummaries(h.store)).toBe(1);
    expect((await h.store.jobs.findByPk(job))!.summary).toMatchObject({
      energy: 'dead',
      codes: ['21'],
    });
  });

  test('the server’s report is the one the device computes', async () => {
    const { body } = await h.get<Report>(
      `/api/v1/jobs/${demoWorld.jobs.find((job) => job.openedAt === '2026-08-11T12:04:00.000Z')!.id}/report`,
    );
    expect(body.rows.map((row) => [row.value, row.mark])).toEqual([
      ['clean', 'in'],
      ['11.84\u2009kΩ', 'repeated'],
      ['11.91\u2009kΩ', 'out'],
    ]);
    expect(body.decision?.text).toBe('Replace: Cabinet sensor');
  });
});

describe('a visit that goes on from an earlier one', () => {
  test('takes over what was found where somebody was to come back; a foreign visit is refused', async () => {
    const unit = demoWorld.units.find(({ sheetId }) => sheetId === 'varredim-vc2')!;
    const open = (more: object = {}) =>
      h.post<JobResource & Problem>('/api/v1/jobs', { unitId: unit.id, complaint: 'x', ...more });
    const { body: first } = await open();
    const batch = [
      entry('symptom', { symptom: 'tilts' }),
      entry('decided', {
        endings: [{ kind: 'come-back', part: 'harness', note: 'Thursday, with the harness' }],
        leading: null,
        probability: 0,
        reason: '',
      }),
      entry('signed', {
        technician: DAVI,
        customer: '',
        note: '',
        left: { energy: 'live', note: '', open: [] },
      }),
    ];
    expect((await send<Problem>(first.id, batch)).body).toMatchObject({ last: 4 });
    const { body: second } = await open();
    const [opened] = (await log(second.id)).entries;
    expect(opened!.body).toMatchObject({
      continues: {
        job: first.id,
        carried: [{ evidence: { symptom: 'tilts' }, words: 'Cuts out when the handle is tilted' }],
      },
    });
    const report = (await h.get<Report>(`/api/v1/jobs/${second.id}/report`)).body;
    expect(report.suspects[0]?.name).toBe('Neck harness broken inside');
    expect(await open({ continues: FRIDGE_JOB })).toMatchObject({
      status: 422,
      body: { code: 'unknown-visit' },
    });
    expect((await open({ continues: first.id })).status).toBe(201);
  });
});

test('what a good twin read is in the next job on its model, and in no other', async () => {
  const opens = async (sheetId: string) => {
    const unit = demoWorld.units.find((each) => each.sheetId === sheetId)!;
    const { body } = await h.post<JobResource>('/api/v1/jobs', { unitId: unit.id, complaint: 'x' });
    return { job: body.id, opened: (await log(body.id)).entries[0]!.body };
  };
  const { job, opened } = await opens('varredim-vc2');
  expect(opened).not.toHaveProperty('twins');
  const twin = entry('reading', {
    test: 'neck',
    point: '2',
    function: 'ohm',
    reading: { kind: 'value', value: 0.4 },
    typed: '0.4',
    specimen: { kind: 'twin', name: 'spare' },
  });
  expect((await send<Problem>(job, [twin])).status).toBe(200);
  const kept = { observable: 'neck@2', value: 0.4, at: twin.at, name: 'spare' };
  expect((await opens('varredim-vc2')).opened).toMatchObject({ twins: [kept] });
  expect((await opens('ondar-pb14')).opened).not.toHaveProperty('twins');
});

describe('a job that was opened without a sheet', () => {
  test('gets one later, once; its unit keeps it, and work can begin', async () => {
    const bare = bareJob();
    const give = (sheetId: string) =>
      h.post<JobResource & Problem>(`/api/v1/jobs/${bare}/sheet`, { sheetId });
    expect(await give('nobody')).toMatchObject({ status: 422, body: { code: 'unknown-sheet' } });
    const given = await give('ondar-pb14');
    expect(given).toMatchObject({
      status: 200,
      body: { sheet: { id: 'ondar-pb14' }, unit: { sheetId: 'ondar-pb14' } },
    });
    expect((await give('ondar-pb14')).status).toBe(200);
    expect(await give('norveda-nx3')).toMatchObject({ status: 409, body: { code: 'has-sheet' } });
    expect((await send(bare, [entry('observed', { text: 'x' })])).status).toBe(200);
    expect((await h.post(`/api/v1/jobs/nobody/sheet`, { sheetId: 'ondar-pb14' })).status).toBe(404);
    expect((await h.post(`/api/v1/jobs/${bare}/sheet`, {})).status).toBe(422);
  });
});

describe('series, label figures and meters over the API', () => {
  test('are accepted, judged, and refused by the same rules as on the device', async () => {
    const unit = demoWorld.units.find(({ sheetId }) => sheetId === 'corvelo-pd42')!;
    const { body: job } = await h.post<JobResource>('/api/v1/jobs', {
      unitId: unit.id,
      complaint: 'x',
    });
    const vs = entry('reading', {
      test: 'vs',
      point: 'VS',
      function: 'V=',
      reading: { kind: 'value', value: 205 },
      typed: '205',
    });
    const live = entry('energised', { precautions: true });
    expect(await send<Problem>(job.id, [live, vs])).toMatchObject({
      status: 409,
      body: { code: 'given-owed' },
    });
    const series = entry('series', {
      test: 'standby-5',
      point: '14',
      function: 'V=',
      samples: [0, 4, 8, 12].map((t) => ({ t, value: 5 + (t === 8 ? 0.6 : 0) })),
    });
    const batch = [
      live,
      entry('window', { state: 'on' }),
      entry('given', { test: 'vs', value: 204, typed: '204' }),
      vs,
      entry('window', { state: 'standby' }),
      series,
    ];
    expect((await send(job.id, batch)).status).toBe(200);
    const { body } = await h.get<Report>(`/api/v1/jobs/${job.id}/report`);
    expect(body.rows.map(({ mark }) => mark)).toEqual(['in', 'out']);
    const row = await h.store.entries.findOne({ where: { id: series.id } });
    expect(row).toMatchObject({ test: 'standby-5', point: '14', value: null });
    const weak = {
      id: 'w',
      name: 'Weak',
      rating: { category: 2, volts: 100 },
      functions: demoWorld.meters[0]!.functions,
    };
    await send(job.id, [entry('meter', { meter: weak })]);
    // The better one stays with the job, so nothing is refused.
    expect((await send(job.id, [{ ...vs, id: entry('observed', { text: 'x' }).id }])).status).toBe(
      200,
    );
  });
});

test('a demo world from before its sheets were written is completed by seeding again', async () => {
  const own = await harness();
  await own.store.units.update({ sheetId: null }, { where: { sheetId: 'brumal-pc36' } });
  await own.store.jobs.update(
    { sheetId: null, sheetRevision: null, summary: null },
    { where: { sheetId: 'brumal-pc36' } },
  );
  await seedDemo(own.store, demoWorld);
  const chiller = (await own.get<JobListItem[]>('/api/v1/jobs')).body.find(
    ({ unit }) => unit.label === 'Process chiller',
  );
  expect(chiller).toMatchObject({ sheetId: 'brumal-pc36', summary: { status: 'open' } });
  await own.close();
});
