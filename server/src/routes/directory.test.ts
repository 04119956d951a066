import type {
  CustomerResource,
  MeterProfile,
  Problem,
  RevisionResource,
  SheetListItem,
  ShopResource,
  SiteResource,
  UnitResource,
} from '@jeitinho/core';
import type { WrittenSheet } from '@jeitinho/core/sheet';
import { demoWorld } from '@jeitinho/demo';
import { FRIDGE, harness, type Harness } from '../../testing/harness';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const NOBODY = '01930000-0000-7000-8000-999999999999';

test('customer, site and unit are made, listed and found', async () => {
  const customer = await h.post<CustomerResource>('/api/v1/customers', { name: 'Olaria do Morro' });
  expect(customer.status).toBe(201);
  const site = await h.post<SiteResource>('/api/v1/sites', {
    customerId: customer.body.id,
    name: 'Kiln house',
  });
  const unit = await h.post<UnitResource>('/api/v1/units', {
    siteId: site.body.id,
    label: 'Kiln fan',
    maker: 'Brumal Sul',
    model: 'KF-2',
    kind: 'fan',
  });
  expect(unit.body).toMatchObject({ serial: '', sheetId: null, warrantyUntil: null });
  const listed = await h.get<UnitResource[]>(`/api/v1/units?site=${site.body.id}`);
  expect(listed.body.map((each) => each.label)).toEqual(['Kiln fan']);
  expect((await h.get(`/api/v1/customers/${customer.body.id}`)).status).toBe(200);
  expect((await h.get(`/api/v1/sites?customer=${customer.body.id}`)).body).toHaveLength(1);
});

test('a unit is shown with its visits, newest first', async () => {
  const { body } = await h.get<{ visits: { openedAt: string }[] }>(`/api/v1/units/${FRIDGE}`);
  const dates = body.visits.map((visit) => visit.openedAt);
  expect(dates).toEqual([...dates].sort().reverse());
  expect(dates.length).toBeGreaterThanOrEqual(2);
});

test.each<[string, unknown, number, string]>([
  ['/api/v1/customers', {}, 422, 'invalid-body'],
  ['/api/v1/customers', { name: '' }, 422, 'invalid-body'],
  ['/api/v1/customers', { name: 'x', admin: true }, 422, 'invalid-body'],
  ['/api/v1/customers', { name: 'x', id: demoWorld.customers[0]!.id }, 409, 'id-used'],
  ['/api/v1/sites', { customerId: NOBODY, name: 'x' }, 422, 'unknown-owner'],
  [
    '/api/v1/units',
    { siteId: NOBODY, label: 'x', maker: 'x', model: 'x', kind: 'x' },
    422,
    'unknown-owner',
  ],
  [
    '/api/v1/units',
    { siteId: NOBODY, label: 'x', maker: 'x', model: 'x', kind: 'x', warrantyUntil: 'soon' },
    422,
    'invalid-body',
  ],
])('POST %s %j answers %p %p', async (path, body, status, code) => {
  expect(await h.post<Problem>(path, body)).toMatchObject({ status, body: { code } });
});

test.each([
  '/api/v1/customers/x',
  '/api/v1/sites/x',
  '/api/v1/units/x',
  '/api/v1/sheets/x',
  '/api/v1/sheets/tarumbe-uf440i/revisions/77',
])('%s is not there', async (path) => {
  expect(await h.get<Problem>(path)).toMatchObject({ status: 404, body: { code: 'not-found' } });
});

