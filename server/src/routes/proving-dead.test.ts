/** The rules of making safe at the door of the server: the same as in the page, whatever sends. */
import type {
  AppendedResource,
  EntriesResource,
  JobListItem,
  JobResource,
  Problem,
  Report,
} from '@jeitinho/core';
import type { BodyOf, LogEntry } from '@jeitinho/core/job';
import type { Sheet } from '@jeitinho/core/sheet';
import { demoWorld, newestSheet, nextProvingStep } from '@jeitinho/demo';
import { foldJob } from '@jeitinho/core/job';
import { DAVI, deadBatch, entry, FRIDGE, harness, type Harness } from '../../testing/harness';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const PLASMA = demoWorld.units.find(({ model }) => model.startsWith('PD-42'))!;
const newJob = async (unitId = FRIDGE) =>
  (await h.post<JobResource>('/api/v1/jobs', { unitId, complaint: '' })).body.id;
const send = <T = AppendedResource>(job: string, entries: LogEntry[], more: object = {}) =>
  h.post<T & Problem>(`/api/v1/jobs/${job}/entries`, { entries, ...more });
const energyOf = async (job: string) =>
  (await h.get<JobListItem[]>('/api/v1/jobs')).body.find(({ id }) => id === job)!.summary!.energy;
const rows = async (job: string) => (await h.get<Report>(`/api/v1/jobs/${job}/report`)).body.rows;
const by = (device: string, seen: number, list: LogEntry[]) =>
  list.map((each) => ({ ...each, device, seen }));
const safed = (body: BodyOf<'safed'>, at?: number) => entry('safed', body, at);
const volts = (value: number) => ({ kind: 'value' as const, value });
const supply = (value: number): BodyOf<'safed'> => ({
  step: 'meter',
  function: 'V~',
  source: { kind: 'supply' },
  reading: volts(value),
  typed: '',
});
const ohms = () =>
  entry('reading', {
    test: 'inv-fuse',
    point: 'F1',
    function: 'ohm',
    reading: volts(0.2),
    typed: '0.2',
  });

describe('refused at the door', () => {
  test.each<[string, BodyOf<'safed'>, string]>([
    [
      'DC volts on a mains pair',
      { step: 'pair', pair: 'l-n', function: 'V=', reading: volts(0) },
      'wrong-function',
    ],
    ['0 V on the known source', supply(0), 'source-unfit'],
    [
      'no figure on it',
      { step: 'meter', function: 'V~', source: { kind: 'supply' } },
      'source-unfit',
    ],
    ['a battery on AC', { ...supply(9), source: { kind: 'battery' } }, 'source-unfit'],
    [
      'a low figure by a meter that nobody proved',
      { step: 'pair', pair: 'l-n', function: 'V~', reading: volts(0.2) },
      'safe-step-out-of-order',
    ],
    [
      'a pair under its cover',
      { step: 'pair', pair: 'bus', function: 'V=', reading: volts(2) },
      'access-owed',
    ],
    ['the steps of an older page', { step: 'meter-proved' }, 'old-step'],
  ])('%s', async (_, body, code) => {
    const job = await newJob();
    await send(job, [safed({ step: 'isolated' }, Date.now() - 900_000)]);
    const got = await send(job, [safed(body)]);
    expect([got.status, got.body.code]).toEqual([409, code]);
    expect((await h.get<EntriesResource>(`/api/v1/jobs/${job}/entries`)).body.entries).toHaveLength(
      2,
    );
  });

  test('ohms, a hand and a part while one store of two is proven', async () => {
    const job = await newJob(PLASMA.id);
    const sheet = newestSheet(PLASMA.sheetId!);
    const log: LogEntry[] = [];
    let at = Date.now() - 20 * 60_000;
    for (;;) {
      const step = nextProvingStep(sheet, foldJob(sheet, log), { store: 2 }, at);
      // All of it but the second store.
      if (!step || (step.body as BodyOf<'safed'>).pair === 'pfc') break;
      at += step.wait * 60_000;
      log.push(entry(step.kind, step.body as never, at));
    }
    const last = log.findLast(
      ({ kind, body }) => kind === 'safed' && (body as BodyOf<'safed'>).function === 'V=',
    )!;
    expect(
      (
        await send(job, [
          ...log,
          {
            ...entry(
              'safed',
              {
                ...supply(0),
                ...{ function: 'V=', source: { kind: 'battery' }, reading: volts(9) },
              },
              at + 1000,
            ),
          },
        ])
      ).status,
    ).toBe(200);
    expect(last).toBeDefined();
    expect(await energyOf(job)).toBe('not-proven');
    const dead = sheet.tests.find(({ state }) => state === 'dead')!;
    const answer = 'answers' in dead ? Object.keys(dead.answers)[0]! : '';
    const tries: LogEntry[] = [
      'points' in dead
        ? entry('reading', {
            test: dead.id,
            point: dead.points[0]!.id,
            function: dead.function,
            reading: volts(1),
            typed: '',
          })
        : entry('answer', { test: dead.id, answer }),
      entry('fitted', { part: sheet.parts[0]!.id, note: '' }),
    ];
    for (const each of tries) expect((await send(job, [each])).body.code).toBe('dead-not-proven');
  });

  test('a job left live with a plug out is not signed without a word', async () => {
    const job = await newJob();
    await send(job, [
      ...deadBatch(),
      entry('access', { access: 'cn7-off' }),
      entry('energised', { precautions: true }),
      entry('decision', {
        action: 'hand-over',
        part: null,
        leading: null,
        probability: 0,
        reason: 'x',
      }),
    ]);
    const names = { technician: DAVI, customer: '', note: '' };
    const sign = (left?: BodyOf<'signed'>['left']) =>
      send(job, [entry('signed', { ...names, ...(left && { left }) })]);
    expect((await sign()).body).toMatchObject({ code: 'left-unsaid' });
    const open = (await sign({ energy: 'live', note: '', open: [] })).body;
    expect(open.detail).toMatch(/Still open or out: .*CN7 out of the main board/);
    const reasons = ['rear-cover', 'inv-cover', 'cn7-off'].map((access) => ({
      access,
      reason: 'waits for the part',
    }));
    expect((await sign({ energy: 'live', note: '', open: reasons })).status).toBe(200);
    const { body } = await h.get<Report>(`/api/v1/jobs/${job}/report`);
    expect(body.left).toContain('Supply on: the machine is LIVE.');
    expect(body.left.join(' ')).toMatch(
      /Left open or out: CN7 out of the main board. waits for the part/,
    );
  });

  test('a sheet that forgets a store, with the sentence that mends it', async () => {
    const sheet = structuredClone(newestSheet(PLASMA.sheetId!)) as Sheet;
    sheet.safety.prove = sheet.safety.prove!.filter(({ id }) => id !== 'pfc');
    const got = await h.post('/api/v1/sheets', { ...sheet, id: 'forgetful', revision: 1 });
    expect(got.status).toBe(422);
    expect(JSON.stringify(got.body)).toMatch(
      /“Power factor capacitor” stays charged and no pair proves it drained/,
    );
  });
});

