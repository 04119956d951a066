/** The simulated meter over a real socket, against a real database. */
import type { JobResource, MeterLine } from '@jeitinho/core';
import { serve } from '@hono/node-server';
import { pino } from 'pino';
import { join } from 'node:path';
import { WebSocket } from 'ws';
import { build } from 'esbuild';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { pathToFileURL } from 'node:url';
import { FRIDGE, harness, type Harness } from '../../testing/harness';
import { BenchPool } from './bench-pool';
import { MeterSockets, NO_BENCH, TAKEN_OVER } from './meter-socket';

jest.setTimeout(60_000);

let h: Harness;
let sockets: MeterSockets;
let server: ReturnType<typeof serve>;
let port: number;
let cookie: string;

beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), 'bench-'));
  // The thread runs what is built; here it is built for this test alone.
  await build({
    entryPoints: [join(__dirname, 'bench-worker.ts')],
    outfile: join(folder, 'bench-worker.mjs'),
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
    external: [],
  });
  h = await harness();
  cookie = await h.cookieOf(h.owner);
  sockets = new MeterSockets(
    h.store,
    pino({ level: 'silent' }),
    new BenchPool(pathToFileURL(join(folder, 'bench-worker.mjs'))),
  );
  server = serve({ fetch: h.bare.fetch, hostname: '127.0.0.1', port: 0 }, ({ port: own }) => {
    port = own;
  });
  sockets.attach(server);
  await new Promise<void>((resolve) => server.once('listening', () => resolve()));
});

afterAll(async () => {
  await sockets.close();
  await new Promise((resolve) => server.close(resolve));
  await h.close();
});

async function newJob(bench?: { seed: number }): Promise<string> {
  const job = { unitId: FRIDGE, complaint: '', ...(bench && { bench }) };
  const { status, body } = await h.post<JobResource>('/api/v1/jobs', job);
  expect(status).toBe(201);
  return body.id;
}

interface Meter {
  readonly socket: WebSocket;
  readonly send: (message: unknown) => void;
  /** The first line that pleases. */
  readonly until: <T = MeterLine>(pleases: (line: never) => boolean) => Promise<T>;
  readonly closed: Promise<number>;
}

function meterOn(job: string, headers: Record<string, string> = {}): Meter {
  const socket = new WebSocket(`ws://127.0.0.1:${port}/api/v1/jobs/${job}/meter`, {
    headers: { cookie, ...headers },
  });
  const lines: unknown[] = [];
  let wake = () => {};
  socket.on('message', (data) => {
    for (const line of String(data).split('\n')) if (line) lines.push(JSON.parse(line));
    wake();
  });
  socket.on('error', () => {});
  const open = new Promise<void>((resolve) => socket.once('open', () => resolve()));
  return {
    socket,
    send: (message) =>
      void open.then(() =>
        socket.send(typeof message === 'string' ? message : JSON.stringify(message)),
      ),
    until: async <T>(pleases: (line: never) => boolean) => {
      for (;;) {
        const at = lines.findIndex((line) => pleases(line as never));
        if (at >= 0) return lines.splice(0, at + 1).at(-1) as T;
        await new Promise<void>((resolve) => {
          wake = resolve;
        });
      }
    },
    closed: new Promise((resolve) => socket.once('close', (code) => resolve(code))),
  };
}

const place = (placement: object) => ({ do: 'place', at: Date.now(), placement });
const reads = (fn: string) => (line: MeterLine) =>
  line.fn === fn && line.value !== null && line.flags.includes('stable');

