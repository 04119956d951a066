/** A job file on its way in: what is none is told; its pictures go out as pictures, and those that lack are counted. */
import { jobFile, type JobFile, type JobResource } from '@jeitinho/core';
import { smallSheet as sheet } from '../../../core/test/small-sheet';
import { bringInJob, readJobFile } from './job-files';

const hash = (letter: string) => letter.repeat(64);
const photo = (letter: string, n: number) => ({
  id: `01950000-0000-7000-8000-${String(n).padStart(12, '0')}`,
  seq: n,
  kind: 'photo' as const,
  at: '2026-03-02T08:00:00.000Z',
  author: 'Ana',
  body: { hash: hash(letter), width: 1, height: 1, bytes: 3, caption: '' },
});
const file = (): JobFile =>
  jobFile({
    job: {
      ...{ id: '01950000-0000-7000-8000-000000000999', complaint: '', urgent: false },
      ...{ openedAt: '2026-03-02T08:00:00.000Z', technician: null },
      ...{ customer: {}, site: {}, unit: {} },
    } as unknown as JobResource,
    sheet,
    entries: [photo('a', 1), photo('b', 2)],
    photos: [{ hash: hash('a'), type: 'image/png', data: 'AQID' }],
    savedAt: '2026-03-02T10:00:00.000Z',
  });

test('the job goes first, then its pictures as pictures; the one that lacks is counted', async () => {
  const asked: { path: string; type: string; bytes: number[] }[] = [];
  globalThis.fetch = (async (path: string, { headers, body }: RequestInit) => {
    const bytes = body instanceof Blob ? [...new Uint8Array(await body.arrayBuffer())] : [];
    asked.push({ path, type: (headers as Record<string, string>)['content-type']!, bytes });
    return path.includes('/photos/')
      ? new Response(null, { status: 204 })
      : new Response(JSON.stringify({ id: 'x', known: false }), { status: 201 });
  }) as typeof fetch;
  expect(await bringInJob(file())).toEqual({ id: 'x', known: false, missing: 1 });
  expect(asked).toMatchObject([
    { path: '/api/v1/job-files', type: 'application/json' },
    { path: `/api/v1/photos/${hash('a')}`, type: 'image/png', bytes: [1, 2, 3] },
  ]);
});

test.each([
  ['torn', '{"format":"jeitinho.job/1","ent', 'breaks off'],
  ['another format', '{"format":"other/1"}', 'is no job file'],
  ['a list', '[1,2]', 'is no job file'],
  ['nothing in it', '{"format":"jeitinho.job/1"}', 'lacks what a job file has'],
])('%s', async (_, text, words) => {
  const read = await readJobFile(new File([text], 'x.json'));
  expect('problem' in read && read.problem).toContain(words);
});

test('changed by hand, the entry is named; whole, it is read', async () => {
  const good = file();
  const text = JSON.stringify(good);
  expect(await readJobFile(new File([text], 'x.json'))).toEqual({
    file: JSON.parse(text) as JobFile,
  });
  const bad = await readJobFile(new File([text.replace(hash('b'), hash('c'))], 'x.json'));
  expect('problem' in bad && bad.problem).toContain('Entry 2 of 2');
});
