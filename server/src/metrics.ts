/** What the server did, in Prometheus' form: counted here, told to whoever has the token. */
import { timingSafeEqual } from 'node:crypto';
import { Hono, type MiddlewareHandler } from 'hono';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { digest } from './auth/secrets';
import { routeAt } from './check-answers';
import { ProblemError } from './problem';
import type { Store } from './store/models/index';

export class Metrics {
  readonly registry = new Registry();
  readonly #requests = new Histogram({
    name: 'jeitinho_request_seconds',
    help: 'Requests by route and status, how long they took',
    labelNames: ['route', 'status'] as const,
    buckets: [0.005, 0.02, 0.06, 0.2, 0.6, 2, 6],
    registers: [this.registry],
  });

  constructor(store: Store) {
    collectDefaultMetrics({ register: this.registry });
    const { registry } = this;
    new Gauge({
      name: 'jeitinho_people_signed_in',
      help: 'Devices that are signed in',
      registers: [registry],
      async collect() {
        this.set(await store.sessions.count().catch(() => Number.NaN));
      },
    });
    new Gauge({
      name: 'jeitinho_projections_behind',
      help: 'Jobs whose lists are behind their log',
      registers: [registry],
      collect() {
        this.set(store.memory.dirty.size);
      },
    });
  }

  /** Counts by the route's name, never by the path: no id of a customer gets out this way. */
  count(): MiddlewareHandler {
    return async (c, next) => {
      const ended = this.#requests.startTimer();
      await next();
      const route = routeAt(c.req.method, c.req.path) ?? 'other';
      ended({ route, status: `${Math.floor(c.res.status / 100)}xx` });
    };
  }

  /** @param token - What whoever asks must bear; without one nobody is told. */
  routes(token: string | undefined) {
    return new Hono().get('/', async (c) => {
      const told = c.req.header('authorization')?.replace(/^Bearer /, '') ?? '';
      if (token === undefined || !same(told, token))
        throw new ProblemError(
          401,
          'no-token',
          'Metrics are told to whoever bears the token of the data folder.',
        );
      return c.body(await this.registry.metrics(), 200, {
        'content-type': this.registry.contentType,
      });
    });
  }
}

const same = (a: string, b: string) =>
  timingSafeEqual(Buffer.from(digest(a)), Buffer.from(digest(b)));
