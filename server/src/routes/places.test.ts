/** Customers, sites and units changed, merged, found and brought in; visits moved and handed on. */
import type {
  ImportedPlaces,
  JobListItem,
  PlaceResource,
  PlaceRow,
  Problem,
  UnitFound,
  UnitResource,
} from '@jeitinho/core';
import { demoWorld } from '@jeitinho/demo';
import { v7 as uuidv7 } from 'uuid';
import { FRIDGE, FRIDGE_JOB, harness, type Harness } from '../../testing/harness';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const [cafe] = demoWorld.customers;
const [cafeSite] = demoWorld.sites;
const press = (more: object = {}) => ({
  id: uuidv7(),
  siteId: cafeSite!.id,
  label: 'Press',
  maker: 'Nobody',
  model: 'P-1',
  kind: 'press',
  ...more,
});
const found = async (q: string) =>
  (await h.get<PlaceResource[]>(`/api/v1/places?q=${encodeURIComponent(q)}`)).body;

describe('finding places', () => {
  test('by customer, street, serial and label together, accents aside', async () => {
    expect((await found('UF4-20331')).map(({ name }) => name)).toEqual(['Café Três Candeias']);
    expect((await found('cafe fridge ladeira')).map(({ name }) => name)).toEqual([
      'Café Três Candeias',
    ]);
    expect(await found('cafe boiler')).toEqual([]);
    const [inn] = await found('pousada');
    expect(inn!.sites).toHaveLength(3);
    expect(inn!.sites.flatMap(({ units }) => units)).toHaveLength(5);
  });

  test('a customer without a unit is found too; without words all come by name', async () => {
    await h.post('/api/v1/customers', { name: 'Ana Ximenes' });
    expect((await found('ximenes'))[0]).toMatchObject({ sites: [] });
    const all = (await h.get<PlaceResource[]>('/api/v1/places')).body.map(({ name }) => name);
    expect(all).toHaveLength(demoWorld.customers.length + 1);
    expect(all[0]).toBe('Ana Ximenes');
  });
});

const row = (more: Partial<PlaceRow>): PlaceRow => ({
  customer: 'Rita Bastos',
  phone: '',
  site: 'House',
  address: 'Rua Nova 2',
  town: '',
  label: 'Oven',
  maker: 'Panvale',
  model: 'DO-3',
  serial: 'DO-1',
  kind: 'oven',
  installed: '',
  warranty: '',
  ...more,
});
const bring = (rows: PlaceRow[]) => h.post<ImportedPlaces>('/api/v1/places', { rows });

describe('bringing in a list', () => {
  test('new ones are added, known ones stay as they are, and twice changes nothing', async () => {
    const rows = [
      row({}),
      row({ label: 'Fridge', model: 'UF-440i', maker: 'Tarumbê', serial: 'UF4-1' }),
      row({
        customer: 'CAFE TRES CANDEIAS',
        site: 'Café Três Candeias',
        serial: 'UF4-20331',
        maker: 'Tarumbê',
        model: 'changed',
      }),
      row({
        customer: 'Only A Name',
        site: 'Only A Name',
        label: '',
        maker: '',
        model: '',
        serial: '',
        kind: '',
      }),
    ];
    expect((await bring(rows)).body).toEqual({ customers: 2, sites: 2, units: 2, known: 1 });
    expect((await bring(rows)).body).toEqual({ customers: 0, sites: 0, units: 0, known: 3 });
    // A sheet that covers maker and model comes with it.
    const units = (await found('bastos'))[0]!.sites.flatMap((site) => site.units);
    expect(units.map(({ label, sheetId }) => [label, sheetId])).toEqual([
      ['Fridge', 'tarumbe-uf440i'],
      ['Oven', 'panvale-do3'],
    ]);
    const fridge = (await h.get<UnitResource>(`/api/v1/units/${FRIDGE}`)).body;
    expect(fridge.model).toBe('UF-440i');
  });

  test('one bad row, and nothing goes in', async () => {
    const customer = 'Nobody Yet';
    const got = await bring([row({ customer }), row({ customer, installed: '2026-02-31' })]);
    expect(got.status).toBe(422);
    expect(await found('nobody yet')).toEqual([]);
  });
});

