/** Lists in pages, each by an index, and units found by their words. */
import type { JobListItem, UnitFound, UnitResource } from '@jeitinho/core';
import { harness, type Harness } from '../../testing/harness';
import { raw } from '../store/raw';

let h: Harness;
beforeAll(async () => {
  h = await harness();
  // Enough of everything that the optimizer goes by the indexes.
  const fill = async (sql: string) => raw(h.sequelize, sql);
  await fill(
    `INSERT INTO customers (id, name) SELECT CONCAT('c', seq), CONCAT('Customer ', seq % 97) FROM seq_1_to_3000`,
  );
  await fill(`INSERT INTO sites (id, customerId, name, address, town)
    SELECT CONCAT('s', seq), CONCAT('c', seq), CONCAT('Bakery ', seq % 89), CONCAT(seq, ' Canal Street'), 'Porto Lume' FROM seq_1_to_3000`);
  await fill(`INSERT INTO units (id, siteId, label, maker, model, serial, kind)
    SELECT CONCAT('u', seq), CONCAT('s', 1 + seq % 3000), CONCAT('Cold room ', seq % 101), 'Ondar', 'PB14', CONCAT('SN', LPAD(seq, 6, '0')), 'fridge' FROM seq_1_to_3000`);
  await fill(`INSERT INTO jobs (id, unitId, complaint, openedAt, visitAt, status, queue, signedAt, summaryVersion)
    SELECT CONCAT('j', seq), CONCAT('u', 1 + seq % 50), 'x', '2026-01-01' + INTERVAL seq % 700 HOUR, NULL,
      IF(seq % 3 = 0, 'open', 'signed'), seq % 2, IF(seq % 3 = 0, NULL, '2026-02-01' + INTERVAL seq % 500 HOUR), 99 FROM seq_1_to_6000`);
  await fill(`INSERT INTO sheets (id, revision, title, maker, document, createdAt, newest)
    SELECT CONCAT('sheet', i.seq), r.seq, CONCAT('Sheet ', i.seq), 'Ondar', '{}', NOW(3), r.seq = 4 FROM seq_1_to_250 AS i JOIN seq_1_to_4 AS r`);
  await fill('ANALYZE TABLE customers, sites, units, jobs, sheets');
});
afterAll(() => h.close());

/** A list followed from page to page to its end. */
async function follow<T>(path: string): Promise<{ items: T[]; pages: number }> {
  const items: T[] = [];
  let pages = 0;
  for (let next: string | undefined = path; next !== undefined; pages += 1) {
    const response: Response = await h.app.request(next);
    expect(response.status).toBe(200);
    items.push(...((await response.json()) as T[]));
    next = /<([^>]+)>; rel="next"/.exec(response.headers.get('link') ?? '')?.[1];
  }
  return { items, pages };
}

test.each([
  ['/api/v1/units', 'SELECT COUNT(*) AS n FROM units'],
  ['/api/v1/units?limit=77', 'SELECT COUNT(*) AS n FROM units'],
  ['/api/v1/units?site=s7', "SELECT COUNT(*) AS n FROM units WHERE siteId = 's7'"],
  ['/api/v1/customers', 'SELECT COUNT(*) AS n FROM customers'],
  ['/api/v1/sites', 'SELECT COUNT(*) AS n FROM sites'],
  ['/api/v1/jobs', 'SELECT COUNT(*) AS n FROM jobs'],
  ['/api/v1/jobs?status=open', "SELECT COUNT(*) AS n FROM jobs WHERE status = 'open'"],
  ['/api/v1/jobs?status=signed', "SELECT COUNT(*) AS n FROM jobs WHERE status = 'signed'"],
  ['/api/v1/jobs?unit=u7', "SELECT COUNT(*) AS n FROM jobs WHERE unitId = 'u7'"],
])('%s has everything once, over its pages', async (path, count) => {
  const [{ n }] = (await raw<{ n: number }[]>(h.sequelize, count)) as [{ n: number }];
  const { items } = await follow<{ id: string }>(path);
  expect(new Set(items.map(({ id }) => id)).size).toBe(n);
  expect(items).toHaveLength(n);
});

test('open jobs: begun first, then as they are due, over many pages', async () => {
  const { items, pages } = await follow<JobListItem>('/api/v1/jobs?status=open&limit=150');
  expect(pages).toBeGreaterThan(10);
  const rows = await raw<{ id: string }[]>(
    h.sequelize,
    "SELECT id FROM jobs WHERE status = 'open' ORDER BY queue, COALESCE(visitAt, openedAt), id",
  );
  expect(items.map(({ id }) => id)).toEqual(rows.map(({ id }) => id));
});

