/** The outbox against a small stand-in of the server that keeps a log as the real one does. */
import type { LogEntry, StoredEntry } from '@jeitinho/core';
import { clockOffset } from './device';
import { LocalStore, type LocalEntry } from './local-store';
import { syncJob } from './outbox';

const JOB = 'job-1';

class StandIn {
  log: StoredEntry[] = [];
  down = false;
  refuse: string | undefined;
  posts = 0;
  /** How far the device's clock is off, as the server measures it. */
  offset = 0;

  constructor() {
    this.log.push({ ...note('server', 'opened by the server'), kind: 'opened', seq: 1 } as never);
  }

  readonly fetch = async (path: string, init?: { body?: string }): Promise<Response> => {
    if (this.down) throw new TypeError('network');
    return init?.body === undefined ? this.get(path) : this.post(init.body);
  };

  private get(path: string): Response {
    const after = Number(/after=(\d+)/.exec(path)![1]);
    return json(200, { entries: this.log.slice(after), last: this.log.length });
  }

  private post(body: string): Response {
    this.posts += 1;
    const { entries } = JSON.parse(body) as { entries: LogEntry[] };
    const bad = entries.find((entry) => entry.id === this.refuse);
    if (bad) return problem(409, { code: 'no', detail: 'The rule says no.', entry: { index: 0, id: bad.id } });
    for (const entry of entries)
      if (!this.log.some((known) => known.id === entry.id))
        this.log.push({
          ...entry,
          seq: this.log.length + 1,
          ...(this.offset && { offset: this.offset }),
        } as StoredEntry);
    const accepted = entries.map(({ id }) => ({ id, seq: this.log.find((e) => e.id === id)!.seq }));
    return json(200, { accepted, last: this.log.length, offset: this.offset });
  }
}

const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
const problem = (status: number, body: object) =>
  new Response(JSON.stringify({ status, ...body }), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  });

function note(id: string, text: string): LogEntry {
  return { id, kind: 'observed', at: '2026-03-02T08:00:00.000Z', author: 'Ana', body: { text } };
}

let store: LocalStore;
let server: StandIn;
let number = 0;

beforeEach(() => {
  number += 1;
  store = new LocalStore(`test-${number}`);
  server = new StandIn();
  globalThis.fetch = server.fetch as typeof fetch;
});

const write = (id: string) =>
  store.entries.add({ ...note(id, id), jobId: JOB, sendState: 'unsent' } as LocalEntry);
const local = async () =>
  (await store.entries.toArray())
    .sort((a, b) => (a.seq ?? 99) - (b.seq ?? 99))
    .map(({ id, seq, sendState }) => [id, seq, sendState]);

test('what was written is sent, numbered, and the server’s own entries come in', async () => {
  await write('a');
  await write('b');
  expect(await syncJob(JOB, store)).toBe('reached');
  expect(await local()).toEqual([
    ['server', 1, 'sent'],
    ['a', 2, 'sent'],
    ['b', 3, 'sent'],
  ]);
});

test('without the server everything stays, and goes out once it is back, once', async () => {
  await write('a');
  server.down = true;
  expect(await syncJob(JOB, store)).toBe('unreachable');
  expect(await local()).toEqual([['a', undefined, 'unsent']]);
  server.down = false;
  await syncJob(JOB, store);
  await syncJob(JOB, store);
  expect(server.log.map((entry) => entry.id)).toEqual(['server', 'a']);
  expect(server.posts).toBe(1);
});

test('an answer lost on the way does not make a double', async () => {
  await write('a');
  const { fetch } = server;
  globalThis.fetch = (async (path: string, init?: { body?: string }) => {
    const response = await fetch(path, init);
    if (init?.body !== undefined) throw new TypeError('cut off');
    return response;
  }) as typeof globalThis.fetch;
  expect(await syncJob(JOB, store)).toBe('unreachable');
  globalThis.fetch = fetch as typeof globalThis.fetch;
  await syncJob(JOB, store);
  expect(server.log.map((entry) => entry.id)).toEqual(['server', 'a']);
  expect((await store.entries.get('a'))?.seq).toBe(2);
});

