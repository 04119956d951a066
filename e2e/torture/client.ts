/**
 * A client of bare sockets that are kept open: what is measured is the server, not the way there, and any
 * odd thing can be sent. Answers without a length are not read; ours all have one.
 */
import { connect, type Socket } from 'node:net';
import { ownCookie } from '../support/signed-in';

export interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string>>;
  readonly text: string;
}

export interface Asked {
  readonly method?: string;
  readonly body?: string | Buffer;
  readonly headers?: Readonly<Record<string, string>>;
}

const PATIENCE_MS = 240_000;
const idle = new Map<string, Socket[]>();

/** @throws where there is no answer: the server is gone, or silent for a minute. */
/** As the demo's owner. */
export async function ask(url: string, given: Asked = {}): Promise<Answer> {
  const { host, hostname, port, pathname, search } = new URL(url);
  const cookie = pathname.startsWith('/api/') ? await ownCookie(url) : undefined;
  const asked = { ...given, headers: { ...(cookie && { cookie }), ...given.headers } };
  const kept = idleSocket(host);
  try {
    return await exchange(kept ?? connect(Number(port), hostname), host, pathname + search, asked);
  } catch (error) {
    // A kept connection may have been closed by the server meanwhile: once more on a fresh one.
    if (!kept || asked.method) throw error;
    return exchange(connect(Number(port), hostname), host, pathname + search, asked);
  }
}

/** One that is still open: the server closes what nobody used for a few seconds. */
function idleSocket(host: string): Socket | undefined {
  for (;;) {
    const socket = idle.get(host)?.pop();
    if (!socket || (!socket.destroyed && socket.writable && !socket.readableEnded)) return socket;
  }
}

function exchange(socket: Socket, host: string, path: string, asked: Asked): Promise<Answer> {
  const { method = 'GET', body, headers = {} } = asked;
  const lines = [`${method} ${path} HTTP/1.1`, `Host: ${host}`];
  if (body !== undefined) lines.push(`Content-Length: ${Buffer.byteLength(body)}`);
  const all = { ...(body !== undefined && { 'content-type': 'application/json' }), ...headers };
  for (const [name, value] of Object.entries(all)) lines.push(`${name}: ${value}`);
  return new Promise((resolve, reject) => {
    let got = Buffer.alloc(0);
    const done = () => {
      clearTimeout(timer);
      socket.removeAllListeners();
    };
    const fail = (error: Error) => {
      done();
      socket.on('error', () => {});
      socket.destroy();
      reject(error);
    };
    const timer = setTimeout(() => fail(new Error('no answer within four minutes')), PATIENCE_MS);
    socket.on('error', fail);
    socket.on('close', () => fail(new Error('the connection was closed')));
    socket.on('data', (chunk) => {
      got = got.length === 0 ? chunk : Buffer.concat([got, chunk]);
      const answer = answerIn(got);
      if (!answer) return;
      done();
      // Closed meanwhile, it is found so when it is wanted; an error then has nobody to hear it.
      socket.on('error', () => {});
      if (answer.headers.connection === 'close') socket.destroy();
      else idle.set(host, [...(idle.get(host) ?? []), socket]);
      resolve(answer);
    });
    socket.setNoDelay(true);
    const head = `${lines.join('\r\n')}\r\n\r\n`;
    socket.write(typeof body === 'string' ? head + body : head);
    if (body !== undefined && typeof body !== 'string') socket.write(body);
  });
}

/** The whole answer, once it is all there. */
function answerIn(got: Buffer): Answer | undefined {
  const end = got.indexOf('\r\n\r\n');
  if (end < 0) return undefined;
  const [first = '', ...rest] = got.toString('latin1', 0, end).split('\r\n');
  const headers = Object.fromEntries(
    rest.map((line) => {
      const colon = line.indexOf(':');
      return [line.slice(0, colon).toLowerCase(), line.slice(colon + 1).trim()];
    }),
  );
  const length = Number(headers['content-length'] ?? 0);
  const from = end + 4;
  if (got.length < from + length) return undefined;
  return {
    status: Number(first.split(' ')[1]),
    headers,
    text: got.toString('utf8', from, from + length),
  };
}

/** Close what is kept open. */
export function hangUp(): void {
  for (const sockets of idle.values()) for (const socket of sockets) socket.destroy();
  idle.clear();
}

export const post = (url: string, body: unknown): Promise<Answer> =>
  ask(url, { method: 'POST', body: JSON.stringify(body) });

/** @throws where the answer is no success. */
export async function made<T>(answer: Promise<Answer>): Promise<T> {
  const { status, text } = await answer;
  if (status >= 300) throw new Error(`${status}: ${text.slice(0, 300)}`);
  return JSON.parse(text) as T;
}
