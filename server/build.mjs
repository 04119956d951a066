// Bundles our own TypeScript; packages stay in node_modules.
import { build } from 'esbuild';
import { existsSync } from 'node:fs';

const entryPoints = [
  'src/main.ts',
  'src/core-cli.ts',
  'src/keeping-cli.ts',
  'src/bench.ts',
  'src/bench-visits.ts',
  'src/bench-learning.ts',
  'src/bench-memory.ts',
  'src/bench/bench-worker.ts',
  'src/heavy/heavy-worker.ts',
].filter((each) => existsSync(new URL(each, import.meta.url)));
await build({
  absWorkingDir: import.meta.dirname,
  entryPoints,
  outdir: 'dist',
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  sourcemap: true,
  logLevel: 'warning',
  packages: 'external',
  // Our own workspaces are TypeScript and go into the bundle.
  alias: {
    '@jeitinho/core/validate': '../core/src/validate.ts',
    ...Object.fromEntries(
      ['judge', 'job', 'bench', 'sheet', 'diagnose'].map((room) => [
        `@jeitinho/core/${room}`,
        `../core/src/surface/${room}.ts`,
      ]),
    ),
    '@jeitinho/core': '../core/src/index.ts',
    '@jeitinho/demo': '../demo/src/index.ts',
  },
});
