/**
 * Searching and looking back in a shop of 100,000 jobs, printed as JSON: the middle and the 95th of a hundred, in
 * milliseconds, with the whole way through the application. Takes the number of jobs.
 */
import { demoWorld } from '@jeitinho/demo';
import { execFileSync } from 'node:child_process';
import { harness } from '../testing/harness';
import { startMariaDb } from '../testing/mariadb';
import { indexNewUnits } from './search/index-units';
import { seedHistory } from './seed';
import { refreshSummaries } from './store/projections';
import { raw } from './store/raw';

const jobs = process.argv.slice(2).find((each) => /^\d+$/.test(each)) ?? '100000';
const ROUNDS = 100;

const database = await startMariaDb();
process.env.JEITINHO_TEST_SOCKET = database.socketPath;
const h = await harness();
await seedHistory(h.store, demoWorld);
await indexNewUnits(h.store);
await refreshSummaries(h.store);
execFileSync('node', [
  'scripts/fill.mjs',
  ...['--socket', database.socketPath, '--database', h.address.database],
  ...['--jobs', jobs, '--entries', jobs, '--memory'],
]);
h.store.memory.forget();

async function timed(paths: readonly string[], rounds = ROUNDS) {
  const times: number[] = [];
  let found = 0;
  for (let i = 0; i < rounds; i += 1) {
    const started = performance.now();
    const response = await h.app.request(`/api/v1${paths[i % paths.length]!}`);
    const text = await response.text();
    times.push(performance.now() - started);
    if (!response.ok) throw new Error(text);
    if (!text.startsWith('{"found":[]')) found += 1;
  }
  const sorted = times.sort((a, b) => a - b);
  const at = (share: number) => Number(sorted[Math.floor(share * (rounds - 1))]!.toFixed(1));
  return { median: at(0.5), p95: at(0.95), found };
}

const find = (q: string) => `/find?q=${encodeURIComponent(q)}`;
const many = (make: (i: number) => string) =>
  Array.from({ length: ROUNDS }, (_, i) => find(make(i)));
const [unit] = await raw<{ id: string; siteId: string }[]>(
  h.store.sequelize,
  "SELECT id, siteId FROM units WHERE id LIKE 'f3%' LIMIT 1",
);
// The words are read once; what is asked first after a start waits for that.
const first = await timed([find('rooftop')], 1);
const figures = {
  jobs: Number(jobs),
  'the first search': first.median,
  'a serial number': await timed(
    many((i) => `sn${String(((i + 1) * 7919) % 1_000_000).padStart(6, '0')}`),
  ),
  'two common words': await timed(
    many((i) => `boiler ${['valdora', 'ribeira', 'serrinha'][i % 3]!}`),
  ),
  'a common and a rare word': await timed(
    many((i) => `dryer board${String((i * 8 + 2) % 3000).padStart(4, '0')}`),
  ),
  'three words as they begin': await timed(many((i) => `boi val hum${i % 3}`)),
  'with a slip in each': await timed(many((i) => ['boilre valdra', 'dreyr ribira'][i % 2]!)),
  'what is nowhere': await timed(many((i) => `boiler zzqx${i}`)),
  'a unit over the years': await timed([`/units/${unit!.id}/years`], 20),
  'a site over the years': await timed([`/sites/${unit!.siteId}/years`], 20),
  'a model over the years': await timed(['/sheets/copy-00001/years'], 20),
  'patterns, reckoned': (await timed(['/patterns'], 1)).median,
  'what a model taught': await timed(['/sheets/copy-00001/learnt'], 20),
  'how right': await timed(['/right'], 5),
  'records, first page': await timed(['/records/visits'], 10),
  'records, filtered': await timed(['/records/visits?q=boiler%20valdora'], 5),
  'records, sorted': await timed(['/records/parts?sort=name'], 5),
};
process.stdout.write(`${JSON.stringify({ 'memory of a large shop': figures }, null, 2)}\n`);
await h.close();
await database.stop();
process.exit(0);
