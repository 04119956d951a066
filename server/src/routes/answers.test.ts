/** Answers on a slow line: compressed, and sent anew only where they changed. */
import { gunzipSync } from 'node:zlib';
import { entry, FRIDGE_JOB, harness, type Harness } from '../../testing/harness';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const ask = (path: string, headers: Record<string, string> = {}) =>
  h.app.request(path, { headers });
const job = `/api/v1/jobs/${FRIDGE_JOB}`;

test('a sheet comes in a third of its size, and reads the same', async () => {
  const plain = Buffer.from(await (await ask(job)).arrayBuffer());
  const answer = await ask(job, { 'accept-encoding': 'gzip' });
  expect(answer.headers.get('content-encoding')).toBe('gzip');
  const packed = Buffer.from(await answer.arrayBuffer());
  expect(packed.length).toBeLessThan(plain.length / 3);
  expect(gunzipSync(packed).equals(plain)).toBe(true);
});

test('what has not changed is not sent again; what has, is', async () => {
  const first = await ask(job);
  const tag = first.headers.get('etag')!;
  expect(first.headers.get('cache-control')).toBe('private, no-cache');
  const same = await ask(job, { 'if-none-match': tag });
  expect([same.status, await same.text()]).toEqual([304, '']);
  expect(
    (await h.post(`${job}/entries`, { entries: [entry('observed', { text: 'x' })] })).status,
  ).toBe(200);
  expect((await ask('/api/v1/jobs')).headers.get('cache-control')).toBe('no-store');
  const sheet = '/api/v1/sheets/varredim-vc2';
  const kept = (await ask(sheet)).headers.get('etag')!;
  expect((await ask(sheet, { 'if-none-match': kept })).status).toBe(304);
  expect((await ask(sheet, { 'if-none-match': '"other"' })).status).toBe(200);
});
