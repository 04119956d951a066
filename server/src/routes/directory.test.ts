import type {
  CustomerResource,
  Problem,
  Sheet,
  SheetListItem,
  SiteResource,
  UnitResource,
} from '@jeitinho/core';
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
    const next: Sheet = { ...structuredClone(sheet), revision: 3, title: 'Mended' };
    expect((await h.post('/api/v1/sheets', next)).status).toBe(201);
    const { body } = await h.get<SheetListItem[]>('/api/v1/sheets');
    expect(body.find(({ id }) => id === sheet.id)).toMatchObject({
      revision: 3,
      title: 'Mended',
      maker: 'Tarumbê',
      facets: { faults: 15, models: ['UF-440i*', 'UF-380i*'] },
    });
    expect((await h.get<Sheet>(`/api/v1/sheets/${sheet.id}`)).body).toEqual(next);
    expect((await h.get<Sheet>(`/api/v1/sheets/${sheet.id}/revisions/1`)).body).toEqual(sheet);
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
    const { body } = await h.get<{ $id: string }>('/schemas/sheet-1.json');
    expect(body.$id).toBe('sheet-1');
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
  expect(await own.get<Problem>('/health')).toMatchObject({
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
