/**
 * Kills while devices write: the server, the database and the script that started both, on the spot. What
 * was acknowledged must be there afterwards, once, with the number it was given, in the order it was
 * written.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Jeitinho } from '../support/jeitinho';
import { ask, hangUp, made, post } from './client';
import { openJob, remark } from './load';

export type Killed = 'server' | 'database' | 'script';
const KINDS: readonly Killed[] = ['server', 'database', 'script'];

export interface KillsResult {
  readonly kills: Record<Killed, number>;
  readonly acknowledged: number;
  readonly lost: number;
  readonly doubled: number;
  readonly reordered: number;
  /** Batches that had to be sent again. */
  readonly again: number;
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

interface Acknowledged {
  readonly job: string;
  readonly id: string;
  readonly seq: number;
  readonly writer: string;
}

/** @param kills - How many in all, of the three kinds in turn. */
export async function killWhileWriting(
  jeitinho: Jeitinho,
  kills: number,
  { writers = 4, jobs = 3 } = {},
): Promise<KillsResult> {
  const count: Record<Killed, number> = { server: 0, database: 0, script: 0 };
  const ids = await Promise.all(Array.from({ length: jobs }, () => openJob(jeitinho.url)));
  const acknowledged: Acknowledged[] = [];
  let writing = true;
  let again = 0;

  /** One device: the next batch goes only when this one is acknowledged, however often it must be sent. */
  const write = async (writer: string, job: string) => {
    for (let n = 0; writing; n += 1) {
      const batch = Array.from({ length: 1 + (n % 3) }, (_, i) => ({
        ...remark(`${writer} ${n}.${i}`),
        device: writer,
      }));
      for (;;) {
        const answer = await post(`${jeitinho.url}/api/v1/jobs/${job}/entries`, {
          entries: batch,
        }).catch(() => undefined);
        if (answer?.status === 200) {
          const { accepted } = JSON.parse(answer.text) as {
            accepted: { id: string; seq: number }[];
          };
          for (const { id, seq } of accepted) acknowledged.push({ job, id, seq, writer });
          break;
        }
        if (answer && answer.status < 500)
          throw new Error(`refused with ${answer.status}: ${answer.text.slice(0, 200)}`);
        again += 1;
        await pause(50);
      }
    }
  };
  const writersDone = Promise.all(
    Array.from({ length: writers }, (_, i) => write(`writer-${i}`, ids[i % jobs]!)),
  );
  // Told at once, and not only when the killing is over.
  const writersFailed = writersDone.then(() => new Promise<never>(() => {}));

  const rounds = (async () => {
    for (let n = 0; n < kills; n += 1) {
      const kind = KINDS[n % KINDS.length]!;
      await pause(150 + Math.random() * 500);
      await kill(jeitinho, kind);
      count[kind] += 1;
    }
    await pause(300);
  })();
  await Promise.race([rounds, writersFailed]);
  writing = false;
  await writersDone;
  hangUp();

  let [lost, doubled, reordered] = [0, 0, 0];
  for (const job of ids) {
    const log = await wholeLog(jeitinho.url, job);
    const places = new Map<string, number[]>();
    log.forEach(({ id, seq }, i) => {
      if (seq !== i + 1) reordered += 1;
      places.set(id, [...(places.get(id) ?? []), seq]);
    });
    const newest = new Map<string, number>();
    for (const each of acknowledged.filter((a) => a.job === job)) {
      const found = places.get(each.id) ?? [];
      if (found.length === 0) lost += 1;
      else if (found.length > 1) doubled += 1;
      else if (found[0] !== each.seq || each.seq <= (newest.get(each.writer) ?? 0)) reordered += 1;
      newest.set(each.writer, each.seq);
    }
  }
  return { kills: count, acknowledged: acknowledged.length, lost, doubled, reordered, again };
}

async function kill(jeitinho: Jeitinho, kind: Killed): Promise<void> {
  hangUp();
  if (kind === 'server') {
    // The script ends with it.
    await jeitinho.crash();
    await jeitinho.start();
    return;
  }
  if (kind === 'database') {
    for (const pid of jeitinho.databaseProcesses()) process.kill(pid, 'SIGKILL');
    await answering(jeitinho.url);
    return;
  }
  await jeitinho.killScript();
  await jeitinho.start();
}

/** Until the server answers again; the script starts the database anew. */
export async function answering(url: string): Promise<void> {
  for (let n = 0; n < 2400; n += 1) {
    const answer = await ask(`${url}/health/ready`).catch(() => undefined);
    if (answer?.status === 200) return;
    await pause(100);
  }
  throw new Error('the server did not come back in time');
}

interface LogLine {
  readonly id: string;
  readonly seq: number;
}

async function wholeLog(url: string, job: string): Promise<LogLine[]> {
  const log: LogLine[] = [];
  for (;;) {
    const from = log.at(-1)?.seq ?? 0;
    const { entries, last } = await made<{ entries: LogLine[]; last: number }>(
      ask(`${url}/api/v1/jobs/${job}/entries?after=${from}`),
    );
    log.push(...entries);
    if (entries.length === 0 || log.at(-1)!.seq >= last) return log;
  }
}

/** Where the database of a started Jeitinho listens. */
export const socketOf = (jeitinho: Jeitinho): string =>
  join(readFileSync(join(jeitinho.data, 'runtime'), 'utf8').trim(), 'db.sock');
