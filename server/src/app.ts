/** The HTTP application: routes, the one error handler, the request log, the page. */
import { CoreError, OPEN_AT_ONCE, pathOf } from '@jeitinho/core';
import { sheetSchema } from '@jeitinho/core/sheet';
import { serveStatic } from '@hono/node-server/serve-static';
import { compress } from 'hono/compress';
import { etag } from 'hono/etag';
import { Hono, type MiddlewareHandler } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { secureHeaders } from 'hono/secure-headers';
import type { Logger } from 'pino';
import { checkAnswers } from './check-answers';
import { databaseProblem } from './database-problem';
import { HeavyWork } from './heavy/heavy-work';
import { clientLimit } from './auth/client-limit';
import { guard } from './auth/guard';
import type { Backups } from './keeping/nightly';
import { Metrics } from './metrics';
import { ON_LOOPBACK, type Surroundings } from './surroundings';
import { TRUST_PATH, trustPage } from './tls/trust-page';
import type { ServerPapers } from './tls/own-authority';
import { knownHost } from './known-host';
import { ProblemError, problemResponse } from './problem';
import { auditRoutes } from './routes/audit';
import { keepingRoutes } from './routes/keeping';
import { deviceRoutes, myRoutes } from './routes/me';
import { peopleRoutes } from './routes/people';
import { proposalRoutes } from './routes/proposals';
import { sessionRoutes } from './routes/session';
import { customerRoutes } from './routes/customers';
import { healthRoutes } from './routes/health';
import { jobFileRoutes } from './routes/job-files';
import { jobRoutes } from './routes/jobs';
import {
  findRoutes,
  patternRoutes,
  recordRoutes,
  reportLinkRoutes,
  rightRoutes,
  sharedRoutes,
} from './routes/memory';
import { meterRoutes } from './routes/meters';
import { openApiRoutes } from './routes/openapi';
import { photoRoutes } from './routes/photos';
import { placeRoutes } from './routes/places';
import { sheetRoutes } from './routes/sheets';
import { shopRoutes } from './routes/shop';
import { siteRoutes } from './routes/sites';
import { unitRoutes } from './routes/units';
import type { Store } from './store/models/index';

export interface AppOptions {
  readonly store: Store;
  readonly log: Logger;
  /** Where large documents are read; without it, on the spot. */
  readonly heavy?: HeavyWork;
  /** Folder of the built page; without it only the API answers. */
  readonly pageFolder?: string;
  /** How it is reached; on loopback alone where nothing is said. */
  readonly around?: Surroundings;
  readonly backups?: Backups;
  /** Where the database lies, if on this machine: to know whether its disk has room. */
  readonly dataFolder?: string;
  /** The shop's own authority, where it has one. */
  readonly papers?: Pick<ServerPapers, 'authority' | 'fingerprint'>;
  /** Who bears it is told the metrics. */
  readonly metricsToken?: string;
  /** Hold every answer against its published shape: for tests and while developing. */
  readonly checkAnswers?: boolean;
}

/** What is read and checked in a moment; the app sends less at once. */
const LARGEST_BODY = 512 * 1024;
/** Above the largest sheet in characters, for text beyond ASCII takes more bytes. */
const LARGEST_SHEET_BODY = 8 * 1024 * 1024;
/** Where whole documents come in: sheets, price lists, jobs. */
const LARGE_PATHS = [
  '/api/v1/sheets',
  '/api/v1/proposals',
  '/api/v1/shop/price-list',
  '/api/v1/job-files',
];