test('lines come as the leads lie and the dial stands', async () => {
  const job = await newJob({ seed: 24 });
  const meter = meterOn(job);
  meter.send(place({ function: 'V~', red: 'main.CN1.1', black: 'main.CN1.2', state: 'standby' }));
  const mains = await meter.until(reads('V~'));
  expect(mains.value).toBeGreaterThan(120);
  expect(mains.value).toBeLessThan(134);
  meter.send({ do: 'lift' });
  await meter.until<MeterLine>((line: MeterLine) => line.fn === 'V~' && line.value === 0);
  meter.send({ do: 'look', test: 'board-looks' });
  expect(await meter.until((line: { event?: string }) => line.event === 'look')).toMatchObject({
    test: 'board-looks',
    answer: expect.any(String),
  });
  meter.send({ do: 'face' });
  expect(await meter.until((line: { event?: string }) => line.event === 'face')).toMatchObject({
    dark: false,
    face: { signs: expect.any(Array) },
  });
  meter.socket.close();
});

test('between two places there is no figure: neither the old one nor that of thin air', async () => {
  const job = await newJob({ seed: 24 });
  const meter = meterOn(job);
  const seen: unknown[] = [];
  meter.socket.on('message', (data) => {
    for (const line of String(data).split('\n')) if (line) seen.push(JSON.parse(line));
  });
  meter.send(place({ function: 'V~', red: 'main.CN1.1', black: 'main.CN1.2', state: 'standby' }));
  await meter.until(reads('V~'));
  const figures = seen.filter((line) => 'fn' in (line as object)) as MeterLine[];
  expect(figures.length).toBeGreaterThan(1);
  for (const { value } of figures) expect(value).toBeGreaterThan(100);
  meter.socket.close();
});

test('a circuit that cannot be solved shows no figure and says so, until the leads are moved', async () => {
  const job = await newJob({ seed: 24 });
  const meter = meterOn(job);
  const seen: object[] = [];
  meter.socket.on('message', (data) => {
    for (const line of String(data).split('\n')) if (line) seen.push(JSON.parse(line) as object);
  });
  const failing = jest
    .spyOn(BenchPool.prototype, 'probe')
    .mockRejectedValueOnce(new Error('no solution found at 0 s: something chatters'));
  meter.send(place({ function: 'diode', red: 'main.CN1.1', black: 'main.CN1.2', state: 'dead' }));
  const { text } = await meter.until<{ text: string }>(
    (line: { event?: string }) => line.event === 'trouble',
  );
  expect(text).toMatch(/^The simulated meter shows nothing here: .* something chatters\.$/);
  failing.mockRestore();
  // Several updates later there is still neither OL nor nought.
  await new Promise((resolve) => setTimeout(resolve, 900));
  expect(seen.filter((line) => 'fn' in line)).toEqual([]);
  meter.send(place({ function: 'V~', red: 'main.CN1.1', black: 'main.CN1.2', state: 'standby' }));
  expect((await meter.until(reads('V~'))).value).toBeGreaterThan(100);
  meter.socket.close();
});

test('a socket that is gone before the machine is found leaves nothing running', async () => {
  const job = await newJob({ seed: 24 });
  const meter = meterOn(job);
  await new Promise<void>((resolve) => meter.socket.once('open', () => resolve()));
  meter.socket.terminate();
  await meter.closed;
  // Long enough for the server to have asked the database about the first.
  await newJob();
  await newJob();
  expect(sockets.jobsInUse).toEqual([]);
  const other = meterOn(job);
  other.send(place({ function: 'V~', red: 'main.CN1.1', black: 'main.CN1.2', state: 'standby' }));
  await other.until(reads('V~'));
  expect(sockets.jobsInUse).toEqual([job]);
  other.socket.close();
});

test('a blown meter fuse is told, stays blown for the next connection, and is replaced', async () => {
  const job = await newJob({ seed: 24 });
  const meter = meterOn(job);
  meter.send(place({ function: 'A~', red: 'main.CN1.1', black: 'main.CN1.2', state: 'standby' }));
  expect(await meter.until((line: { event?: string }) => line.event === 'hazard')).toMatchObject({
    kind: 'meter-fuse',
  });
  meter.socket.close();
  await meter.closed;
  const again = meterOn(job);
  expect(await again.until((line: { event?: string }) => line.event === 'fuse')).toMatchObject({
    whole: false,
  });
  again.send({ do: 'replace-fuse' });
  expect(
    await again.until(
      (line: { event?: string; whole?: boolean }) => line.event === 'fuse' && line.whole === true,
    ),
  ).toBeTruthy();
  again.socket.close();
});

