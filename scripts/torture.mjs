// `npm run torture`: the attacks of e2e/torture against the built app. Options: --only load,long,blocking,
// meter,fuzz,kills,size · --kills N · --requests N · --seconds N · --seed N · --jobs N
import { spawnSync } from 'node:child_process';
import { dirname, join } from 'node:path';
import { build } from 'esbuild';

const root = join(dirname(new URL(import.meta.url).pathname), '..');
const bundle = join(root, 'e2e/dist/torture.mjs');
await build({
  entryPoints: [join(root, 'e2e/torture/main.ts')],
  outfile: bundle,
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  logLevel: 'warning',
});
const { status } = spawnSync(process.execPath, [bundle, ...process.argv.slice(2)], {
  stdio: 'inherit',
});
process.exit(status ?? 1);
