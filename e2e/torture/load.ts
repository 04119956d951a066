/** Durable appends beside plain commits of the same database, in the same run. */
import { createConnection } from 'mariadb';
import { UNITS } from '../support/units';
import { made, post } from './client';

/** What one entry of such a load looks like. */
export const remark = (text: string) => ({
  id: crypto.randomUUID(),
  kind: 'observed',
  at: new Date().toISOString(),
  author: 'Davi Moura',
  device: 'load',
  body: { text },
});

export async function openJob(url: string, unitId: string = UNITS.fridge): Promise<string> {
  const { id } = await made<{ id: string }>(
    post(`${url}/api/v1/jobs`, { unitId, complaint: 'Warm inside, no hum.' }),
  );
  return id;
}

/** So many at once, for so long. @returns how often the work was done, per second. */
async function rate(
  clients: number,
  seconds: number,
  work: (client: number) => Promise<unknown>,
): Promise<number> {
  const started = performance.now();
  const end = started + seconds * 1000;
  let done = 0;
  await Promise.all(
    Array.from({ length: clients }, async (_, client) => {
      while (performance.now() < end) {
        await work(client);
        done += 1;
      }
    }),
  );
  return (done * 1000) / (performance.now() - started);
}

/** Plain commits: one row of the same size, committed by itself. */
export async function commitsPerSecond(
  socketPath: string,
  clients: number,
  seconds: number,
): Promise<number> {
  const connections = await Promise.all(
    Array.from({ length: clients }, () => createConnection({ socketPath, user: 'root' })),
  );
  await connections[0]!.query('CREATE DATABASE IF NOT EXISTS torture');
  await connections[0]!.query(
    'CREATE TABLE IF NOT EXISTS torture.plain (id BIGINT AUTO_INCREMENT PRIMARY KEY, body VARCHAR(400))',
  );
  const body = 'x'.repeat(200);
  const perSecond = await rate(clients, seconds, (client) =>
    connections[client]!.query('INSERT INTO torture.plain (body) VALUES (?)', [body]),
  );
  await Promise.all(connections.map((each) => each.end()));
  return perSecond;
}

/** One entry a request, each client on a job of its own. */
export async function appendsPerSecond(
  url: string,
  clients: number,
  seconds: number,
  entries = 1,
): Promise<number> {
  const jobs = await Promise.all(Array.from({ length: clients }, () => openJob(url)));
  const perSecond = await rate(clients, seconds, (client) =>
    made(
      post(`${url}/api/v1/jobs/${jobs[client]!}/entries`, {
        entries: Array.from({ length: entries }, () => remark('It hums when it is pushed.')),
      }),
    ),
  );
  return perSecond * entries;
}

export interface LoadRow {
  readonly clients: number;
  readonly commits: number;
  /** Entries a second, one in a request. */
  readonly appends: number;
  /** Share of plain commits. */
  readonly share: number;
  /** Entries a second, ten in a request, as devices send what they wrote offline. */
  readonly tens: number;
  readonly shareOfTens: number;
}

/** Both in turn, twice, so that a machine that changes its pace wrongs neither. */
export async function load(url: string, socketPath: string, seconds: number): Promise<LoadRow[]> {
  const rows: LoadRow[] = [];
  for (const clients of [1, 8, 32]) {
    let [commits, appends, tens] = [0, 0, 0];
    for (let turn = 0; turn < 2; turn += 1) {
      commits += (await commitsPerSecond(socketPath, clients, seconds)) / 2;
      appends += (await appendsPerSecond(url, clients, seconds)) / 2;
      tens += (await appendsPerSecond(url, clients, seconds, 10)) / 2;
    }
    rows.push({
      clients,
      commits: Math.round(commits),
      appends: Math.round(appends),
      share: Number((appends / commits).toFixed(3)),
      tens: Math.round(tens),
      shareOfTens: Number((tens / commits).toFixed(3)),
    });
  }
  return rows;
}
