/** The two commands of a fresh machine: `./jeitinho start` and what it leaves, `./jeitinho core`. */
import { spawnSync } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { freePort, Jeitinho, ROOT } from '../support/jeitinho';
import { beginShop, fetch } from '../support/signed-in';

const script = join(ROOT, 'jeitinho');
const run = (args: string[], input = '') => spawnSync(script, args, { input, encoding: 'utf8' });

test('starts empty with --no-demo, keeps its data, and leaves no process behind', async () => {
  const first = new Jeitinho(await freePort(), undefined, ['--no-demo']);
  await first.start();
  expect(first.output).toContain('Nobody keeps this shop yet');
  await beginShop(first);
  const jobs = async () => (await fetch(`${first.url}/api/v1/jobs`)).json() as Promise<unknown[]>;
  expect(await jobs()).toEqual([]);
  const made = await fetch(`${first.url}/api/v1/customers`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Olaria do Morro' }),
  });
  expect(made.status).toBe(201);
  expect(first.databaseProcesses()).toHaveLength(1);
  expect(await first.stop()).toBe(0);
  expect(first.serverProcesses()).toEqual([]);
  expect(first.databaseProcesses()).toEqual([]);

  await first.start();
  expect(first.output).not.toContain('/welcome#');
  const customers = await (await fetch(`${first.url}/api/v1/customers`)).json();
  expect(customers).toMatchObject([{ name: 'Olaria do Morro' }]);
  expect(run(['stop', '--data', first.data]).status).toBe(0);
  expect(first.databaseProcesses()).toEqual([]);
  first.removeData();
});

test('a data folder in use, a port taken, a port that is none: a sentence that says what to do', async () => {
  const running = new Jeitinho(await freePort());
  await running.start();
  const second = run(['start', '--port', String(await freePort()), '--data', running.data]);
  expect(second.status).toBe(1);
  expect(second.stderr).toContain(
    'in use by another Jeitinho. Stop it with: ./jeitinho stop --data',
  );
  expect(await running.stop()).toBe(0);

  const port = await freePort();
  const squatter = createServer().listen(port, '127.0.0.1');
  const blocked = new Jeitinho(port, running.data);
  await expect(blocked.start()).rejects.toThrow(
    `Port ${port} is taken by another program. Stop it, or choose another with --port.`,
  );
  expect(blocked.databaseProcesses()).toEqual([]);
  squatter.close();

  expect(run(['start', '--port', 'http']).stderr).toContain('is not a port');
  expect(run(['start', '--fast']).stderr).toContain('“--fast” is not an option');
  expect(run([]).status).toBe(1);
  running.removeData();
});

test('the core on the command line', () => {
  const judged = run(
    ['core', 'judge'],
    JSON.stringify([
      { expect: { kind: 'atMost', high: 1, unit: 'ohm' }, reading: { kind: 'overload' } },
    ]),
  );
  expect(judged.status).toBe(0);
  expect(JSON.parse(judged.stdout)).toMatchObject([
    { verdict: 'out', outcome: 'open', p: { open: 1 } },
  ]);

  const broken = run(['core', 'judge'], '{');
  expect(broken.status).toBe(1);
  expect(JSON.parse(broken.stdout)).toMatchObject({ error: { code: 'malformed-json' } });

  const placed = run(['core', 'diagnose'], '[{"sheet": {}, "evidence": []}]');
  expect(placed.status).toBe(1);
  expect(JSON.parse(placed.stdout).error.path).toMatch(/^\/0\/sheet/);
});
