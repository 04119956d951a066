/**
 * The core for the stories in one file, made once before they begin: the runner would translate its four
 * hundred files one by one, and read them in again for every worker.
 */
import { build } from 'esbuild';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import type * as Proving from './proving';

/** Left as it is by the runner, as `build.external` in its configuration says. */
const MADE = join(import.meta.dirname, '../dist/proving.cjs');

export default async function bundle(): Promise<void> {
  await build({
    entryPoints: [join(import.meta.dirname, 'proving.ts')],
    outfile: MADE,
    bundle: true,
    platform: 'node',
    format: 'cjs',
    logLevel: 'warning',
  });
}

/** Only while a story runs: it is not there before. */
export const proving = (): typeof Proving => createRequire(import.meta.url)(MADE) as typeof Proving;
