/** Starting and stopping when something is wrong: killed scripts, hung servers, dead and damaged databases, full disks. */
import { execFileSync, spawnSync } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { createConnection } from 'mariadb';
import { expect, test } from '@playwright/test';
import { freePort, freshFolder, Jeitinho, ROOT } from '../support/jeitinho';
import { answering, socketOf } from '../torture/kills';
import { beginShop, fetch } from '../support/signed-in';

const script = join(ROOT, 'jeitinho');
const run = (...args: string[]) => spawnSync(script, args, { encoding: 'utf8' });
const fresh = async (data?: string) => new Jeitinho(await freePort(), data, ['--no-demo']);
const mode = (path: string) => (statSync(path).mode & 0o777).toString(8);

test('a script that was killed leaves nothing that the next start, or stop, does not put right', async () => {
  const jeitinho = await fresh();
  await jeitinho.start();
  const [server] = jeitinho.serverProcesses();
  await jeitinho.killScript();
  expect(jeitinho.serverProcesses()).toEqual([server]);
  expect(jeitinho.databaseProcesses()).toHaveLength(1);

  await jeitinho.start();
  expect(jeitinho.output).toContain('Ending what an earlier start left running');
  expect(jeitinho.serverProcesses()).toHaveLength(1);
  expect(jeitinho.serverProcesses()).not.toEqual([server]);
  expect(jeitinho.databaseProcesses()).toHaveLength(1);

  await jeitinho.killScript();
  expect(run('stop', '--data', jeitinho.data).status).toBe(0);
  expect(jeitinho.serverProcesses()).toEqual([]);
  expect(jeitinho.databaseProcesses()).toEqual([]);
  jeitinho.removeData();
});

test('a server that hangs is killed when its grace is over', async () => {
  const jeitinho = await fresh();
  await jeitinho.start();
  const [server] = jeitinho.serverProcesses();
  process.kill(server!, 'SIGSTOP');
  expect(await jeitinho.stop()).toBe(0);
  expect(jeitinho.serverProcesses()).toEqual([]);
  expect(jeitinho.databaseProcesses()).toEqual([]);
  jeitinho.removeData();
});

test('a database that dies is started again, and said meanwhile', async () => {
  const jeitinho = await fresh();
  await jeitinho.start();
  await beginShop(jeitinho);
  for (const pid of jeitinho.databaseProcesses()) process.kill(pid, 'SIGKILL');
  const away = await fetch(`${jeitinho.url}/api/v1/customers`);
  expect(away.status).toBe(503);
  expect(Number(away.headers.get('retry-after'))).toBeGreaterThan(0);
  expect(await away.json()).toMatchObject({ code: 'no-database' });
  await answering(jeitinho.url);
  expect((await fetch(`${jeitinho.url}/api/v1/customers`)).status).toBe(200);
  await expect.poll(() => jeitinho.output).toContain('The database is back.');
  expect(await jeitinho.stop()).toBe(0);
  jeitinho.removeData();
});

