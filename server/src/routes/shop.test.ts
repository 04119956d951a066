/** The shop's price list, what jobs get of it, and terms of warranties and outages. */
import type { JobResource, PriceRow, Problem } from '@jeitinho/core';
import { demoWorld } from '@jeitinho/demo';
import { FRIDGE, FRIDGE_JOB, harness, type Harness } from '../../testing/harness';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const put = <T = { added: number; changed: number; removed: number }>(
  rows: unknown[],
  replace = false,
) => h.send<T>('PUT', '/api/v1/shop/price-list', { rows, replace });
const listed = async () => (await h.get<PriceRow[]>('/api/v1/shop/price-list?limit=200')).body;
const pricesOf = async (job: string) =>
  (await h.get<JobResource>(`/api/v1/jobs/${job}`)).body.prices!;

test('rows go in by their numbers, however those are written; the whole list puts the others away', async () => {
  const before = await listed();
  expect(before.map(({ number }) => number)).toContain('TS-5010');
  expect((await put([{ number: 'tb-4425', price: 600, stock: 1 }])).body).toEqual({
    added: 1,
    changed: 0,
    removed: 0,
  });
  expect((await put([{ number: 'TB–4425', price: 650 }])).body).toMatchObject({ changed: 1 });
  expect((await put([{ number: 'TB–4425', price: 650 }])).body).toMatchObject({
    added: 0,
    changed: 0,
  });
  expect(
    (await put([{ number: 'X-1' }, { number: 'TS-5010', price: 29, stock: 4 }], true)).body,
  ).toEqual({
    added: 1,
    changed: 1,
    removed: before.length,
  });
  expect((await listed()).map(({ number }) => number).sort()).toEqual(['TS-5010', 'X-1']);
});

test('a job gets the rows of its own parts, and of what took their place, twice over', async () => {
  await put(
    [
      { number: 'TB-4425', supersededBy: 'TB-4425B' },
      { number: 'TB-4425B', supersededBy: 'TB-4425C' },
      { number: 'TB-4425C', price: 700, supersededBy: 'TB-4425' },
      { number: 'NV-3120', price: 1 },
    ],
    true,
  );
  expect((await pricesOf(FRIDGE_JOB)).map(({ number }) => number).sort()).toEqual([
    'TB-4425',
    'TB-4425B',
    'TB-4425C',
  ]);
});

test('negative prices, shares above the whole, too many: refused with the place, and nothing changes', async () => {
  const before = await listed();
  for (const bad of [
    { price: -1 },
    { leadHours: -2 },
    { restock: 2 },
    { stock: 0.5 },
    { colour: 'x' },
  ]) {
    const refused = await put<Problem>([{ number: 'TB-1', ...bad }]);
    expect(refused.status).toBe(422);
    expect(refused.body.errors![0]!.path).toContain('/rows/0');
  }
  expect(
    (await put<Problem>(Array.from({ length: 20_001 }, (_, i) => ({ number: `N${i}` })))).status,
  ).toBe(422);
  expect(await listed()).toEqual(before);
});

test('twenty thousand rows go in at once and come out in pages', async () => {
  const many = Array.from({ length: 20_000 }, (_, i) => ({ number: `P-${i}`, price: i }));
  expect((await put(many)).body.added).toBe(20_000);
  const page = await h.get<PriceRow[]>('/api/v1/shop/price-list?limit=150');
  expect(page.body).toHaveLength(150);
  const found = async (q: string) =>
    (await h.get<PriceRow[]>(`/api/v1/shop/price-list?q=${encodeURIComponent(q)}`)).body;
  expect((await found('p–19999')).map(({ number }) => number)).toEqual(['P-19999']);
  await put([{ number: 'Q-1', name: 'Fan, 100% outside' }]);
  expect(await found('fan')).toHaveLength(1);
  expect(await found('fan 100%')).toHaveLength(1);
  expect(await found('fan 1%s')).toHaveLength(0);
});

test('what an outage costs, what a warranty bears, whether it is registered', async () => {
  const [customer] = demoWorld.customers;
  const edit = (path: string, body: unknown) => h.send('PATCH', `/api/v1/${path}`, body);
  expect((await edit(`customers/${customer!.id}`, { outage: 350.5 })).status).toBe(200);
  expect((await edit(`customers/${customer!.id}`, { outage: -1 })).status).toBe(422);
  const terms = { warrantyCovers: 'parts-labour', registered: false, outage: 80 };
  expect((await edit(`units/${FRIDGE}`, terms)).status).toBe(200);
  expect((await edit(`units/${FRIDGE}`, { warrantyCovers: 'everything' })).status).toBe(422);
  const { body } = await h.get<JobResource>(`/api/v1/jobs/${FRIDGE_JOB}`);
  expect(body.unit).toMatchObject(terms);
  expect(body.customer.outage).toBe(350.5);
});
