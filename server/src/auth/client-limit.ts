/**
 * How often one client may ask: enough for a page that fetches a whole day, too little for guessing. In this
 * server's memory: a second server counts for itself, and the wait after wrong passwords is in the database.
 */
import type { MiddlewareHandler } from 'hono';
import { ProblemError } from '../problem';
import { clientOf, type Surroundings } from '../surroundings';

const MOST_CLIENTS = 10_000;

/** A bucket that fills again: `burst` at once, `perSecond` in the long run. */
export class Buckets {
  readonly #left = new Map<string, { readonly at: number; readonly tokens: number }>();

  constructor(
    readonly burst: number,
    readonly perSecond: number,
  ) {}

  /** @returns seconds to wait; 0 where it may go on. */
  take(client: string, now = Date.now()): number {
    const { at = now, tokens = this.burst } = this.#left.get(client) ?? {};
    const filled = Math.min(this.burst, tokens + (Math.max(0, now - at) / 1000) * this.perSecond);
    const goes = filled >= 1;
    // Put last: the oldest is the one that goes when there are too many.
    this.#left.delete(client);
    this.#left.set(client, { at: now, tokens: goes ? filled - 1 : filled });
    if (this.#left.size > MOST_CLIENTS) this.#left.delete(this.#left.keys().next().value!);
    return goes ? 0 : Math.ceil((1 - filled) / this.perSecond);
  }
}

const tooOften = (seconds: number) =>
  new ProblemError(
    429,
    'too-often',
    'Too much at once from this device. Nothing was lost; it is tried again.',
    {
      retryAfter: seconds,
    },
  );

/** Signing in, by address: whoever guesses at many names is slowed down as well. */
export function signInLimit(
  surroundings: Surroundings,
  buckets = new Buckets(60, 0.5),
): MiddlewareHandler {
  return async (c, next) => {
    if (c.req.method !== 'GET' && c.req.method !== 'DELETE') {
      const wait = buckets.take(clientOf(c, surroundings));
      if (wait > 0) throw tooOften(wait);
    }
    await next();
  };
}

/** Everything, beyond loopback. */
export function clientLimit(
  surroundings: Surroundings,
  buckets = new Buckets(600, 60),
): MiddlewareHandler {
  return async (c, next) => {
    const wait = surroundings.loopback ? 0 : buckets.take(clientOf(c, surroundings));
    if (wait > 0) throw tooOften(wait);
    await next();
  };
}
