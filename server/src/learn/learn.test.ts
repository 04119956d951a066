/** A shop that learns from its proven jobs, over the demo's years of visits. */
import type {
  LearntResource,
  PatternResource,
  Problem,
  RecordsResource,
  RightResource,
  YearsResource,
} from '@jeitinho/core';
import type { StoredEntry } from '@jeitinho/core/job';
import { demoWorld } from '@jeitinho/demo';
import { v7 as uuidv7 } from 'uuid';
import { harness, type Harness } from '../../testing/harness';
import { seedHistory } from '../seed';
import { refreshSummaries } from '../store/projections';
import { raw } from '../store/raw';

let h: Harness;
beforeAll(async () => {
  h = await harness();
  await seedHistory(h.store, demoWorld);
  await refreshSummaries(h.store);
});
afterAll(() => h.close());

const OVEN = 'panvale-do3';
const ROOF = 'norveda-nx3';
const unitOf = (label: string) => demoWorld.units.find((unit) => unit.label === label)!;
const learnt = async (sheet: string) =>
  (await h.get<LearntResource>(`/api/v1/sheets/${sheet}/learnt`)).body;
const adopt = (sheet: string, body: object, cookie?: string) =>
  h.post<Problem & LearntResource>(
    `/api/v1/sheets/${sheet}/odds`,
    body,
    cookie === undefined ? {} : { cookie },
  );
const share = ({ faults }: LearntResource, id: string) => faults.find(({ fault }) => fault === id)!;

test('the history comes in once', async () => {
  expect(await seedHistory(h.store, demoWorld)).toBe(0);
});

test('proven jobs count, by fault; what came back counts for nothing', async () => {
  const oven = await learnt(OVEN);
  expect(oven.jobs).toBe(
    demoWorld.past().filter(({ unitId }) => unitId === unitOf('Deck oven').id).length,
  );
  const lower = share(oven, 'el-lower');
  expect(lower.count).toBeGreaterThan(8);
  expect(lower.share).toBeGreaterThan(lower.own * 2);
  expect(lower.interval[0]).toBeGreaterThan(lower.own);
  expect(oven.faults.reduce((sum, each) => sum + each.share, 0)).toBeCloseTo(1, 10);
  // Nobody adopted anything: new jobs open with the sheet's own.
  expect(oven.faults.every(({ inUse, own }) => inUse === own)).toBe(true);
  expect((await learnt(ROOF)).calledBack).toBe(1);
});

test('a lead adopts odds as a revision; a job opened after has them in its log, one opened before has not', async () => {
  const before = await h.post<{ id: string }>('/api/v1/jobs', {
    unitId: unitOf('Deck oven').id,
    complaint: 'before',
  });
  const { jobs } = await learnt(OVEN);
  const rute = await h.somebody('Teca Lobo', 'technician');
  expect((await adopt(OVEN, { take: 'learnt', jobs, note: '' }, rute.cookie)).status).toBe(403);
  expect((await adopt(OVEN, { take: 'learnt', jobs: jobs - 1, note: '' })).body.code).toBe(
    'counted-anew',
  );
  expect((await adopt(OVEN, { take: 'own', jobs, note: '' })).body.code).toBe('own-already');
  const { status, body } = await adopt(OVEN, { take: 'learnt', jobs, note: 'five years' });
  expect(status).toBe(201);
  expect(body.revisions).toMatchObject([
    { revision: 1, kind: 'adopted', jobs, note: 'five years' },
  ]);
  expect(share(body, 'el-lower').inUse).toBeCloseTo(share(body, 'el-lower').share, 12);

  const after = await h.post<{ id: string }>('/api/v1/jobs', {
    unitId: unitOf('Deck oven').id,
    complaint: 'after',
  });
  const opened = async (id: string) => {
    const { body: log } = await h.get<{ entries: StoredEntry[] }>(`/api/v1/jobs/${id}/entries`);
    return log.entries[0]!.body as { odds?: { revision: number; shares: object } };
  };
  expect((await opened(after.body.id)).odds).toMatchObject({ revision: 1 });
  expect((await opened(before.body.id)).odds).toBeUndefined();
  // The sheet itself is as it was.
  const { body: job } = await h.get<{ sheet: unknown }>(`/api/v1/jobs/${after.body.id}`);
  const { body: old } = await h.get<{ sheet: unknown }>(`/api/v1/jobs/${before.body.id}`);
  expect(job.sheet).toEqual(old.sheet);
  const { body: trail } = await h.get<{ what: string; about: object }[]>('/api/v1/audit?limit=5');
  expect(trail[0]).toMatchObject({ what: 'odds-changed', about: { sheet: OVEN, revision: 1 } });

  const reset = await adopt(OVEN, { take: 'own', jobs, note: 'a new oven' });
  expect(reset.body.revisions.map(({ kind }) => kind)).toEqual(['reset', 'adopted']);
  expect(share(reset.body, 'el-lower').inUse).toBe(share(reset.body, 'el-lower').own);
});

