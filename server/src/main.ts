/** The server process, started by the `jeitinho` script with its settings in the environment. */
import { demoWorld } from '@jeitinho/demo';
import type { Logger } from 'pino';
import { createApp } from './app';
import { ownerWanted, newLink } from './auth/links';
import { sweepSessions } from './auth/sessions';
import { MeterSockets } from './bench/meter-socket';
import { HeavyWork } from './heavy/heavy-work';
import { Backups } from './keeping/nightly';
import { listen } from './listen';
import { openLog } from './log-file';
import { indexNewUnits } from './search/index-units';
import { seedDemo, seedHistory } from './seed';
import { settingsFrom } from './settings';
import { StartupError } from './startup-error';
import { databaseTrouble } from './store/database-errors';
import { addressFromEnvironment, connect, createDatabase } from './store/database';
import { projectNow, refreshSummaries } from './store/projections';
import { migrate } from './store/migrate';
import { defineModels, type Store } from './store/models/index';
import { takeInPhotoFiles } from './store/photos';
import { verifyTables } from './store/verify';

/** How long requests in flight may take to end once the server was told to stop. */
const GRACE_MS = 5_000;

async function main(): Promise<void> {
  const { env } = process;
  const { log, close: closeLog } = openLog(env.JEITINHO_LOG, env.JEITINHO_LOG_LEVEL);
  surviveLostConnections(log);
  const settings = await settingsFrom(env);
  const address = addressFromEnvironment(env);
  await createDatabase(address);
  const sequelize = connect(address);
  await migrate(sequelize);
  const store = defineModels(sequelize);
  await verifyTables(store);
  if (settings.photoFolder) {
    const taken = await takeInPhotoFiles(store, settings.photoFolder);
    if (taken > 0) log.info({ taken }, 'pictures taken into the database');
  }
  if (settings.demo) await seedDemo(store, demoWorld);
  await sweepSessions(store);
  if (!settings.around.madeUp) await endDemoSessions(store);
  const heavy = new HeavyWork(new URL('./heavy/heavy-worker.js', import.meta.url));
  const backups = new Backups(store, log, settings.backupFolder);
  const { around, papers, metricsToken } = settings;
  const app = createApp({
    store,
    heavy,
    log,
    around,
    backups,
    ...(papers && { papers }),
    ...(settings.dataFolder !== undefined && { dataFolder: settings.dataFolder }),
    ...(metricsToken !== undefined && { metricsToken }),
    checkAnswers: env.JEITINHO_CHECK_ANSWERS === 'yes',
    ...(env.JEITINHO_PAGE && { pageFolder: env.JEITINHO_PAGE }),
  });
  const server = await listen(app, settings);
  const meters = new MeterSockets(store, log, undefined, around);
  meters.attach(server);
  await backups.start();
  log.info({ port: settings.port, secure: around.secure }, 'ready');
  if (await wantsOwner(store, around.madeUp)) {
    const { path } = await newLink(store, 'owner', null);
    process.stdout.write(
      `Nobody keeps this shop yet. Its owner begins here, once: ${settings.url}${path}\n`,
    );
  }
  process.stdout.write(`Jeitinho is ready at ${settings.url}\n`);

  let stopping = false;
  const settled = settings.history
    ? seedHistory(store, demoWorld, () => stopping)
    : Promise.resolve(0);
  settled
    .catch((error: unknown) => log.warn({ err: error }, 'history'))
    .then(() => indexNewUnits(store))
    .then(() => refreshSummaries(store, { stopped: () => stopping }))
    .then((refreshed) => refreshed > 0 && log.info({ refreshed }, 'projections made again'))
    .catch((error: unknown) => log.warn({ err: error }, 'projections'));
  const stop = () => {
    if (stopping) return;
    stopping = true;
    setTimeout(() => process.exit(1), GRACE_MS).unref();
    void meters.close();
    void heavy.close();
    void backups.stop();
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

/** Whoever signed in by one press is out as soon as others reach the server, or the demo is over. */
async function endDemoSessions(store: Store): Promise<void> {
  const made = await store.people.findAll({ where: { demo: true } });
  await store.sessions.destroy({ where: { personId: made.map(({ id }) => id) } });
}

/** On loopback the demo's own people let one look; anywhere else somebody real is wanted. */
async function wantsOwner(store: Store, madeUp: boolean): Promise<boolean> {
  if (!(await ownerWanted(store))) return false;
  return !madeUp || (await store.people.count({ where: { demo: true, removedAt: null } })) === 0;
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
