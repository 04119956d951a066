/** The short form of each attack; `npm run torture` has them whole. */
import { readdirSync, readFileSync } from 'node:fs';
import { builtinModules } from 'node:module';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { freePort, Jeitinho, ROOT } from '../support/jeitinho';
import { fuzz } from '../torture/fuzz';
import { killWhileWriting, socketOf } from '../torture/kills';
import { meterGarbage } from '../torture/meter-garbage';
import { blocking, fill, follow, lists, longLog } from '../torture/size';

test.describe.configure({ mode: 'serial' });

let jeitinho: Jeitinho;
test.beforeAll(async () => {
  jeitinho = new Jeitinho(await freePort());
  await jeitinho.start();
});
test.afterAll(async () => {
  await jeitinho.stop();
  jeitinho.removeData();
});

test('odd requests to every route: no answer is 500, and the server lives', async () => {
  const before = jeitinho.serverProcesses();
  const found = await fuzz(jeitinho.url, 400, Number(process.env.FUZZ_SEED ?? 20261126));
  expect(found.broken).toEqual([]);
  expect(jeitinho.serverProcesses()).toEqual(before);
  for (const status of ['200', '400', '404', '422'])
    expect(found.statuses[status]).toBeGreaterThan(5);
});

test('garbage and a flood on a meter’s socket: it still measures, and so does nobody else wait', async () => {
  const before = jeitinho.serverProcesses();
  const found = await meterGarbage(jeitinho.url, 300);
  expect(found.measures).toBe(true);
  expect(jeitinho.serverProcesses()).toEqual(before);
});

test('large requests are answered as they should be', async () => {
  const rows = await blocking(jeitinho.url);
  expect(rows.map(({ what, status }) => [what, status])).toEqual([
    ['a sheet of 5,000 codes', 201],
    ['a sheet of 200,000 keys', 422],
    ['entries of 30,000 keys', 422],
    ['two full series', 409],
    ['a list of 500 entries', 200],
  ]);
});

test('a log of thousands of entries is appended to, and read in parts', async () => {
  const [server] = jeitinho.serverProcesses();
  const long = await longLog(jeitinho.url, socketOf(jeitinho), server!, 3000);
  expect(long.entries).toBe(3000);
});

test('lists of a larger shop come in pages to their end', async () => {
  const made = fill(socketOf(jeitinho), { jobs: 700, entries: 1400, units: 450, sheets: 1000 });
  const { url } = jeitinho;
  expect(await follow(url, '/units')).toMatchObject({ items: made.units });
  expect(await follow(url, '/jobs')).toMatchObject({ items: made.jobs });
  expect(await follow(url, '/sites')).toMatchObject({ items: made.sites });
  expect(await follow(url, '/jobs?limit=13&status=open')).toMatchObject({
    items: (await follow(url, '/jobs?status=open')).items,
  });
  for (const { list } of await lists(url, 1)) expect(list).not.toBe('');
});

test('kills of server, database and script while devices write: nothing lost, doubled or reordered', async () => {
  const found = await killWhileWriting(jeitinho, 6);
  expect(found.kills).toEqual({ server: 2, database: 2, script: 2 });
  expect(found.acknowledged).toBeGreaterThan(50);
  expect([found.lost, found.doubled, found.reordered]).toEqual([0, 0, 0]);
});

test('the built server imports nothing that its package does not declare', () => {
  const { dependencies } = JSON.parse(readFileSync(join(ROOT, 'server/package.json'), 'utf8')) as {
    dependencies: Record<string, string>;
  };
  const dist = join(ROOT, 'server/dist');
  const files = readdirSync(dist, { recursive: true })
    .map(String)
    // Benchmarks are for the workshop.
    .filter((name) => name.endsWith('.js') && name !== 'bench.js');
  const imported = files.flatMap((name) =>
    [...readFileSync(join(dist, name), 'utf8').matchAll(/^import .*?from "([^".][^"]*)";$/gm)].map(
      ([, from]) => from!,
    ),
  );
  const packages = imported
    .filter((from) => !from.startsWith('node:') && !builtinModules.includes(from))
    .map((from) =>
      from
        .split('/')
        .slice(0, from.startsWith('@') ? 2 : 1)
        .join('/'),
    );
  expect(packages).toContain('hono');
  expect([...new Set(packages)].filter((name) => !(name in dependencies))).toEqual([]);
});