test('messages that are not understood are answered, and the meter goes on', async () => {
  const meter = meterOn(await newJob({ seed: 3 }));
  for (const bad of [
    'nonsense',
    '{}',
    '{"do":"place"}',
    '{"do":"place","at":1,"placement":{"function":"sparks"}}',
    '[1]',
  ]) {
    meter.send(bad);
    expect(await meter.until((line: { event?: string }) => line.event === 'trouble')).toMatchObject(
      { text: expect.any(String) },
    );
  }
  meter.send(place({ function: 'V=', red: 'known-source/battery', black: 'known-source/battery' }));
  expect((await meter.until(reads('V='))).value).toBeCloseTo(9.2, 1);
  meter.socket.close();
});

test('a second device takes the meter over, and the first is told', async () => {
  const job = await newJob({ seed: 3 });
  const first = meterOn(job);
  await first.until((line: { event?: string }) => line.event === 'fuse');
  const second = meterOn(job);
  expect(await first.closed).toBe(TAKEN_OVER);
  second.send(
    place({ function: 'V=', red: 'known-source/battery', black: 'known-source/battery' }),
  );
  expect(await second.until(reads('V='))).toBeTruthy();
  second.socket.close();
});

test('a job without a machine has no meter, and a strange page gets no socket', async () => {
  expect(await meterOn(await newJob()).closed).toBe(NO_BENCH);
  const stranger = meterOn(await newJob({ seed: 1 }), { origin: 'http://elsewhere.example' });
  expect(await stranger.closed).not.toBe(1000);
});

test('no ordinary answer tells the hidden fault', async () => {
  const job = await newJob({ seed: 24 });
  const drawn = (await h.store.benches.findByPk(job))!;
  expect(drawn.fault).toBe('comp-winding');
  const get = async (path: string) => (await h.get<Record<string, unknown>>(path)).body;
  const { sheet: _sheet, ...resource } = await get(`/api/v1/jobs/${job}`);
  expect(resource.bench).toBe(true);
  for (const answer of [
    resource,
    await get('/api/v1/jobs'),
    await get(`/api/v1/jobs/${job}/entries`),
  ])
    expect(JSON.stringify(answer)).not.toContain('comp-winding');
});

test('a dictionary is kept per revision, and refused where it names what is not there', async () => {
  const path = '/api/v1/sheets/tarumbe-uf440i/revisions/2/dictionary';
  const put = (body: unknown) => h.send('PUT', path, body);
  const dictionary = {
    draws: 8,
    seed: 1,
    failed: {},
    faults: { 'inv-fuse': { 'inv-fuse': { open: 1 } } },
  };
  expect((await put(dictionary)).status).toBe(204);
  expect((await h.get(path)).body).toMatchObject({ dictionary });
  expect((await put({ ...dictionary, faults: { nosuch: {} } })).status).toBe(422);
  expect((await put({ ...dictionary, draws: 0 })).status).toBe(422);
  expect((await put({ faults: { 'inv-fuse': { 'inv-fuse': { open: 'x' } } } })).status).toBe(422);
});

test('a message that is too long, sent before the job is known, closes that socket and nothing else', async () => {
  const job = await newJob({ seed: 3 });
  const loud = new WebSocket(`ws://127.0.0.1:${port}/api/v1/jobs/${job}/meter`, {
    headers: { cookie },
  });
  loud.on('error', () => {});
  loud.once('open', () => loud.send('x'.repeat(100_000)));
  const code = await new Promise<number>((resolve) => loud.once('close', resolve));
  expect([1006, 1009]).toContain(code);
  const meter = meterOn(job);
  meter.send({ do: 'look', test: 'nowhere' });
  await meter.until((line: { event?: string }) => line.event === 'trouble');
  meter.socket.terminate();
});