test('nobody else reads the data folder, and no log what people wrote', async () => {
  const jeitinho = new Jeitinho(await freePort());
  await jeitinho.start();
  const jobs = (await (await fetch(`${jeitinho.url}/api/v1/jobs?status=open`)).json()) as {
    id: string;
    sheetId: string | null;
  }[];
  const job = jobs.find(({ sheetId }) => sheetId !== null)!.id;
  const words = 'The neighbour’s dog bit the installer';
  const post = (body: unknown) =>
    fetch(`${jeitinho.url}/api/v1/jobs/${job}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  const entry = {
    id: crypto.randomUUID(),
    kind: 'observed',
    at: new Date().toISOString(),
    author: 'Davi Moura',
    body: { text: words },
  };
  expect((await post({ entries: [entry] })).status).toBe(200);
  expect((await post({ entries: [{ ...entry, kind: words }] })).status).toBe(422);
  // The database dies under it: its errors hold the whole statement.
  for (const pid of jeitinho.databaseProcesses()) process.kill(pid, 'SIGKILL');
  expect((await post({ entries: [{ ...entry, id: crypto.randomUUID() }] })).status).toBe(503);
  await answering(jeitinho.url);
  const picture = Buffer.from('/9j/4AAQ', 'base64');
  const hash = execFileSync('sha256sum', { input: picture }).toString().slice(0, 64);
  const put = await fetch(`${jeitinho.url}/api/v1/photos/${hash}`, {
    method: 'PUT',
    body: picture,
  });
  expect(put.status).toBe(204);
  expect(await jeitinho.stop()).toBe(0);

  const log = readFileSync(join(jeitinho.data, 'server.log'), 'utf8');
  expect(log).toContain('"status":503');
  expect(log).not.toContain('neighbour');
  expect(mode(jeitinho.data)).toBe('700');
  for (const name of readdirSync(jeitinho.data).filter((each) => each.endsWith('.log')))
    expect([name, mode(join(jeitinho.data, name))]).toEqual([name, '600']);
  expect(mode(join(jeitinho.data, 'metrics-token'))).toBe('600');
  jeitinho.removeData();
});

test.describe('a sentence that says what to do, for', () => {
  test('an empty database folder', async () => {
    const data = freshFolder();
    mkdirSync(join(data, 'mariadb'));
    const { status, stderr } = run('start', '--data', data, '--port', String(await freePort()));
    expect(status).toBe(1);
    expect(stderr).toContain('is empty. If its disk is not mounted, mount it');
    expect(readdirSync(join(data, 'mariadb'))).toEqual([]);
    rmSync(data, { recursive: true });
  });

  test('a table that is gone, and a file that is damaged', async () => {
    const jeitinho = await fresh();
    await jeitinho.start();
    const db = await createConnection({ socketPath: socketOf(jeitinho), user: 'root' });
    await db.query('DROP TABLE jeitinho.benches');
    await db.end();
    expect(await jeitinho.stop()).toBe(0);
    await expect(jeitinho.start()).rejects.toThrow(
      'The database is not whole: the table “benches” is missing or damaged',
    );
    expect(jeitinho.databaseProcesses()).toEqual([]);

    // Whatever the database can make of it, it is a sentence, and nothing runs on.
    const space = join(jeitinho.data, 'mariadb/ibdata1');
    writeFileSync(space, Buffer.alloc(statSync(space).size, 0x5a));
    await expect(jeitinho.start()).rejects.toThrow(
      /A file of the database in .* is missing or damaged\. .*Put back a copy/,
    );
    expect(jeitinho.databaseProcesses()).toEqual([]);
    jeitinho.removeData();
  });

  test('a disk that is too small, and one that fills up: the server lives and leaves no half picture', async () => {
    test.skip(process.getuid?.() !== 0, 'Only root can mount a small disk.');
    const small = freshFolder();
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=40m', 'tmpfs', small]);
    try {
      const { status, stderr } = run('start', '--data', small, '--port', String(await freePort()));
      expect(status).toBe(1);
      expect(stderr).toMatch(/has \d+ MB left; Jeitinho needs \d+ MB there\. Make room/);
      expect(existsSync(join(small, 'mariadb'))).toBe(false);
    } finally {
      execFileSync('umount', [small]);
    }

    const data = freshFolder();
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=420m', 'tmpfs', data]);
    const jeitinho = await fresh(data);
    try {
      await jeitinho.start();
      await beginShop(jeitinho);
      const filler = join(data, 'filler');
      spawnSync('dd', ['if=/dev/zero', `of=${filler}`, 'bs=1M', 'status=none']);
      const picture = Buffer.concat([Buffer.from('/9j/', 'base64'), Buffer.alloc(900_000, 7)]);
      const hash = execFileSync('sha256sum', { input: picture }).toString().slice(0, 64);
      const put = () =>
        fetch(`${jeitinho.url}/api/v1/photos/${hash}`, { method: 'PUT', body: picture });
      const full = await put();
      expect(full.status).toBe(503);
      expect(await full.json()).toMatchObject({ code: 'disk-full' });
      // Its log cannot be written either, and it goes on.
      for (let i = 0; i < 300; i += 1) await fetch(`${jeitinho.url}/api/v1/nothing`);
      expect((await fetch(`${jeitinho.url}/health`)).status).toBe(200);
      rmSync(filler);
      expect((await put()).status).toBe(204);
      const back = await fetch(`${jeitinho.url}/api/v1/photos/${hash}`);
      expect(Buffer.from(await back.arrayBuffer()).equals(picture)).toBe(true);
    } finally {
      await jeitinho.stop();
      execFileSync('umount', ['-l', data]);
    }
  });
});
