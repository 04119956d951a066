/** What a workspace depends on, somebody in it imports: every package is fetched on every fresh machine. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(__dirname, '..');

const sources = (folder: string): string =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.(tsx?|css)$/.test(file) && !/node_modules|dist\//.test(file))
    .map((file) => readFileSync(join(ROOT, folder, file), 'utf8'))
    .join('\n');

const core = sources('core');

test.each(['core', 'demo', 'server', 'web'])('%s imports whatever it depends on', (workspace) => {
  const { dependencies = {} } = JSON.parse(
    readFileSync(join(ROOT, workspace, 'package.json'), 'utf8'),
  ) as { dependencies?: Record<string, string> };
  // The core is built into whoever uses it, and they bring its packages.
  const text = sources(workspace) + core;
  const idle = Object.keys(dependencies).filter(
    (name) => !text.includes(`'${name}'`) && !text.includes(`'${name}/`),
  );
  expect(idle).toEqual([]);
});
