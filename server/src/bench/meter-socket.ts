/**
 * WebSockets of simulated meters: `/api/v1/jobs/ID/meter`. One meter a job: a second device that
 * connects takes it over, and the first is told.
 */
import type { ServerType } from '@hono/node-server';
import type { IncomingMessage } from 'node:http';
import type { Duplex } from 'node:stream';
import type { Logger } from 'pino';
import { WebSocketServer, type WebSocket } from 'ws';
import { benchedSheetOf } from '../store/benches';
import { withJobState } from '../store/hot-jobs';
import type { HotJob } from '../store/memory';
import { tokenOf } from '../auth/cookie';
import { whoIs } from '../auth/sessions';
import { isKnownHost } from '../known-host';
import type { Store } from '../store/models/index';
import { ON_LOOPBACK, type Surroundings } from '../surroundings';
import { Turns } from '../store/turns';
import { BenchPool } from './bench-pool';
import { readHandMessage } from './hand-message';
import { MeterSession } from './meter-session';

const ADDRESS = /^\/api\/v1\/jobs\/([0-9a-f-]{36})\/meter$/;
/** Close codes of our own. */
export const NO_BENCH = 4404;
export const SIGNED_OUT = 4401;
export const TAKEN_OVER = 4409;
const LONGEST_MESSAGE = 4000;
/** Messages of one socket that wait for their answer at most. */
const MOST_WAITING = 100;

export class MeterSockets {
  readonly #wss = new WebSocketServer({ noServer: true, maxPayload: LONGEST_MESSAGE });
  readonly #pool: BenchPool;
  readonly #store: Store;
  readonly #log: Logger;
  readonly #around: Surroundings;
  readonly #byJob = new Map<string, WebSocket>();

  constructor(
    store: Store,
    log: Logger,
    pool = new BenchPool(undefined, (error) => log.error({ err: error }, 'bench thread')),
    around: Surroundings = ON_LOOPBACK,
  ) {
    this.#around = around;
    this.#store = store;
    this.#log = log;
    this.#pool = pool;
  }

  attach(server: ServerType): void {
    server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
      const job = ADDRESS.exec(request.url ?? '')?.[1];
      // A page from elsewhere must not reach in: browsers let it open sockets to anyone.
      const origin = request.headers.origin;
      const ownPage = origin === undefined || isOwn(origin, request.headers.host);
      if (!job || !ownPage || !isKnownHost(request.headers.host, this.#around.hosts)) {
        socket.on('error', () => socket.destroy());
        socket.end('HTTP/1.1 404 Not Found\r\nConnection: close\r\n\r\n');
        return;
      }
      this.#wss.handleUpgrade(request, socket, head, (ws) => {
        const token = tokenOf(request.headers.cookie, this.#around.secure);
        this.#open(ws, job, token).catch((error: unknown) => {
          this.#log.error({ err: error }, 'bench');
          ws.close(1011, 'The simulated machine could not be started.');
        });
      });
    });
  }

  async #open(ws: WebSocket, jobId: string, token: string | undefined): Promise<void> {
    // Before anything is awaited: an error that nobody hears, such as of a message too long, ends the server.
    ws.on('error', () => ws.terminate());
    // Messages may arrive before the database has answered.
    const early: string[] = [];
    const keep = (data: unknown) => {
      if (early.length < MOST_WAITING) early.push(String(data));
    };
    ws.on('message', keep);
    if (!(await whoIs(this.#store, token))) {
      ws.close(SIGNED_OUT, 'Nobody is signed in on this device.');
      return;
    }
    const job = await this.#store.jobs.findByPk(jobId);
    const bench = job && (await this.#store.benches.findByPk(jobId));
    const sheet =
      job &&
      (await benchedSheetOf(this.#store, job, await withJobState(this.#store, jobId, chosenOf)));
    // It may have gone again meanwhile: nothing would ever stop its session.
    if (ws.readyState !== ws.OPEN) return;
    if (!bench || !sheet) {
      ws.close(NO_BENCH, 'There is no simulated machine behind this job.');
      return;
    }
    this.#byJob.get(jobId)?.close(TAKEN_OVER, 'Another device took this meter.');
    this.#byJob.set(jobId, ws);
    const session = new MeterSession({
      store: this.#store,
      pool: this.#pool,
      bench,
      sheet,
      send: (line) => {
        if (ws.readyState === ws.OPEN) ws.send(`${JSON.stringify(line)}\n`);
      },
    });
    const trouble = (text: string) => {
      if (ws.readyState === ws.OPEN) ws.send(`${JSON.stringify({ event: 'trouble', text })}\n`);
    };
    let waiting = 0;
    const turns = new Turns();
    // However odd a message is, nothing of it leaves this handler: an error there would end the server.
    const take = (text: string) => {
      try {
        const message = readHandMessage(text);
        if (typeof message === 'string') return trouble(message);
        // The hand moves on at once; what takes long there goes by what was touched last.
        if (message.do === 'place' || message.do === 'lift') return done(session.take(message));
        if (waiting >= MOST_WAITING) return trouble('Too much at once: ask again in a moment.');
        waiting += 1;
        done(turns.take('', () => session.take(message)).finally(() => (waiting -= 1)));
      } catch (error) {
        this.#log.error({ err: error }, 'bench');
        trouble('That message could not be read.');
      }
    };
    const done = (work: Promise<void>) =>
      void work.catch((error: unknown) => this.#log.error({ err: error }, 'bench'));
    ws.off('message', keep);
    ws.on('message', (data) => take(String(data)));
    ws.on('close', () => {
      session.stop();
      if (this.#byJob.get(jobId) === ws) this.#byJob.delete(jobId);
    });
    session.start();
    early.forEach(take);
  }

  /** Jobs whose meter is in somebody's hands. */
  get jobsInUse(): string[] {
    return [...this.#byJob.keys()];
  }

  async close(): Promise<void> {
    for (const ws of this.#wss.clients) ws.terminate();
    await this.#pool.close();
  }
}

function isOwn(origin: string, host: string | undefined): boolean {
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

/** Which machine the job says it is. */
const chosenOf = (_: unknown, { fold }: HotJob) => fold.sheet.chosen;
