// Checks that are right or wrong as a whole, run at once: each uses one core.
import { spawn } from 'node:child_process';
import { join } from 'node:path';

/** Resolves with whether each was good; each is told as it ends, its words only where it was not. */
export const sideBySide = (checks) => Promise.all(checks.map(run));

const run = ([name, command, args]) =>
  new Promise((resolve) => {
    const started = Date.now();
    let said = '';
    const child = spawn(join('node_modules/.bin', command), args, {
      env: { ...process.env, FORCE_COLOR: '0' },
    });
    const end = (good) => {
      const seconds = ((Date.now() - started) / 1000).toFixed(1);
      console.log(`${good ? '✓' : '✕'} ${name} (${seconds} s)`);
      if (!good) console.log(said);
      resolve(good);
    };
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (said += data));
    // A program that cannot be begun tells only this, and is closed at once after it.
    child.on('error', (error) => (said += `${error.message}\n`));
    child.on('close', (code) => end(code === 0));
  });