test('odds from no job are nobody’s to adopt', async () => {
  const { body } = await adopt('tarumbe-uf440i', { take: 'learnt', jobs: 0, note: '' });
  expect(body.code).toBe('nothing-learnt');
});

test('boards that die on one roof are a pattern, with what it would be worth to look; what all come from is none', async () => {
  const { body } = await h.get<{ patterns: PatternResource[] }>('/api/v1/patterns');
  const roof = body.patterns.find(({ by, sheet }) => by === 'site' && sheet === ROOF)!;
  expect(roof).toMatchObject({ group: 'Pousada do Lume, roof', what: 'inv-board', units: 3 });
  expect(roof.p).toBeLessThan(0.01);
  expect(roof.shared).toContain('the same code: 47');
  expect(roof.worth).toBeGreaterThan(0);
  expect(new Set(roof.events.map(({ job }) => job)).size).toBe(roof.count);
  expect(body.patterns.some(({ by }) => by === 'supplier')).toBe(false);
});

test('how right it was: bands, Brier, who chose otherwise, and what to read again', async () => {
  const { body } = await h.get<RightResource>('/api/v1/right');
  expect(body.all!.count).toBe(body.bands.reduce((sum, { count }) => sum + count, 0));
  expect(body.all!.brier).toBeGreaterThan(0);
  expect(body.all!.brier).toBeLessThan(0.25);
  expect(body.sheets.map(({ sheet }) => sheet)).toContain(OVEN);
  expect(body.calledBack).toBe(1);
  expect(body.unproven).toBeGreaterThan(0);
  expect(body.overruled.map(({ who }) => who)).toEqual(['Davi Moura', 'Lia Torres']);
  expect(body.surprises).toContainEqual(expect.objectContaining({ why: 'came-back' }));
  // A technician sees their own overrulings alone.
  const lia = await h.somebody('Lia Torres', 'technician');
  const { body: own } = await h.get<RightResource>('/api/v1/right', { cookie: lia.cookie });
  expect(own.overruled.map(({ who }) => who)).toEqual(['Lia Torres']);
  expect(own.all).toEqual(body.all);
});

test('a unit over the years: insulation that falls, parts with their batch, what came back and why', async () => {
  const { body } = await h.get<YearsResource>(`/api/v1/units/${unitOf('Rooftop unit 2').id}/years`);
  const [first] = body.series;
  expect(first).toMatchObject({ observable: 'insulation', trend: 'falling', unit: 'ohm' });
  expect(first!.points.map(({ value }) => value)).toEqual([122e6, 44e6, 38e6]);
  expect(first!.points[0]!.low).toBe(1.4e6);
  const leg = body.series.find(({ observable }) => observable === 'igbt@U-N')!;
  expect(leg.points.map(({ verdict, after }) => [verdict, after])).toContainEqual([
    'out',
    undefined,
  ]);
  expect(body.visits[0]!.done).toMatchObject([{ id: 'inv-board', batch: '2506' }]);
  expect(body.visits[1]!.cameBack).toMatchObject({ days: 71, done: 'Replace: Inverter board' });
  const measuring = body.steps.find(({ stage }) => stage === 'measure')!;
  expect(measuring.entries).toBeGreaterThan(10);
  expect(measuring.presses).toBeGreaterThanOrEqual(measuring.entries * 2);
});