describe('changing', () => {
  test('what is not named stays; nonsense changes nothing', async () => {
    const path = `/api/v1/units/${FRIDGE}`;
    expect((await h.send('PATCH', path, { serial: 'UF4-99' })).body).toMatchObject({
      serial: 'UF4-99',
      label: 'Upright fridge',
    });
    expect((await h.send('PATCH', path, {})).status).toBe(422);
    expect((await h.send('PATCH', path, { label: '' })).status).toBe(422);
    expect((await h.send('PATCH', path, { warrantyUntil: '2026-02-31' })).status).toBe(422);
    expect((await h.send<Problem>('PATCH', path, { siteId: uuidv7() })).body.code).toBe(
      'unknown-owner',
    );
    expect((await h.send('PATCH', `/api/v1/units/${uuidv7()}`, { label: 'x' })).status).toBe(404);
    expect((await h.get<UnitResource>(path)).body).toMatchObject({
      serial: 'UF4-99',
      siteId: cafeSite!.id,
    });
  });
});

describe('merging doubles', () => {
  test('a unit’s visits go over, what was blank is filled, and the old id leads on', async () => {
    const kept = press();
    const double = press({ serial: 'P-77', warrantyUntil: '2027-01-01' });
    for (const unit of [kept, double]) await h.post('/api/v1/units', unit);
    const job = { id: uuidv7(), unitId: double.id, complaint: 'Does not close' };
    await h.post('/api/v1/jobs', job);
    const merged = await h.post(`/api/v1/units/${kept.id}/merge`, { double: double.id });
    expect(merged.body).toMatchObject({ id: kept.id, serial: 'P-77', warrantyUntil: '2027-01-01' });
    const through = await h.get<UnitResource & { visits: { id: string }[] }>(
      `/api/v1/units/${double.id}`,
    );
    expect(through.body.id).toBe(kept.id);
    expect(through.body.visits.map(({ id }) => id)).toEqual([job.id]);
    const listed = await h.get<JobListItem[]>(`/api/v1/jobs?unit=${double.id}`);
    expect(listed.body.map(({ id }) => id)).toEqual([job.id]);
    // A label printed before, a device that was away: both still know it by the old id.
    expect((await h.post('/api/v1/jobs', { unitId: double.id, complaint: 'x' })).status).toBe(201);
    expect(
      (await h.send('PATCH', `/api/v1/units/${double.id}`, { label: 'Big press' })).body,
    ).toMatchObject({ id: kept.id, label: 'Big press' });
  });

  test('merged twice over, the first id leads to the last', async () => {
    const [a, b, c] = [press(), press(), press()];
    for (const unit of [a, b, c]) await h.post('/api/v1/units', unit);
    await h.post(`/api/v1/units/${b.id}/merge`, { double: a.id });
    await h.post(`/api/v1/units/${c.id}/merge`, { double: b.id });
    expect((await h.get<UnitResource>(`/api/v1/units/${a.id}`)).body.id).toBe(c.id);
  });

  test('a customer’s sites go over; itself, or what is gone, is refused', async () => {
    const double = { id: uuidv7(), name: 'Cafe Tres Candeias', phone: '555 0111' };
    await h.post('/api/v1/customers', double);
    await h.post('/api/v1/sites', { customerId: double.id, name: 'Kiosk' });
    const path = `/api/v1/customers/${cafe!.id}/merge`;
    expect((await h.post(path, { double: cafe!.id })).body.code).toBe('same');
    expect((await h.post(path, { double: double.id })).body).toMatchObject({ phone: '555 0111' });
    expect((await h.post(path, { double: double.id })).body.code).toBe('unknown-double');
    const [place] = await found('candeias kiosk');
    expect(place).toMatchObject({ id: cafe!.id, name: 'Café Três Candeias' });
  });

  test('two who merge the same pair both ways: one is told, nothing is lost', async () => {
    const [a, b] = [press(), press()];
    for (const unit of [a, b]) await h.post('/api/v1/units', unit);
    const both = await Promise.all([
      h.post(`/api/v1/units/${a.id}/merge`, { double: b.id }),
      h.post(`/api/v1/units/${b.id}/merge`, { double: a.id }),
    ]);
    expect(both.filter(({ status }) => status === 200)).toHaveLength(1);
    const ids = await Promise.all(
      [a, b].map(async ({ id }) => (await h.get<UnitResource>(`/api/v1/units/${id}`)).body.id),
    );
    expect(new Set(ids).size).toBe(1);
  });
});