export function createApp({
  store,
  log,
  around = ON_LOOPBACK,
  backups,
  dataFolder,
  papers,
  metricsToken,
  pageFolder,
  heavy = new HeavyWork(),
  checkAnswers: checked = false,
}: AppOptions): Hono {
  const app = new Hono();
  app.use(async (c, next) => {
    const started = performance.now();
    await next();
    const ms = Math.round(performance.now() - started);
    const line = { method: c.req.method, path: c.req.path, status: c.res.status, ms };
    if (c.res.status >= 500) log.error(line, 'request');
    else log.info(line, 'request');
  });
  app.use(knownHost(around.hosts));
  const metrics = new Metrics(store);
  app.use('/api/*', clientLimit(around), metrics.count());
  // Sheets and lists are text: on a slow line a third of it is a third of the wait.
  app.use('/api/*', compress());
  app.use(
    secureHeaders({
      strictTransportSecurity: around.secure ? 'max-age=31536000' : false,
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        // Radix places its pop-ups with inline styles.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    }),
  );
  app.use('/api/*', (c, next) => {
    // Pictures have a limit of their own.
    if (c.req.path.startsWith('/api/v1/photos')) return next();
    // Read as it comes in, piece by piece; an owner's alone.
    if (c.req.path === '/api/v1/keeping/import') return next();
    const large = LARGE_PATHS.some((path) => c.req.path.startsWith(path));
    return large ? sheetLimit(c, next) : plainLimit(c, next);
  });
  app.use('/api/*', async (c, next) => {
    await next();
    // On the answer’s own headers: the context would make the whole answer anew.
    if (!c.res.headers.has('cache-control')) c.res.headers.set('cache-control', 'no-store');
  });
  // What is large and seldom changes is asked after, and sent only where it did.
  for (const path of ['/api/v1/jobs/:id', '/api/v1/sheets/*']) app.use(path, askedAfter, tagged);

  if (checked) app.use('/api/v1/*', checkAnswers());
  app.use('/api/v1/*', guard(store, around));

  const api = new Hono()
    .route('/', openApiRoutes())
    .route('/health', healthRoutes(store))
    .route('/session', sessionRoutes(store, around))
    .route('/me', myRoutes(store, around))
    .route('/devices', deviceRoutes(store))
    .route('/people', peopleRoutes(store))
    .route('/audit', auditRoutes(store))
    .route(
      '/keeping',
      keepingRoutes(
        store,
        backups,
        papers && { path: TRUST_PATH, fingerprint: papers.fingerprint },
      ),
    )
    .route('/proposals', proposalRoutes(store, heavy))
    .route('/find', findRoutes(store))
    .route('/records', recordRoutes(store))
    .route('/patterns', patternRoutes(store))
    .route('/right', rightRoutes(store))
    .route('/report-links', reportLinkRoutes(store))
    .route('/shared', sharedRoutes(store))
    .route('/shop', shopRoutes(store))
    .route('/customers', customerRoutes(store))
    .route('/sites', siteRoutes(store))
    .route('/units', unitRoutes(store))
    .route('/places', placeRoutes(store))
    .route('/meters', meterRoutes(store))
    .route('/photos', photoRoutes(store, dataFolder))
    .route('/sheets', sheetRoutes(store, heavy))
    .route('/job-files', jobFileRoutes(store))
    .route('/jobs', jobRoutes(store));
  app.route('/api/v1', api);
  app.route('/health', healthRoutes(store));
  app.route('/metrics', metrics.routes(metricsToken));
  if (papers) app.route(TRUST_PATH, trustPage(papers));
  app.get('/schemas/sheet-2.json', (c) => c.json(sheetSchema));
  app.all('/api/*', () => {
    throw new ProblemError(404, 'not-found', 'There is nothing at this address of the API.');
  });
  if (pageFolder) servePage(app, pageFolder);

  app.notFound(() => problemResponse(new ProblemError(404, 'not-found', 'There is nothing here.')));
  app.onError((error) => {
    if (error instanceof ProblemError) return problemResponse(error);
    if (error instanceof CoreError)
      return problemResponse(new ProblemError(422, error.code, error.message));
    const trouble = databaseProblem(error);
    if (trouble) {
      // It may come back as another one: a copy put back, a fresh folder.
      store.memory.forget();
      log.warn({ err: error }, 'database');
      return problemResponse(trouble);
    }
    log.error({ err: error }, 'unexpected');
    return problemResponse(
      new ProblemError(500, 'internal', 'Nothing was stored. Try again; the log says more.'),
    );
  });
  return app;
}

/** Of what is read alone: an answer to something written is of that one time. */
const tag = etag();
const tagged: MiddlewareHandler = (c, next) => (c.req.method === 'GET' ? tag(c, next) : next());

const askedAfter: MiddlewareHandler = async (c, next) => {
  await next();
  if (c.res.ok || c.res.status === 304) c.res.headers.set('cache-control', 'private, no-cache');
};

/** Before anything of a body is read where its length is said, else while it comes in. */
function limit(maxSize: number, advice: string): MiddlewareHandler {
  const onError = () => {
    throw new ProblemError(
      413,
      'too-large',
      `Nothing was stored: more than ${maxSize / 1024 / 1024} MB at once. ${advice}`,
    );
  };
  const whileReading = bodyLimit({ maxSize, onError });
  return async (c, next) => {
    const length = c.req.header('content-length');
    if (length === undefined || c.req.header('transfer-encoding') !== undefined)
      return whileReading(c, next);
    if (Number(length) > maxSize) onError();
    return next();
  };
}

const plainLimit = limit(LARGEST_BODY, 'Send it in smaller pieces.');
const sheetLimit = limit(
  LARGEST_SHEET_BODY,
  'A sheet has 4 million characters at most; leave pictures out.',
);

const FIRST_ASKED = [
  pathOf('jobs', {}, { status: 'open', limit: OPEN_AT_ONCE }),
  pathOf('shop', {}),
  pathOf('session', {}),
]
  .map((path) => `</api/v1${path}>; rel=preload; as=fetch; crossorigin`)
  .join(', ');

/**
 * Built files have their hash in the name and may be kept for ever. The page itself, the service worker and
 * what else keeps its name are asked for again each time.
 */
function servePage(app: Hono, root: string): void {
  const kept = (path: string) =>
    path.startsWith('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache';
  const file = serveStatic({
    root,
    precompressed: true,
    onFound: (_, c) => c.header('cache-control', kept(c.req.path)),
  });
  app.use('/', async (c, next) => {
    await next();
    // What Today asks first is on its way while its program still comes.
    if (c.res.ok) c.header('link', FIRST_ASKED);
  });
  app.use('*', file);
  app.get('*', async (c, next) => {
    if (/\.\w+$/.test(c.req.path)) return next();
    c.header('cache-control', 'no-cache');
    return serveStatic({ root, path: 'index.html', precompressed: true })(c, next);
  });
}
