import { createHash } from 'node:crypto';
import type { Problem } from '@jeitinho/core';
import { entry, FRIDGE_JOB, harness, type Harness } from '../../testing/harness';

/** The smallest thing that begins as a JPEG does. */
const jpeg = (text = 'x') =>
  Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.from(text)]);
const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex');

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const put = (hash: string, bytes: Buffer) =>
  h.app.request(`/api/v1/photos/${hash}`, { method: 'PUT', body: new Uint8Array(bytes) });
const problem = async (response: Response) => (await response.json()) as Problem;

test('a picture is kept once under its hash and comes back as it was, for ever', async () => {
  const bytes = jpeg();
  const hash = hashOf(bytes);
  expect((await put(hash, bytes)).status).toBe(204);
  expect((await put(hash, bytes)).status).toBe(204);
  const back = await h.app.request(`/api/v1/photos/${hash}`);
  expect(back.headers.get('content-type')).toBe('image/jpeg');
  expect(back.headers.get('cache-control')).toContain('immutable');
  expect(Buffer.from(await back.arrayBuffer()).equals(bytes)).toBe(true);
});

test('what is damaged, too large or no picture is refused, and nothing is kept', async () => {
  const bytes = jpeg('other');
  const damaged = await put(hashOf(jpeg('else')), bytes);
  expect([damaged.status, (await problem(damaged)).code]).toEqual([422, 'wrong-hash']);
  const text = Buffer.from('GIF? no: words.');
  const words = await put(hashOf(text), text);
  expect([words.status, (await problem(words)).code]).toEqual([415, 'not-a-picture']);
  const large = jpeg('y'.repeat(2_100_000));
  expect((await put(hashOf(large), large)).status).toBe(413);
  for (const hash of [hashOf(bytes), hashOf(text), hashOf(large), '../../etc/passwd', 'abc'])
    expect((await h.app.request(`/api/v1/photos/${encodeURIComponent(hash)}`)).status).toBe(404);
});

test('its entry may reach the log before the picture does, and is checked against the sheet', async () => {
  const body = { hash: 'b'.repeat(64), width: 10, height: 10, bytes: 9, caption: 'C1 bulged' };
  const path = `/api/v1/jobs/${FRIDGE_JOB}/entries`;
  const known = await h.post(path, { entries: [entry('photo', { ...body, place: 'inv.P' })] });
  expect(known.status).toBe(200);
  const unknown = await h.post(path, { entries: [entry('photo', { ...body, place: 'inv.Q9' })] });
  expect([unknown.status, unknown.body.code]).toEqual([409, 'unknown-place']);
});

test('a picture just within its limit is taken, though other bodies must be smaller', async () => {
  const large = jpeg('y'.repeat(1_900_000));
  const response = await h.app.request(`/api/v1/photos/${hashOf(large)}`, {
    method: 'PUT',
    headers: { 'content-length': String(large.length) },
    body: new Uint8Array(large),
  });
  expect(response.status).toBe(204);
});

test('without room on the disk nothing is tried: a database that runs out in a picture ends itself', async () => {
  const { needRoom } = await import('../store/room');
  await expect(needRoom(h.folder, 1e15)).rejects.toMatchObject({
    problem: { status: 503, code: 'disk-full' },
    retryAfter: 30,
  });
  await expect(needRoom(h.folder, 1000)).resolves.toBeUndefined();
  await expect(needRoom(undefined, 1e15)).resolves.toBeUndefined();
});