test('a sheet reaches every unit that it covers, and their visits that had none', async () => {
  const cooler = demoWorld.units.find(({ model }) => model === 'FB-2')!;
  const waiting = demoWorld.jobs.find(({ unitId }) => unitId === cooler.id)!;
  const sheet = demoWorld.sheets.find(({ id }) => id === 'geadal-cr3')!;
  const made = {
    ...structuredClone(sheet),
    id: 'fontelar-fb',
    revision: 1,
    equipment: { ...sheet.equipment, maker: 'Fontelar', models: ['FB-*'] },
  };
  expect((await h.post('/api/v1/sheets', made)).status).toBe(201);
  const path = '/api/v1/sheets/fontelar-fb/units';
  const { body } = await h.get<{ fits: UnitFound[]; has: number }>(path);
  expect([body.fits.map(({ id }) => id), body.has]).toEqual([[cooler.id], 0]);
  expect((await h.post(path, { units: [cooler.id] })).body).toEqual({ units: 1, jobs: 1 });
  expect((await h.get<{ fits: UnitFound[]; has: number }>(path)).body).toEqual({
    fits: [],
    has: 1,
  });
  expect((await h.get<JobListItem>(`/api/v1/jobs/${waiting.id}`)).body.sheetId).toBe('fontelar-fb');
  expect((await h.post('/api/v1/sheets/none/units', { units: [cooler.id] })).status).toBe(404);
});

describe('a visit on a day, and whose it is', () => {
  const week = (from: string, to: string) =>
    h.get<JobListItem[]>(`/api/v1/jobs?from=${from}&to=${to}`);

  test('moved to another hour it stands in that week, by its hour', async () => {
    const path = `/api/v1/jobs/${FRIDGE_JOB}`;
    const moved = await h.send<JobListItem>('PATCH', path, { visitAt: '2031-05-05T09:15:00Z' });
    expect(moved.body.visitAt).toBe('2031-05-05T09:15:00.000Z');
    const there = await week('2031-05-05T00:00:00Z', '2031-05-12T00:00:00Z');
    expect(there.body.map(({ id }) => id)).toEqual([FRIDGE_JOB]);
    expect((await week('2031-05-06T00:00:00Z', '2031-05-12T00:00:00Z')).body).toEqual([]);
    await h.send('PATCH', path, { visitAt: null, urgent: true });
    const first = (await h.get<JobListItem[]>('/api/v1/jobs?status=open')).body;
    expect(first.slice(0, 2).map(({ id }) => id)).toContain(FRIDGE_JOB);
    expect((await h.send('PATCH', path, { visitAt: '2031-02-30T09:00:00Z' })).status).toBe(422);
    expect((await week('tomorrow', 'later')).status).toBe(400);
  });

  test('handed on by name with what it owes, in list and log; a signed one is not', async () => {
    const path = `/api/v1/jobs/${FRIDGE_JOB}`;
    const body = { to: 'Rute Sabiá', note: 'Key at the bar' };
    const got = (await h.post<JobListItem>(`${path}/hand-over`, body)).body;
    expect(got).toMatchObject({
      technician: 'Rute Sabiá',
      handed: { from: 'Davi Moura', to: 'Rute Sabiá', note: 'Key at the bar' },
    });
    expect(got.handed!.owed).toEqual(
      expect.arrayContaining(['Arrive', expect.stringMatching(/^Measure: \d+ readings$/)]),
    );
    const { entries } = (
      await h.get<{ entries: { kind: string; body: object }[] }>(`${path}/entries`)
    ).body;
    expect(entries.at(-1)).toMatchObject({ kind: 'handed', body: { to: 'Rute Sabiá' } });
    expect((await h.post(`${path}/hand-over`, body)).body.code).toBe('same');
    const signed = demoWorld.jobs.find(({ entries: log }) =>
      log.some(({ kind }) => kind === 'signed'),
    )!;
    expect((await h.post(`/api/v1/jobs/${signed.id}/hand-over`, body)).body.code).toBe('signed');
    expect((await h.send('PATCH', `/api/v1/jobs/${signed.id}`, { urgent: true })).status).toBe(409);
  });
});

test('a visit opened on a device that was away keeps its hour and its entry', async () => {
  const opened = { id: uuidv7(), at: '2026-11-01T08:00:00Z' };
  const job = { id: uuidv7(), unitId: FRIDGE, complaint: 'Warm again', opened };
  expect((await h.post<JobListItem>('/api/v1/jobs', job)).body.openedAt).toBe(
    '2026-11-01T08:00:00.000Z',
  );
  const { entries } = (await h.get<{ entries: { id: string }[] }>(`/api/v1/jobs/${job.id}/entries`))
    .body;
  expect(entries.map(({ id }) => id)).toEqual([opened.id]);
  const ahead = { ...job, id: uuidv7(), opened: { id: uuidv7(), at: '2999-01-01T00:00:00Z' } };
  const late = (await h.post<JobListItem>('/api/v1/jobs', ahead)).body;
  expect(Date.parse(late.openedAt)).toBeLessThanOrEqual(Date.now());
});