test('a page goes on where the one before ended, whatever was added meanwhile', async () => {
  const first = await h.app.request('/api/v1/units?limit=50');
  const before = (await first.json()) as UnitResource[];
  await raw(
    h.sequelize,
    "INSERT INTO units (id, siteId, label, maker, model, kind) VALUES ('zz-new', 's1', 'Aardvark cooler', 'x', 'y', 'z')",
  );
  const next = /<([^>]+)>/.exec(first.headers.get('link')!)![1]!;
  const after = (await (await h.app.request(next)).json()) as UnitResource[];
  expect(after.some(({ id }) => before.some((each) => each.id === id))).toBe(false);
  const sorted = [...before, ...after].map(({ label }) => label);
  expect(sorted).toEqual([...sorted].sort());
});

test.each(['after=x', 'after=W10', 'after=WzEsMiwzXQ', 'limit=0', 'limit=2.5', 'limit=-1'])(
  'a cursor or limit that is none is a 400: %s',
  async (query) => {
    expect((await h.get(`/api/v1/units?${query}`)).status).toBe(400);
  },
);

describe('no list is found by reading a whole table', () => {
  interface Step {
    readonly table: string;
    readonly type: string;
    readonly key: string | null;
    readonly Extra: string;
  }
  const asked: string[] = [];
  const explain = (sql: string) => raw<Step[]>(h.sequelize, `EXPLAIN ${sql}`);

  beforeAll(() => {
    (h.sequelize as unknown as { options: { logging: unknown } }).options.logging = (
      line: string,
    ) => asked.push(line.replace(/^Executing \([^)]*\): /, ''));
  });
  afterAll(() => {
    (h.sequelize as unknown as { options: { logging: unknown } }).options.logging = false;
  });

  const cursor = (...values: unknown[]) =>
    Buffer.from(JSON.stringify(values)).toString('base64url');
  test.each([
    '/units',
    `/units?after=${cursor('Cold room 50', 'u5')}`,
    '/units?site=s7',
    '/customers',
    `/customers?after=${cursor('Customer 50', 'c5')}`,
    '/sites',
    '/sites?customer=c7',
    '/jobs',
    `/jobs?after=${cursor('2026-01-10T00:00:00.000Z', 'j5')}`,
    '/jobs?status=open&limit=60',
    `/jobs?status=open&limit=60&after=${cursor(1, '2026-01-10T00:00:00.000Z', 'j5')}`,
    '/jobs?status=signed&limit=8',
    '/jobs?unit=u7',
    '/units/u7',
  ])('%s', async (path) => {
    asked.length = 0;
    expect((await h.get(`/api/v1${path}`)).status).toBe(200);
    const lists = asked.filter((sql) => /^SELECT .* (LIMIT \d|IN \()/s.test(sql));
    expect(lists.length).toBeGreaterThan(0);
    for (const sql of lists)
      for (const step of await explain(sql)) {
        expect([sql, step.table, step.type]).not.toContain('ALL');
        expect(step.Extra).not.toContain('filesort');
      }
  });

  test('sheets', async () => {
    const steps = await explain(
      `SELECT id, revision, title, maker, facets FROM sheets WHERE newest = 1
        ORDER BY maker, title, id LIMIT 201`,
    );
    expect(steps.map(({ key }) => key)).toEqual(['sheets_listed']);
    expect(steps[0]!.type).toMatch(/ref|range/);
    expect(steps[0]!.Extra).not.toContain('filesort');
  });
});

describe('a unit is found', () => {
  const find = async (words: string) =>
    (await h.get<UnitFound[]>(`/api/v1/units?q=${encodeURIComponent(words)}`)).body;

  test('by its serial number, and by the start of it', async () => {
    expect((await find('SN000417')).map(({ serial }) => serial)).toEqual(['SN000417']);
    expect((await find('SN00041')).length).toBe(10);
  });

  test('by words of its label and of its place together, in any order', async () => {
    const found = await find('bakery 12 cold room');
    expect(found.length).toBeGreaterThan(0);
    expect(found[0]!.siteName + found[0]!.label).toContain('12');
    expect(await find('bakery 777777 cold')).toEqual([]);
    for (const { siteName, label } of found)
      expect(`${siteName} ${label}`).toMatch(/^Bakery \d+ Cold room \d+$/);
  });

  test('by the start of its label where a word is too short for the index of words', async () => {
    expect((await find('Co'))[0]?.label).toMatch(/^Co/);
  });

  test('by nothing at all: the first ones', async () => {
    expect((await find('')).length).toBe(30);
  });

  test.each(["'; DROP TABLE units; --", '+-*"()~<>@', '%', '\\', 'nothing of that kind'])(
    'what means something to a database means nothing here: %s',
    async (words) => {
      expect(Array.isArray(await find(words))).toBe(true);
      expect((await find('SN000417')).length).toBe(1);
    },
  );
});