describe('two devices', () => {
  test('a late “dead proven” after another device’s “energised” leaves it LIVE, and is kept', async () => {
    const job = await newJob();
    expect((await send(job, by('B', 1, [entry('energised', { precautions: true })]))).status).toBe(
      200,
    );
    const late = by('A', 1, deadBatch());
    expect((await send(job, late)).status).toBe(200);
    expect(await energyOf(job)).toBe('live');
    // Ohms from the device that believes it dead are kept as what was done, and void.
    expect((await send(job, by('A', 1, [ohms()]))).status).toBe(200);
    expect((await rows(job)).map(({ mark }) => mark)).toEqual(['void']);
    // Once it has heard of it, it proves it anew and goes on.
    const { last } = (await h.get<EntriesResource>(`/api/v1/jobs/${job}/entries`)).body;
    const again = deadBatch().filter(({ kind }) => kind === 'safed');
    expect((await send(job, by('A', last, again))).status).toBe(200);
    expect(await energyOf(job)).toBe('dead');
  });

  test('volts that one device saw take away the proof that another goes on from', async () => {
    const job = await newJob();
    const { body } = await send(job, by('A', 1, deadBatch()));
    expect(await energyOf(job)).toBe('dead');
    const seen = entry('volts-seen', {
      function: 'V=',
      reading: volts(48),
      red: 'inv.P',
      black: 'inv.N',
    });
    expect((await send(job, by('B', body.last, [seen]))).status).toBe(200);
    expect(await energyOf(job)).toBe('not-proven');
    expect((await send(job, by('A', body.last, [ohms()]))).status).toBe(200);
    expect((await rows(job)).map(({ mark }) => mark)).toEqual(['void']);
    expect((await send(job, by('A', body.last + 2, [ohms()]))).body.code).toBe('dead-not-proven');
  });

  test('a clock an hour off is measured as it sends, and what it wrote takes its true place', async () => {
    const job = await newJob();
    const hour = 3_600_000;
    const ahead = by('A', 1, deadBatch(Date.now() + hour));
    const sentAt = new Date(Date.now() + hour).toISOString();
    const first = await send(job, ahead, { sentAt });
    expect(Math.round(first.body.offset / 60_000)).toBe(-60);
    await send(job, by('B', first.body.last, [entry('energised', { precautions: true })]));
    expect(await energyOf(job)).toBe('live');
    const { entries } = (await h.get<EntriesResource>(`/api/v1/jobs/${job}/entries`)).body;
    expect(entries[1]).toMatchObject({ device: 'A', seen: 1, offset: first.body.offset });
    expect(entries.at(-1)!.offset).toBeUndefined();
  });

  test.each([
    ['in-time', 0],
    ['nonsense', 0],
  ])('a sender that is %s has no offset', async (how, offset) => {
    const job = await newJob();
    const sentAt = how === 'in-time' ? new Date().toISOString() : '2026-99-99T99:99:99.999Z';
    expect((await send(job, [entry('observed', { text: 'x' })], { sentAt })).body.offset).toBe(
      offset,
    );
  });
});

test('a log from before folds, opens, and is not proven', async () => {
  const job = await newJob();
  const steps: BodyOf<'safed'>[] = [
    { step: 'isolated' },
    { step: 'meter-proved' },
    { step: 'bus', reading: volts(2), typed: '2' },
    { step: 'meter-reproved' },
  ];
  // As an older program left it in the database.
  await h.store.entries.bulkCreate(
    steps.map((body, i) => ({
      jobId: job,
      seq: i + 2,
      id: safed(body).id,
      kind: 'safed' as const,
      at: new Date(Date.now() - (60 - i * 10) * 60_000),
      author: DAVI,
      body: body as Record<string, unknown>,
      receivedAt: new Date(),
    })),
  );
  expect((await send(job, [ohms()])).body.code).toBe('dead-not-proven');
  expect((await send(job, [entry('observed', { text: 'opened again' })])).status).toBe(200);
  expect(await energyOf(job)).toBe('not-proven');
  const { body } = await h.get<Report>(`/api/v1/jobs/${job}/report`);
  expect(body.dead.map(({ text }) => text)).toContain(
    'Meter said to be proven, without its figure: no proof',
  );
});