describe('sheets', () => {
  const sheet = demoWorld.sheets[0]!;

  test('the newest revision stands in the list and answers for the id', async () => {
    const next: WrittenSheet = { ...structuredClone(sheet), revision: 3, title: 'Mended' };
    expect((await h.post('/api/v1/sheets', next)).status).toBe(201);
    const { body } = await h.get<SheetListItem[]>('/api/v1/sheets');
    expect(body.find(({ id }) => id === sheet.id)).toMatchObject({
      revision: 3,
      title: 'Mended',
      maker: 'Tarumbê',
      facets: { faults: 15, models: ['UF-440i*', 'UF-380i*'] },
    });
    expect((await h.get<WrittenSheet>(`/api/v1/sheets/${sheet.id}`)).body).toEqual(next);
    expect((await h.get<WrittenSheet>(`/api/v1/sheets/${sheet.id}/revisions/1`)).body).toEqual(
      sheet,
    );
  });

  test('a revision never changes: the same again is fine, another is refused', async () => {
    expect((await h.post('/api/v1/sheets', sheet)).status).toBe(200);
    const other = { ...structuredClone(sheet), title: 'Sneaked in' };
    expect(await h.post('/api/v1/sheets', other)).toMatchObject({
      status: 409,
      body: { code: 'revision-taken' },
    });
  });

  test('a sheet with problems is refused with all of them', async () => {
    const torn = structuredClone(sheet);
    torn.faults[0]!.part = 'nobody';
    torn.tests[0]!.state = 'asleep';
    const got = await h.post<Problem>('/api/v1/sheets', { ...torn, id: 'torn', revision: 1 });
    expect(got.status).toBe(422);
    expect(got.body.errors?.map((each) => each.path)).toEqual(
      expect.arrayContaining(['/faults/0/part', '/tests/0/state']),
    );
  });

  test('the format’s schema is published', async () => {
    const { body } = await h.get<{ $id: string }>('/schemas/sheet-2.json');
    expect(body.$id).toBe('sheet-2');
  });
});

test('a request addressed to another host is not answered', async () => {
  const response = await h.app.request('http://evil.example/api/v1/jobs');
  expect(response.status).toBe(421);
  expect(await response.json()).toMatchObject({ code: 'unknown-host' });
  expect((await h.app.request('http://127.0.0.1:8137/api/v1/jobs')).status).toBe(200);
});

test('health, and a database that went away', async () => {
  const own = await harness({ demo: false });
  expect((await own.get('/health')).body).toEqual({ status: 'ok' });
  await own.close();
  expect(await own.get<Problem>('/health/ready')).toMatchObject({
    status: 503,
    body: { code: 'no-database' },
  });
  expect((await own.get<Problem>('/api/v1/jobs')).status).toBe(500);
});

test('a shop without settings has a name all the same', async () => {
  const own = await harness({ demo: false });
  expect((await own.get('/api/v1/shop')).body).toMatchObject({ name: 'Jeitinho', meter: null });
  expect((await own.get('/api/v1/jobs')).body).toEqual([]);
  await own.close();
});

