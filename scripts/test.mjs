// Runs every check and sums them up: types, lint, unit and server tests, the real app in a browser.
// The last line is `N passed, N failed`.
import { spawnSync } from 'node:child_process';
import { accessSync, constants, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sideBySide } from './side-by-side.mjs';
import sums from './sums.cjs';

// Databases and browser profiles of tests belong in memory where there is room: a slow disk made the
// browser tests ten times as long.
const scratch = mkdtempSync(join(memoryFolder() ?? tmpdir(), 'jeitinho-results.'));
process.env.TMPDIR = scratch;
const total = { passed: 0, failed: 0, skipped: 0 };

function memoryFolder() {
  try {
    accessSync('/dev/shm', constants.W_OK);
    return '/dev/shm';
  } catch {
    return undefined;
  }
}

function add(name, sum) {
  for (const key of Object.keys(total)) total[key] += sum[key] ?? 0;
  console.log(
    `— ${name}: ${sum.passed} passed, ${sum.failed} failed${sum.skipped ? `, ${sum.skipped} skipped` : ''}`,
  );
}

function run(name, command, args, env = {}) {
  console.log(`\n=== ${name}`);
  const started = Date.now();
  const { status } = spawnSync(command, args, {
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  console.log(`(${Math.round((Date.now() - started) / 1000)} s)`);
  return status === 0;
}

/** A runner that writes its own account; one that leaves none, or fails beyond it, has failed. */
function counted(name, command, args, file, sum, env) {
  const good = run(name, command, args, env);
  const result = existsSync(file)
    ? sum(JSON.parse(readFileSync(file, 'utf8')))
    : { passed: 0, failed: 1, skipped: 0 };
  if (!good && result.failed === 0) result.failed = 1;
  add(name, result);
}

const CACHE = 'node_modules/.cache';
const WHOLE = [
  [
    'types',
    'tsc',
    ['-p', 'tsconfig.json', '--incremental', '--tsBuildInfoFile', `${CACHE}/types.tsbuildinfo`],
  ],
  ['lint', 'eslint', ['.', '--cache', '--cache-location', `${CACHE}/eslint`]],
  ['format', 'prettier', ['--check', '--log-level', 'warn', '.']],
];
console.log('\n=== types, lint and format');
const good = await sideBySide(WHOLE);
add('types, lint and format', {
  passed: good.filter(Boolean).length,
  failed: good.filter((each) => !each).length,
});
const jest = join(scratch, 'jest.json');
counted(
  'unit and server tests',
  'npx',
  ['jest', '--json', `--outputFile=${jest}`],
  jest,
  sums.sumJest,
);
const browser = join(scratch, 'browser.json');
counted(
  'the app in a browser',
  'npx',
  ['playwright', 'test', '--config', 'e2e/playwright.config.ts', '--reporter=list,json'],
  browser,
  sums.sumPlaywright,
  { PLAYWRIGHT_JSON_OUTPUT_NAME: browser },
);

rmSync(scratch, { recursive: true, force: true });
const skipped = total.skipped ? `, ${total.skipped} skipped` : '';
console.log(`\n${total.passed} passed, ${total.failed} failed${skipped}`);
process.exit(total.failed > 0 ? 1 : 0);
