/** The outbox against a small stand-in of the server that keeps a log as the real one does. */
import { jest } from '@jest/globals';
import type { LogEntry, StoredEntry } from '@jeitinho/core/job';
import { watchAnswers } from './answer-watch';
import { clockOffset } from './device';
import { LocalStore, type LocalEntry } from './local-store';
import { sendAgain, sendAll, syncJob, unsentJobs } from './outbox';
import { ME_KEY } from './me-key';
import { unsentByJob } from './unsent';

const JOB = 'job-1';

// Its ids are short words, so that one can read which entry went where; real answers are checked elsewhere.
beforeAll(() => watchAnswers(() => undefined));

class StandIn {
  log: StoredEntry[] = [];
  down = false;
  refuse: string | undefined;
  posts = 0;
  gets = 0;
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
    this.gets += 1;
    const after = Number(/after=(\d+)/.exec(path)![1]);
    return json(200, { entries: this.log.slice(after), last: this.log.length });
  }

  private post(body: string): Response {
    this.posts += 1;
    const { entries } = JSON.parse(body) as { entries: LogEntry[] };
    const bad = entries.find((entry) => entry.id === this.refuse);
    if (bad)
      return problem(409, {
        code: 'no',
        detail: 'The rule says no.',
        entry: { index: 0, id: bad.id },
      });
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

test('where the answer tells that nothing else came in, nothing is fetched; another’s entry is', async () => {
  await syncJob(JOB, store);
  expect(server.gets).toBe(1);
  await write('a');
  await syncJob(JOB, store);
  expect(server.gets).toBe(1);
  server.log.push({ ...note('other', 'from the roof'), seq: 3 } as StoredEntry);
  await write('b');
  await syncJob(JOB, store);
  expect(server.gets).toBe(2);
  expect(await local()).toEqual([
    ['server', 1, 'sent'],
    ['a', 2, 'sent'],
    ['other', 3, 'sent'],
    ['b', 4, 'sent'],
  ]);
});

test('asked again with nothing new, nothing is written: every write makes the screen read the log again', async () => {
  await write('a');
  await syncJob(JOB, store);
  const writes = jest.spyOn(store.entries, 'bulkPut');
  await syncJob(JOB, store);
  await syncJob(JOB, store);
  expect(writes).not.toHaveBeenCalled();
  // A clock that the server knows better is taken over.
  server.log[1] = { ...server.log[1]!, offset: 7_000 } as StoredEntry;
  await syncJob(JOB, store);
  expect((await store.entries.get('a'))?.offset).toBe(7_000);
});

test('a refused entry is set aside with the reason, the rest goes through', async () => {
  await write('a');
  await write('b');
  server.refuse = 'a';
  expect(await syncJob(JOB, store)).toBe('reached');
  expect(await store.entries.get('a')).toMatchObject({
    sendState: 'refused',
    refusal: 'The rule says no.',
  });
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
  expect(server.log.map((entry) => entry.id)).toEqual([
    'new-opening',
    'theirs',
    'theirs-2',
    'a',
    'b',
  ]);
  expect((await local()).map(([id]) => id)).toEqual([
    'new-opening',
    'theirs',
    'theirs-2',
    'a',
    'b',
  ]);
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

describe('what the server will not have', () => {
  /** A server that breaks, or is overwhelmed, by a batch with a certain entry in it. */
  const poisoned = (status: number, id: string, more: object = {}) => {
    const plain = server.fetch;
    const sizes: number[] = [];
    globalThis.fetch = (async (path: string, init?: { body?: string }) => {
      if (path.endsWith('/health')) return json(200, { status: 'ok' });
      if (init?.body !== undefined) {
        sizes.push((JSON.parse(init.body) as { entries: [] }).entries.length);
        if (init.body.includes(`"${id}"`)) return problem(status, { detail: 'No.', ...more });
      }
      return plain(path, init);
    }) as typeof globalThis.fetch;
    return sizes;
  };
  const many = async (count: number) => {
    for (let i = 0; i < count; i += 1) await write(`e${String(i).padStart(3, '0')}`);
  };
  const refused = async () =>
    (await store.entries.toArray())
      .filter(({ sendState }) => sendState === 'refused')
      .map(({ id, refusal }) => [id, refusal]);

  test.each([413, 422, 500])(
    'an answer %i without a name is narrowed down to its entry',
    async (status) => {
      await many(20);
      poisoned(status, 'e013');
      expect(await syncJob(JOB, store)).toBe('reached');
      expect(await refused()).toEqual([['e013', expect.stringContaining('No.')]]);
      expect(server.log).toHaveLength(20);
    },
  );

  test('an entry named by its place only, for its id is none, is set aside', async () => {
    await many(3);
    poisoned(422, 'e001', { entry: { index: 1 } });
    expect(await syncJob(JOB, store)).toBe('reached');
    expect(await refused()).toEqual([['e001', 'No.']]);
  });

  test('is sent once more when it is asked for', async () => {
    await many(2);
    poisoned(500, 'e001');
    await syncJob(JOB, store);
    globalThis.fetch = server.fetch as typeof fetch;
    await sendAgain(JOB, store);
    expect(await syncJob(JOB, store)).toBe('reached');
    expect(await refused()).toEqual([]);
    expect(server.log).toHaveLength(3);
  });

  test('a refusal about the whole job sets nothing aside', async () => {
    await many(2);
    poisoned(404, 'e000', { code: 'not-found' });
    await expect(syncJob(JOB, store)).rejects.toThrow('No.');
    expect(await refused()).toEqual([]);
  });

  test('a database that is away is said as such, and everything waits', async () => {
    await many(2);
    poisoned(503, 'e000', { code: 'no-database' });
    expect(await syncJob(JOB, store)).toBe('no-database');
    expect(await refused()).toEqual([]);
    expect(await unsentJobs(store)).toEqual([JOB]);
  });

  test('thirty full series go in batches that fit', async () => {
    const samples = Array.from({ length: 5000 }, (_, i) => ({ t: i / 10, value: 4.9871234 + i }));
    for (let i = 0; i < 30; i += 1)
      await store.entries.add({
        ...note(`s${i}`, ''),
        kind: 'series',
        body: { test: 'x', point: 'y', function: 'V=', samples },
        jobId: JOB,
        sendState: 'unsent',
      } as unknown as LocalEntry);
    const sizes = poisoned(413, 'none');
    expect(await syncJob(JOB, store)).toBe('reached');
    expect(server.log).toHaveLength(31);
    expect(Math.max(...sizes)).toBeLessThan(4);
  });
});

describe('of all jobs', () => {
  const writeTo = (jobId: string, id: string) =>
    store.entries.add({ ...note(id, id), jobId, sendState: 'unsent' } as LocalEntry);

  test('what was written is sent without any of them open; one in trouble holds up no other', async () => {
    await writeTo('job-0', 'x');
    await writeTo(JOB, 'a');
    await writeTo('job-2', 'b');
    const plain = server.fetch;
    globalThis.fetch = (async (path: string, init?: { body?: string }) =>
      path.includes('job-0')
        ? problem(404, { code: 'not-found', detail: 'There is no such job.' })
        : plain(path, init)) as typeof globalThis.fetch;
    expect(await sendAll(store)).toBe('reached');
    expect(server.log.map(({ id }) => id)).toEqual(['server', 'a', 'b']);
    expect(await unsentByJob(store)).toEqual([
      {
        ...{ jobId: 'job-0', label: undefined, unsent: 1, refused: 0 },
        ...{ photos: 0, others: {}, reason: undefined },
      },
    ]);
  });

  test('a server that is away ends the round', async () => {
    await writeTo(JOB, 'a');
    server.down = true;
    expect(await sendAll(store)).toBe('unreachable');
  });
});

test('a long log comes in parts', async () => {
  for (let i = 0; i < 7; i += 1)
    server.log.push({ ...note(`far${i}`, 'x'), seq: i + 2 } as StoredEntry);
  const asked: string[] = [];
  globalThis.fetch = (async (path: string) => {
    asked.push(path);
    const after = Number(/after=(\d+)/.exec(path)![1]);
    return json(200, { entries: server.log.slice(after, after + 3), last: server.log.length });
  }) as typeof globalThis.fetch;
  expect(await syncJob(JOB, store)).toBe('reached');
  expect(await local()).toHaveLength(8);
  expect(asked).toHaveLength(3);
});

describe('several people on one device', () => {
  const by = (author: string, id: string) => ({ ...note(id, id), author });
  const works = (name: string, signedIn = true) =>
    store.documents.put({
      key: ME_KEY,
      value: {
        signedIn,
        person: {
          id: name,
          name,
          roles: ['technician'],
          licences: [],
          formerly: [],
          removedAt: null,
        },
      },
    });
  const keep = (...entries: LogEntry[]) =>
    store.entries.bulkAdd(
      entries.map((entry) => ({ ...entry, jobId: JOB, sendState: 'unsent' }) as LocalEntry),
    );
  const sent = () => server.log.filter(({ kind }) => kind === 'observed').map(({ id }) => id);

  test('each one’s entries go when they are signed in, and the others’ wait by name', async () => {
    await keep(by('Rute', 'r1'), by('Davi', 'd1'), by('Rute', 'r2'));
    await works('Davi');
    await syncJob(JOB, store);
    expect(sent()).toEqual(['d1']);
    expect(await unsentByJob(store)).toMatchObject([{ unsent: 0, others: { Rute: 2 } }]);
    await works('Rute');
    await syncJob(JOB, store);
    expect(sent()).toEqual(['d1', 'r1', 'r2']);
    expect(await unsentByJob(store)).toEqual([]);
  });

  test('who goes on without signing in sends nothing, whoever’s cookie it is', async () => {
    await keep(by('Rute', 'r1'), by('Davi', 'd1'));
    await works('Davi', false);
    await syncJob(JOB, store);
    expect(sent()).toEqual([]);
    expect(await unsentByJob(store)).toMatchObject([{ unsent: 1, others: { Rute: 1 } }]);
  });

  test('what hangs on another’s entry is not refused for good: it waits behind it', async () => {
    await keep(by('Rute', 'a-dead'), by('Davi', 'b-ohms'));
    server.refuse = 'b-ohms';
    await works('Davi');
    await syncJob(JOB, store);
    expect((await store.entries.get('b-ohms'))?.sendState).toBe('unsent');
    server.refuse = undefined;
    await works('Rute');
    await syncJob(JOB, store);
    await works('Davi');
    await syncJob(JOB, store);
    expect(sent()).toEqual(['a-dead', 'b-ohms']);
  });
});