test('a site and a model have their years too, and a merged unit leads to those of the other', async () => {
  const site = await h.get<{ units: object[]; years: YearsResource }>(
    `/api/v1/sites/${unitOf('Rooftop unit 2').siteId}/years`,
  );
  expect(site.body.units).toHaveLength(3);
  const model = await h.get<YearsResource>(`/api/v1/sheets/${ROOF}/years`);
  expect(model.body.of).toBe(site.body.years.of);
  for (const path of ['units/none', 'sites/none', 'sheets/none'])
    expect((await h.get(`/api/v1/${path}/years`)).status).toBe(404);
});

describe('tables', () => {
  const table = (name: string, query = '') =>
    h.get<RecordsResource & Problem>(`/api/v1/records/${name}${query}`);

  test('filtered by every word, sorted by a column either way', async () => {
    const { body } = await table('parts', '?q=lower%20cedro&sort=signed');
    const at = body.columns.findIndex(({ id }) => id === 'signed');
    const days = body.rows.map(({ cells }) => String(cells[at]));
    expect(days.length).toBeGreaterThan(5);
    expect(days).toEqual([...days].sort());
    const { body: down } = await table('parts', '?q=lower%20cedro&sort=signed&order=down');
    expect(down.rows.map(({ cells }) => cells[at])).toEqual([...days].reverse());
    // Accents and case aside.
    expect((await table('visits', '?q=PADARIA%20forno')).body.of).toBeGreaterThan(10);
    expect((await table('visits', '?q=100%25_')).body.of).toBe(0);
  });

  test('what came back, with why', async () => {
    const { body } = await table('came-back');
    expect(body.of).toBeGreaterThanOrEqual(2);
    expect(JSON.stringify(body.rows)).toMatch('Callback: since the new board');
  });

  test('a table or a column that is none is told', async () => {
    expect((await table('nothing')).status).toBe(404);
    expect((await table('visits', '?sort=id;DROP')).body.detail).toMatch('sort is one of signed');
    expect((await table('visits', '?from=-1')).status).toBe(400);
    expect((await table('visits', '?order=sideways')).status).toBe(400);
  });

  test('the whole of it as CSV, and no cell is a formula', async () => {
    await raw(h.store.sequelize, `UPDATE work_done SET supplier = '=cmd|A1' WHERE nth = 0 LIMIT 1`);
    const response = await h.app.request('/api/v1/records/parts/csv?sort=name');
    expect(response.headers.get('content-disposition')).toMatch('parts.csv');
    const text = await response.text();
    const { body } = await table('parts');
    expect(text.trim().split('\r\n')).toHaveLength(body.of + 1);
    expect(text).toMatch("'=cmd|A1");
    expect((await h.app.request('/api/v1/records/parts/csv?sort=x')).status).toBe(400);
  });
});

test('a signature that is withdrawn takes its lesson with it; a device whose clock ran wild is put right', async () => {
  const past = demoWorld.past().at(-1)!;
  const count = async () => (await learnt(ROOF)).jobs;
  const before = await count();
  const signed = past.entries.at(-1)!;
  await h.post(`/api/v1/jobs/${past.id}/entries`, {
    entries: [
      {
        ...{ id: uuidv7(), kind: 'withdrawn', at: new Date().toISOString(), author: 'Davi Moura' },
        body: { entry: signed.id, reason: 'one more look' },
      },
    ],
  });
  expect(await count()).toBe(before - 1);
  await h.post(`/api/v1/jobs/${past.id}/entries`, {
    entries: [{ ...signed, id: uuidv7(), at: '1999-01-01T00:00:00.000Z' }],
  });
  expect(await count()).toBe(before);
  const [row] = await raw<{ signedAt: Date }[]>(
    h.store.sequelize,
    'SELECT signedAt FROM lessons WHERE jobId = ?',
    [past.id],
  );
  expect(row!.signedAt.getFullYear()).toBe(2025);
});