describe('the library over the API', () => {
  test('the list has what it is searched by, also for a sheet stored by an older program', async () => {
    const own = await harness();
    await own.store.sheets.update(
      { facets: null, facetsVersion: 0 },
      { where: { id: 'norveda-nx3' } },
    );
    const { body } = await own.get<SheetListItem[]>('/api/v1/sheets');
    expect(body.length).toBeGreaterThanOrEqual(14);
    const rooftop = body.find(({ id }) => id === 'norveda-nx3')!;
    expect(rooftop.facets.codes).toContain('47 Compressor current');
    expect(rooftop.facets.connectors).toContain('CN5 Main link');
    const row = await own.store.sheets.findOne({ where: { id: 'norveda-nx3' } });
    expect(row!.facetsVersion).toBeGreaterThan(0);
    await own.close();
  });

  test('revisions are listed newest first, with who saved them', async () => {
    const own = await harness();
    const next = { ...structuredClone(demoWorld.sheets[1]!), revision: 3 };
    await own.post('/api/v1/sheets', next);
    const { body } = await own.get<RevisionResource[]>('/api/v1/sheets/tarumbe-uf440i/revisions');
    expect(body.map(({ revision, author }) => [revision, author])).toEqual([
      [3, 'Davi Moura'],
      [2, ''],
      [1, ''],
    ]);
    await own.close();
  });

  test('two people saving one sheet: the second is told who was quicker, and nothing of it is stored', async () => {
    const own = await harness();
    const mine = { ...structuredClone(demoWorld.sheets[1]!), revision: 3, title: 'Mine' };
    const theirs = { ...mine, title: 'Theirs' };
    const answers = await Promise.all([
      own.post<Problem>('/api/v1/sheets', mine),
      own.post<Problem>('/api/v1/sheets', theirs),
    ]);
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
    const told = answers.find(({ status }) => status === 409)!.body;
    expect(told).toMatchObject({
      code: 'revision-taken',
      detail: expect.stringContaining('Davi Moura') as string,
    });
    expect(told.detail).toMatch('save it as 4');
    await own.close();
  });

  test('a sheet of a newer format, with unknown fields, and one of nine megabytes', async () => {
    const own = await harness({ demo: false });
    const sheet = demoWorld.sheets[2]!;
    const newer = await own.post<Problem>('/api/v1/sheets', {
      ...sheet,
      format: 'jeitinho.sheet/3',
    });
    expect(newer).toMatchObject({ status: 422, body: { errors: [{ path: '/format' }] } });
    const odd = { ...structuredClone(sheet), id: 'odd', revision: 1, shopNote: 'kept' };
    expect((await own.post('/api/v1/sheets', odd)).status).toBe(201);
    expect((await own.get<{ shopNote: string }>('/api/v1/sheets/odd')).body.shopNote).toBe('kept');
    const huge = JSON.stringify({ ...sheet, pad: 'x'.repeat(9e6) });
    expect(
      await own.post('/api/v1/sheets', huge, { 'content-length': String(huge.length) }),
    ).toMatchObject({ status: 413 });
    await own.close();
  });
});

describe('meters', () => {
  const meter: MeterProfile = {
    id: 'mine',
    name: 'Mine',
    functions: [
      { function: 'V=', ranges: [{ upTo: 60, resolution: 0.01, percent: 1, counts: 2 }] },
    ],
  };
  test('are listed, added, changed, taken in hand and removed', async () => {
    const own = await harness();
    expect((await own.get<MeterProfile[]>('/api/v1/meters')).body).toHaveLength(5);
    expect((await own.send('PUT', '/api/v1/meters/mine', meter)).status).toBe(200);
    expect(
      (await own.send('PUT', '/api/v1/meters/mine', { ...meter, name: 'Mine, mended' })).status,
    ).toBe(200);
    expect(
      (await own.get<MeterProfile[]>('/api/v1/meters')).body.map(({ name }) => name),
    ).toContain('Mine, mended');
    expect((await own.send('POST', '/api/v1/meters/mine/in-hand')).status).toBe(204);
    expect((await own.get<ShopResource>('/api/v1/shop')).body.meter?.id).toBe('mine');
    expect((await own.send('DELETE', '/api/v1/meters/mine')).status).toBe(204);
    expect((await own.get<MeterProfile[]>('/api/v1/meters')).body).toHaveLength(5);
    await own.close();
  });
  test('what is no meter, or not at its address, is refused', async () => {
    const own = await harness();
    expect(await own.send('PUT', '/api/v1/meters/mine', { ...meter, functions: [] })).toMatchObject(
      {
        status: 422,
      },
    );
    expect(await own.send('PUT', '/api/v1/meters/other', meter)).toMatchObject({ status: 422 });
    expect(await own.send('DELETE', '/api/v1/meters/nobody')).toMatchObject({ status: 404 });
    expect(await own.send('POST', '/api/v1/meters/nobody/in-hand')).toMatchObject({ status: 404 });
    await own.close();
  });
  test('a shop without a list of its own has the meter it was set up with', async () => {
    const own = await harness();
    await own.store.settings.destroy({ where: { name: 'meters' } });
    expect((await own.get<MeterProfile[]>('/api/v1/meters')).body.map(({ id }) => id)).toEqual([
      'house-meter',
    ]);
    await own.send('PUT', '/api/v1/meters/mine', meter);
    expect((await own.get<MeterProfile[]>('/api/v1/meters')).body).toHaveLength(2);
    await own.close();
  });
});