test('a refused entry is set aside with the reason, the rest goes through', async () => {
  await write('a');
  await write('b');
  server.refuse = 'a';
  expect(await syncJob(JOB, store)).toBe('reached');
  expect(await store.entries.get('a')).toMatchObject({ sendState: 'refused', refusal: 'The rule says no.' });
  expect(await store.entries.get('b')).toMatchObject({ sendState: 'sent', seq: 2 });
});

test('entries of another device come in between', async () => {
  await syncJob(JOB, store);
  server.log.push({ ...note('other', 'theirs'), seq: 2 } as StoredEntry);
  await write('a');
  await syncJob(JOB, store);
  expect(await local()).toEqual([
    ['server', 1, 'sent'],
    ['other', 2, 'sent'],
    ['a', 3, 'sent'],
  ]);
});

test('a server that was set back gets again what it lost', async () => {
  for (const id of ['a', 'b', 'c']) await write(id);
  await syncJob(JOB, store);
  // Restored from a backup that knew only the first.
  server.log = server.log.slice(0, 2);
  await syncJob(JOB, store);
  expect(server.log.map((entry) => entry.id)).toEqual(['server', 'a', 'b', 'c']);
  expect((await local()).every(([, , state]) => state === 'sent')).toBe(true);
});

test('and the pictures that went with it', async () => {
  await write('a');
  await store.photos.put({ hash: 'p', jobId: JOB, blob: new Blob(['x']), sendState: 'sent' });
  await syncJob(JOB, store);
  server.log = server.log.slice(0, 1);
  const puts: string[] = [];
  const { fetch } = server;
  globalThis.fetch = (async (path: string, init?: { method?: string; body?: string }) => {
    if (init?.method !== 'PUT') return fetch(path, init);
    puts.push(path);
    return new Response(null, { status: 204 });
  }) as typeof globalThis.fetch;
  await syncJob(JOB, store);
  expect(puts).toEqual(['/api/v1/photos/p']);
});

test('a server made anew, with another opening and another log, is filled again', async () => {
  for (const id of ['a', 'b']) await write(id);
  await syncJob(JOB, store);
  server.log = [
    { ...note('new-opening', ''), kind: 'opened', seq: 1 } as never,
    { ...note('theirs', ''), seq: 2 } as never,
    { ...note('theirs-2', ''), seq: 3 } as never,
  ];
  await syncJob(JOB, store);
  expect(server.log.map((entry) => entry.id)).toEqual(['new-opening', 'theirs', 'theirs-2', 'a', 'b']);
  expect((await local()).map(([id]) => id)).toEqual(['new-opening', 'theirs', 'theirs-2', 'a', 'b']);
});

test('a server that has lost the job refuses nothing in particular: everything waits', async () => {
  globalThis.fetch = (async () =>
    problem(404, { detail: 'There is no such job.' })) as typeof globalThis.fetch;
  await write('a');
  await expect(syncJob(JOB, store)).rejects.toThrow('There is no such job.');
  expect(await local()).toEqual([['a', undefined, 'unsent']]);
});

test('a server that broke counts as one that is away', async () => {
  globalThis.fetch = (async () => problem(500, { detail: 'broken' })) as typeof globalThis.fetch;
  await write('a');
  expect(await syncJob(JOB, store)).toBe('unreachable');
  expect(await local()).toEqual([['a', undefined, 'unsent']]);
});

test('a clock that is off is told by the server, and what is written next carries it', async () => {
  server.offset = 3_600_000;
  await write('a');
  await syncJob(JOB, store);
  expect((await store.entries.get('a'))?.offset).toBe(3_600_000);
  expect(clockOffset()).toBe(3_600_000);
  server.offset = 0;
  await write('b');
  await syncJob(JOB, store);
  expect((await store.entries.get('b'))?.offset).toBeUndefined();
});
