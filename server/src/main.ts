/** The server process, started by the `jeitinho` script with its settings in the environment. */
import { demoWorld } from '@jeitinho/demo';
import { serve } from '@hono/node-server';
import type { Logger } from 'pino';
import { createApp } from './app';
import { MeterSockets } from './bench/meter-socket';
import { HeavyWork } from './heavy/heavy-work';
import { openLog } from './log-file';
import { seedDemo } from './seed';
import { StartupError } from './startup-error';
import { databaseTrouble } from './store/database-errors';
import { addressFromEnvironment, connect, createDatabase } from './store/database';
import { projectNow, refreshSummaries } from './store/projections';
import { migrate } from './store/migrate';
import { defineModels } from './store/models/index';
import { PhotoFiles } from './store/photo-files';
import { verifyTables } from './store/verify';

/** How long requests in flight may take to end once the server was told to stop. */
const GRACE_MS = 5_000;

async function main(): Promise<void> {
  const { env } = process;
  const port = Number(env.JEITINHO_PORT ?? 8137);
  const { log, close: closeLog } = openLog(env.JEITINHO_LOG, env.JEITINHO_LOG_LEVEL);
  surviveLostConnections(log);
  const address = addressFromEnvironment(env);
  await createDatabase(address);
  const sequelize = connect(address);
  await migrate(sequelize);
  const store = defineModels(sequelize);
  await verifyTables(store);
  if (env.JEITINHO_DEMO !== 'no') await seedDemo(store, demoWorld);
  const heavy = new HeavyWork(new URL('./heavy/heavy-worker.js', import.meta.url));
  const photos = new PhotoFiles(env.JEITINHO_PHOTOS ?? 'data/photos');
  const app = createApp({
    store,
    heavy,
    photos,
    log,
    checkAnswers: env.JEITINHO_CHECK_ANSWERS === 'yes',
    ...(env.JEITINHO_PAGE && { pageFolder: env.JEITINHO_PAGE }),
  });
  const server = serve({ fetch: app.fetch, hostname: '127.0.0.1', port });
  await new Promise<void>((resolve, reject) => {
    server.once('listening', resolve);
    server.once('error', (error: NodeJS.ErrnoException) =>
      reject(
        error.code === 'EADDRINUSE'
          ? new StartupError(
              'port-taken',
              `Port ${port} is taken by another program. Stop it, or choose another with --port.`,
            )
          : error,
      ),
    );
  });
  const meters = new MeterSockets(store, log);
  meters.attach(server);
  log.info({ port }, 'ready');
  process.stdout.write(`Jeitinho is ready at http://127.0.0.1:${port}\n`);

  photos.sweep().catch((error: unknown) => log.warn({ err: error }, 'pictures'));

  let stopping = false;
  refreshSummaries(store, { stopped: () => stopping })
    .then((refreshed) => refreshed > 0 && log.info({ refreshed }, 'projections made again'))
    .catch((error: unknown) => log.warn({ err: error }, 'projections'));
  const stop = () => {
    if (stopping) return;
    stopping = true;
    setTimeout(() => process.exit(1), GRACE_MS).unref();
    void meters.close();
    void heavy.close();
    server.close(() => {
      const written = projectNow(store).catch(() => undefined);
      void written
        .then(() => sequelize.close())
        .finally(() => {
          log.info('stopped');
          closeLog();
          process.exit(0);
        });
    });
    // Keep-alive connections without a request would hold the door open.
    if ('closeIdleConnections' in server) server.closeIdleConnections();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

/**
 * A database that dies while the connector is still greeting it leaves a failure that nobody can catch. It
 * says no more than that the database is away, and that is told to whoever asks. Anything else that nobody
 * caught ends the server, as it should.
 */
function surviveLostConnections(log: Logger): void {
  const meet = (error: unknown) => {
    if (databaseTrouble(error) === 'away') {
      log.warn({ err: error }, 'a connection was lost');
      return;
    }
    log.fatal({ err: error }, 'unexpected');
    process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
    process.exit(1);
  };
  process.on('uncaughtException', meet);
  process.on('unhandledRejection', meet);
}

main().catch((error: unknown) => {
  const message =
    error instanceof StartupError
      ? error.message
      : `Jeitinho could not start: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}`;
  process.stderr.write(`${message}\n`);
  process.exit(1);
});
