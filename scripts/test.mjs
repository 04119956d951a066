// Runs every check and sums them up: types, lint, unit and server tests, the real app in a browser.
// The last line is `N passed, N failed`.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { accessSync, constants, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lint, quietly, sideBySide, TYPES } from './side-by-side.mjs';
import sums from './sums.cjs';

// Databases and browser profiles of tests belong in memory where there is room: a slow disk made the
// browser tests ten times as long.
const scratch = mkdtempSync(join(memoryFolder() ?? tmpdir(), 'jeitinho-results.'));
process.env.TMPDIR = scratch;
// The same samples for the same code: what fails here fails at the next desk too. At work they wander.
process.env.PROPERTY_SEED ??= '20261';
// Test files share contexts: half of their time was loading the same modules anew.
process.env.TOGETHER = 'yes';
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

/** A runner's own account; where it left none, or it fails beyond it, it has failed. */
function addWhole(name, good, report, sum) {
  const result = report ? sum(report) : { passed: 0, failed: 1, skipped: 0 };
  if (!good && result.failed === 0) result.failed = 1;
  add(name, result);
}

const readReport = (file) =>
  existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined;

const WHOLE = [TYPES, lint(), ['format', 'oxfmt', ['--check']]];

async function checks() {
  const good = await sideBySide(WHOLE);
  add('types, lint and format', {
    passed: good.filter(Boolean).length,
    failed: good.filter((each) => !each).length,
  });
}

async function unitTests() {
  const file = join(scratch, 'jest.json');
  const jest = await quietly('node_modules/.bin/jest', ['--json', `--outputFile=${file}`]);
  console.log(`\n=== unit and server tests (${jest.seconds} s)`);
  if (!jest.good) console.log(jest.said);
  addWhole('unit and server tests', jest.good, readReport(file), sums.sumJest);
}

/** @returns the runner's own account; undefined where it left none. */
async function stories(name, ...more) {
  const file = join(scratch, `${name}.json`);
  const child = spawn(
    'node_modules/.bin/playwright',
    ['test', '--config', 'e2e/playwright.config.ts', '--reporter=list,json', ...more],
    { stdio: 'inherit', env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: file } },
  );
  const [code] = await once(child, 'close');
  return { good: code === 0, report: readReport(file) };
}

async function browserTests() {
  let { good, report } = await stories('browser');
  // A machine that stalled for minutes has calmed down by the end: the few that fell are told alone once more.
  if (report && sums.fewFell(report)) {
    const late = await stories('browser-late', '--last-failed', '--workers=1');
    good = late.good;
    if (late.report) report = sums.withLate(report, late.report);
  }
  addWhole('the app in a browser', good, report, sums.sumPlaywright);
  for (const title of report ? sums.unsteady(report) : [])
    console.log(`  passed at a later try only, to be looked into: ${title}`);
}

// What only computes, side by side; then the browser, which takes both cores for itself.
await Promise.all([checks(), unitTests()]);
await browserTests();

rmSync(scratch, { recursive: true, force: true });
const skipped = total.skipped ? `, ${total.skipped} skipped` : '';
console.log(`\n${total.passed} passed, ${total.failed} failed${skipped}`);
process.exit(total.failed > 0 ? 1 : 0);
