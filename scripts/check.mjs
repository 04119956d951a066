// The quick look after a small change: types, lint and the unit tests of what changed since the last
// commit (or in it, where nothing is open), side by side. Everything: `./jeitinho test`.
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { lint, sideBySide, TYPES } from './side-by-side.mjs';

const git = (...args) =>
  execFileSync('git', args, { encoding: 'utf8' })
    .split('\n')
    .filter((file) => file !== '' && existsSync(file));

const open = [
  ...git('diff', '--name-only', 'HEAD'),
  ...git('ls-files', '--others', '--exclude-standard'),
];
const changed = (open.length > 0 ? open : git('diff', '--name-only', 'HEAD~1')).filter((file) =>
  /\.(tsx?|mjs|js)$/.test(file),
);

/** Tests beside what changed, and those of the folder above it. */
function testsFor(files) {
  const folders = new Set(files.flatMap((file) => [dirname(file), dirname(dirname(file))]));
  return [...folders].flatMap((folder) =>
    folder === '.' || folder.split('/').length < 2 || !existsSync(folder)
      ? []
      : readdirSync(folder)
          .filter((name) => /\.test\.tsx?$/.test(name) && !name.includes('.agreement.'))
          .map((name) => join(folder, name)),
  );
}

const tests = testsFor(changed).filter((file) => !file.startsWith('server/'));
const steps = [
  TYPES,
  ...(changed.length > 0 ? [lint(changed), ['format', 'oxfmt', ['--check', ...changed]]] : []),
  ...(tests.length > 0
    ? [
        [
          'tests',
          'jest',
          ['--selectProjects', 'core', 'demo', 'web', 'scripts', '--runTestsByPath', ...tests],
        ],
      ]
    : []),
];

const started = Date.now();
console.log(
  `${changed.length} files changed; ${tests.map((file) => basename(file)).join(', ') || 'no unit tests beside them'}`,
);
const good = await sideBySide(steps);
console.log(`${((Date.now() - started) / 1000).toFixed(1)} s`);
process.exit(good.every(Boolean) ? 0 : 1);
