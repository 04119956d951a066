// Checks that are right or wrong as a whole, run at once: each uses one core.
import { spawn } from 'node:child_process';
import { join } from 'node:path';

/** Resolves with whether each was good; each is told as it ends, its words only where it was not. */
export const sideBySide = (checks) => Promise.all(checks.map(run));

async function run([name, command, args]) {
  const { good, said, seconds } = await quietly(join('node_modules/.bin', command), args);
  console.log(`${good ? '✓' : '✕'} ${name} (${seconds} s)`);
  if (!good) console.log(said);
  return good;
}

/** Runs a program and keeps its words for its end: whether it was good, what it said, how long it took. */
export const quietly = (command, args) =>
  new Promise((resolve) => {
    const started = Date.now();
    let said = '';
    const child = spawn(command, args, { env: { ...process.env, FORCE_COLOR: '0' } });
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (said += data));
    // A program that cannot be begun tells only this, and is closed at once after it.
    child.on('error', (error) => (said += `${error.message}\n`));
    child.on('close', (code) =>
      resolve({ good: code === 0, said, seconds: ((Date.now() - started) / 1000).toFixed(1) }),
    );
  });

/** The types: by the native compiler, a tenth of the time; lint keeps the one whose parts it can use. */
export const TYPES = [
  'types',
  '../typescript-native/bin/tsc',
  ['-p', 'tsconfig.json', '--incremental', '--tsBuildInfoFile', 'node_modules/.cache/types.json'],
];
/** All rules, those that need types as well; of the files given, or of everything. */
export const lint = (files = []) => ['lint', 'oxlint', ['-c', 'oxlint.config.js', ...files]];
