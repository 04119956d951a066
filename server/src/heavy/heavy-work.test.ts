/** Large documents are read in a thread of their own, within their time. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { demoWorld } from '@jeitinho/demo';
import { build } from 'esbuild';
import { HeavyWork } from './heavy-work';

let script: URL;
beforeAll(async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'heavy-')), 'heavy-worker.mjs');
  await build({
    entryPoints: [join(__dirname, 'heavy-worker.ts')],
    outfile: file,
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
    // What is no module of the new kind asks for what it needs in the old way.
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
  });
  script = pathToFileURL(file);
});

const sheet = demoWorld.sheets[0]!;
const bytesOf = (value: unknown) =>
  new TextEncoder().encode(typeof value === 'string' ? value : JSON.stringify(value))
    .buffer as ArrayBuffer;
const large = () => ({
  ...sheet,
  codes: {
    ...sheet.codes,
    list: Array.from({ length: 3000 }, (_, i) => ({ ...sheet.codes.list[0]!, code: `Q${i}` })),
  },
});

test('the thread says what would be said on the spot', async () => {
  const there = new HeavyWork(script);
  const here = new HeavyWork();
  for (const value of [large(), { ...large(), parts: 7 }, `${JSON.stringify(large())}{`])
    expect(await there.read({ kind: 'sheet', bytes: bytesOf(value) })).toEqual(
      await here.read({ kind: 'sheet', bytes: bytesOf(value) }),
    );
  await there.close();
});

test('what takes longer than its time is given up, and the next one is read', async () => {
  const hasty = new HeavyWork(script, 1);
  await expect(hasty.read({ kind: 'sheet', bytes: bytesOf(large()) })).rejects.toMatchObject({
    problem: { status: 422, code: 'too-slow' },
  });
  await hasty.close();
  const patient = new HeavyWork(script);
  expect(await patient.read({ kind: 'sheet', bytes: bytesOf(large()) })).toHaveProperty('sheet');
  await patient.close();
});
