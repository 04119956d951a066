/** How long lists and searches take in a shop of a certain size, and what large requests keep waiting. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { createConnection } from 'mariadb';
import { ROOT } from '../support/jeitinho';
import { ask, made, post } from './client';
import { openJob, remark } from './load';

export interface SizeOf {
  readonly jobs: number;
  readonly entries: number;
  readonly units: number;
  readonly sheets: number;
}

/** Fills the database by the script of the same name. */
export function fill(socketPath: string, size: SizeOf): Record<string, number> {
  const sizes = Object.entries(size).flatMap(([name, count]) => [`--${name}`, String(count)]);
  const run = spawnSync(
    process.execPath,
    [join(ROOT, 'scripts/fill.mjs'), '--socket', socketPath, ...sizes],
    { encoding: 'utf8' },
  );
  if (run.status !== 0) throw new Error(run.stderr);
  return JSON.parse(run.stdout) as Record<string, number>;
}

export interface ListRow {
  readonly list: string;
  /** Milliseconds. */
  readonly median: number;
  readonly p95: number;
}

const LISTS: Readonly<Record<string, string>> = {
  'open jobs': '/jobs?status=open',
  'open jobs, as Today asks': '/jobs?status=open&limit=60',
  'signed lately': '/jobs?status=signed&limit=8',
  'all jobs': '/jobs',
  'a unit’s jobs': '/jobs?unit=f3000000-0000-7000-8000-00000000000a',
  'a unit with its visits': '/units/f3000000-0000-7000-8000-00000000000a',
  units: '/units',
  'units by a word': '/units?q=porto',
  'units by a serial number': '/units?q=SN007919',
  sites: '/sites',
  customers: '/customers',
  sheets: '/sheets',
  'revisions of a sheet': '/sheets/copy-00001/revisions',
};

export async function lists(url: string, times: number): Promise<ListRow[]> {
  const rows: ListRow[] = [];
  for (const [list, path] of Object.entries(LISTS)) {
    const took: number[] = [];
    for (let i = 0; i < times + 3; i += 1) {
      const started = performance.now();
      await made(ask(`${url}/api/v1${path}`));
      if (i >= 3) took.push(performance.now() - started);
    }
    took.sort((a, b) => a - b);
    rows.push({ list, median: at(took, 0.5), p95: at(took, 0.95) });
  }
  return rows;
}

/** Every page of a list, followed to its end. @returns how many items, and the slowest page, ms. */
export async function follow(
  url: string,
  path: string,
): Promise<{ items: number; slowest: number }> {
  let [items, slowest] = [0, 0];
  for (let next: string | undefined = `/api/v1${path}`; next;) {
    const started = performance.now();
    const answer = await ask(`${url}${next}`);
    slowest = Math.max(slowest, performance.now() - started);
    items += (JSON.parse(answer.text) as unknown[]).length;
    next = /<([^>]+)>; rel="next"/.exec(answer.headers.link ?? '')?.[1];
  }
  return { items, slowest: Math.round(slowest) };
}

const at = (sorted: readonly number[], share: number) =>
  Number(sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!.toFixed(1));

export interface LongLog {
  readonly entries: number;
  /** First append to it, read and folded from the database, ms. */
  readonly cold: number;
  /** Processor time of the server for one more entry, ms. */
  readonly one: number;
  /** The same for 200 in one batch. */
  readonly batch: number;
}

/** A job of so many entries, put there by SQL, then appended to. */
export async function longLog(
  url: string,
  socketPath: string,
  pid: number,
  entries = 20_000,
): Promise<LongLog> {
  const job = await openJob(url);
  const db = await createConnection({ socketPath, user: 'root', database: 'jeitinho' });
  await db.query(
    `INSERT INTO entries (jobId, seq, id, kind, at, author, body, receivedAt, device, seen)
     SELECT ?, seq, LOWER(CONCAT('f6000000-0000-7000-8000-', LPAD(HEX(seq), 12, '0'))), 'observed', NOW(3), 'Ana',
       '{"text":"It hums when it is pushed."}', NOW(3), 'load', seq - 1 FROM seq_2_to_${entries}`,
    [job],
  );
  await db.end();
  const append = (count: number) =>
    made(
      post(`${url}/api/v1/jobs/${job}/entries`, {
        entries: Array.from({ length: count }, () => ({ ...remark('more'), seen: entries })),
      }),
    );
  const started = performance.now();
  await append(1);
  const cold = performance.now() - started;
  const cost = async (times: number, count: number) => {
    const before = processorMs(pid);
    for (let i = 0; i < times; i += 1) await append(count);
    return (processorMs(pid) - before) / times;
  };
  await append(1);
  return {
    entries,
    cold: Math.round(cold),
    one: Number((await cost(30, 1)).toFixed(1)),
    batch: Number((await cost(10, 200)).toFixed(1)),
  };
}

/** Processor time of a process so far, ms, all its threads. */
function processorMs(pid: number): number {
  const stat = spawnSync('cat', [`/proc/${pid}/stat`], { encoding: 'utf8' }).stdout;
  const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
  const ticks = Number(fields[11]) + Number(fields[12]);
  return ticks * 10;
}

export interface Blocked {
  readonly what: string;
  /** Longest answer of `/schemas/sheet-2.json`’s head meanwhile, ms. */
  readonly others: number;
  readonly status: number;
}

/** What a large request keeps everybody else waiting. */
export async function blocking(url: string): Promise<Blocked[]> {
  const sheet = await made<Record<string, unknown>>(ask(`${url}/api/v1/sheets/tarumbe-uf440i`));
  const codes = sheet.codes as { list: object[] };
  const large = {
    ...sheet,
    id: 'large-sheet',
    codes: {
      ...codes,
      list: Array.from({ length: 5_000 }, (_, i) => ({ ...codes.list[0], code: `Q${i}` })),
    },
  };
  const job = await openJob(url);
  const keys = `{${Array.from({ length: 200_000 }, (_, i) => `"key${i}":1`).join(',')}}`;
  const small = `{${Array.from({ length: 30_000 }, (_, i) => `"key${i}":1`).join(',')}}`;
  const samples = Array.from({ length: 5000 }, (_, i) => ({ t: i / 10, value: 5 + i / 1e4 }));
  const series = {
    ...remark(''),
    kind: 'series',
    body: { test: 'x', point: 'y', function: 'V=', samples },
  };
  const cases: Record<string, [path: string, body: string]> = {
    'a sheet of 5,000 codes': ['/sheets', JSON.stringify(large)],
    'a sheet of 200,000 keys': ['/sheets', keys],
    'entries of 30,000 keys': [`/jobs/${job}/entries`, small],
    'two full series': [
      `/jobs/${job}/entries`,
      JSON.stringify({ entries: [series, { ...series, id: crypto.randomUUID() }] }),
    ],
    'a list of 500 entries': [
      `/jobs/${job}/entries`,
      JSON.stringify({ entries: Array.from({ length: 500 }, () => remark('x'.repeat(500))) }),
    ],
  };
  const rows: Blocked[] = [];
  for (const [what, [path, body]] of Object.entries(cases)) {
    let busy = true;
    const sent = ask(`${url}/api/v1${path}`, { method: 'POST', body }).finally(
      () => (busy = false),
    );
    let others = 0;
    do {
      const started = performance.now();
      await ask(`${url}/api/v1/nothing`);
      others = Math.max(others, performance.now() - started);
    } while (busy);
    rows.push({ what, others: Math.round(others), status: (await sent).status });
  }
  return rows;
}
