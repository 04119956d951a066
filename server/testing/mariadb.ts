/** A MariaDB of the tests' own: in a temporary folder, reached over a socket, gone afterwards. */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';

export interface TestDatabase {
  readonly socketPath: string;
  readonly stop: () => Promise<void>;
}

const PATH = `${process.env.PATH}:/usr/sbin:/sbin`;
const PATIENCE_MS = 240_000;

export async function startMariaDb(): Promise<TestDatabase> {
  const folder = mkdtempSync(join(tmpdir(), 'jeitinho-test.'));
  const data = join(folder, 'data');
  mkdirSync(data);
  // A database that starts clears away what others keep beside its own temporary files.
  const env = { ...process.env, PATH, TMPDIR: folder };
  const user = userInfo().username;
  const made = spawnSync(
    'mariadb-install-db',
    [
      '--no-defaults',
      `--datadir=${data}`,
      `--user=${user}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
    ],
    { env, encoding: 'utf8' },
  );
  if (made.status !== 0)
    throw new Error(
      `The tests need Debian’s mariadb-server-core and mariadb-client-core. ${made.error?.message ?? made.stderr}`,
    );
  const socketPath = join(folder, 'db.sock');
  const child = spawn(
    'mariadbd',
    // Nothing here outlives the tests, so nothing is flushed for durability.
    [
      '--no-defaults',
      `--user=${user}`,
      `--datadir=${data}`,
      `--socket=${socketPath}`,
      '--skip-networking',
      '--innodb-flush-log-at-trx-commit=0',
    ],
    { env, stdio: 'ignore' },
  );
  await appears(socketPath, child);
  return { socketPath, stop: () => stopped(child, folder) };
}

async function appears(path: string, child: ChildProcess): Promise<void> {
  const deadline = Date.now() + PATIENCE_MS;
  while (!existsSync(path)) {
    if (child.exitCode !== null || Date.now() > deadline) throw new Error('MariaDB did not start');
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

async function stopped(child: ChildProcess, folder: string): Promise<void> {
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  await ended;
  rmSync(folder, { recursive: true, force: true });
}
