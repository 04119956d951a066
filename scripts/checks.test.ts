import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fewFell, sumJest, sumPlaywright, unsteady, withLate } from './sums.cjs';

test('a test file that cannot be loaded counts as failed', () => {
  const report = {
    numPassedTests: 3,
    numFailedTests: 1,
    numPendingTests: 2,
    numTodoTests: 0,
    testResults: [
      { status: 'failed', assertionResults: [] },
      { status: 'failed', assertionResults: [{}] },
      { status: 'passed', assertionResults: [{}] },
    ],
  };
  expect(sumJest(report)).toEqual({ passed: 3, failed: 2, skipped: 2 });
});

const spec = (title: string, status: string) => ({
  id: title,
  title,
  file: 'x.spec.ts',
  tests: [{ status }],
});

test('a broken browser run counts as failed; what passed at the second try is named', () => {
  const report = {
    stats: { expected: 5, unexpected: 1, flaky: 1, skipped: 1 },
    errors: [{}],
    suites: [{ suites: [{ specs: [spec('wavers', 'flaky'), spec('stands', 'expected')] }] }],
  };
  expect(sumPlaywright(report)).toEqual({ passed: 6, failed: 2, skipped: 1 });
  expect(unsteady(report)).toEqual(['x.spec.ts: wavers']);
});

test('a few fallen stories are told again at the end: who stands then is unsteady, who falls again has failed', () => {
  const report = {
    stats: { expected: 5, unexpected: 2, flaky: 0, skipped: 0 },
    errors: [],
    suites: [{ specs: [spec('fell', 'unexpected'), spec('falls', 'unexpected')] }],
  };
  const late = {
    stats: { expected: 1, unexpected: 1, flaky: 0, skipped: 0 },
    errors: [],
    suites: [{ specs: [spec('fell', 'expected'), spec('falls', 'unexpected')] }],
  };
  expect(fewFell(report)).toBe(true);
  const after = withLate(report, late);
  expect(sumPlaywright(after)).toEqual({ passed: 6, failed: 1, skipped: 0 });
  expect(unsteady(after)).toEqual(['x.spec.ts: fell']);
  // One that was not told again at all has not stood up.
  expect(sumPlaywright(withLate(after, { errors: [{}], suites: [] })).failed).toBe(2);
  expect(fewFell({ stats: { unexpected: 6 }, errors: [] })).toBe(false);
  expect(fewFell({ stats: { unexpected: 0 }, errors: [] })).toBe(false);
  expect(fewFell({ stats: { unexpected: 1 }, errors: [{}] })).toBe(false);
});

const REFUSED: readonly (readonly [file: string, code: string, rule: string])[] = [
  ['core/src/x.ts', "import 'react';\n", 'no-restricted-imports'],
  ['core/src/x.ts', "import 'node:fs';\n", 'no-restricted-imports'],
  ['core/src/x.ts', "import '@jeitinho/server';\n", 'no-restricted-imports'],
  ['core/src/judge/x.ts', "import 'node:fs';\n", 'no-restricted-imports'],
  ['core/src/judge/groups/x.ts', "import '../../job/kinds/index';\n", 'no-restricted-imports'],
  ['core/src/sheet/x.ts', "import '../bench/circuit';\n", 'no-restricted-imports'],
  ['core/src/job/log/x.ts', "import '../../diagnose/assess';\n", 'no-restricted-imports'],
  ['core/src/x.ts', 'export const now = Date.now();\n', 'no-restricted-properties'],
  ['core/src/x.ts', 'export const now = new Date();\n', 'no-restricted-syntax'],
  ['core/src/x.ts', 'export const dice = Math.random();\n', 'no-restricted-properties'],
  ['core/src/x.ts', 'export const page = document;\n', 'no-restricted-globals'],
  ['web/src/x.ts', "import '@jeitinho/server/api';\n", 'no-restricted-imports'],
  ['web/src/parts/x.ts', "import '../screens/today/today';\n", 'no-restricted-imports'],
  ['web/src/data/x.ts', "import '../parts/button';\n", 'no-restricted-imports'],
  ['server/src/x.ts', "import '../../web/src/app';\n", 'no-restricted-imports'],
];
const ALLOWED: readonly (readonly [file: string, code: string])[] = [
  ['web/src/x.ts', "import '@jeitinho/core';\n"],
  ['server/src/x.ts', "import 'node:fs';\nimport '@jeitinho/core/job';\n"],
  ['core/src/job/log/x.ts', "import '../../judge/judge';\n"],
];

describe('the structure', () => {
  interface Told {
    readonly circles: readonly string[][];
    readonly surface: { exported: number; unused: string[]; stars: number };
    readonly refused: readonly string[][];
  }
  let told: Told;
  beforeAll(() => {
    const cases = [...REFUSED, ...ALLOWED].map(([file, code]) => ({ file, code }));
    const { stdout, stderr } = spawnSync(process.execPath, [join(__dirname, 'structure.mjs')], {
      input: JSON.stringify({ cases }),
      encoding: 'utf8',
    });
    if (stdout === '') throw new Error(stderr);
    told = JSON.parse(stdout) as Told;
  });

  test('no files import each other in a loop, types counted as well', () => {
    expect(told.circles).toEqual([]);
  });

  test('every name that the core hands out is listed by hand and used by somebody', () => {
    expect(told.surface).toMatchObject({ unused: [], stars: 0 });
    expect(told.surface.exported).toBeGreaterThan(200);
  });

  test.each(REFUSED.map((each, i) => [...each, i] as const))(
    'lint: %s may not say %j',
    (_file, _code, rule, i) => {
      expect(told.refused[i]).toContain(rule);
    },
  );

  test('lint lets the allowed ones through', () => {
    expect(told.refused.slice(REFUSED.length)).toEqual(ALLOWED.map(() => []));
  });
});

test('lint with types finds a promise nobody waits for and a case nobody wrote', () => {
  const root = join(__dirname, '..');
  const folder = mkdtempSync(join(tmpdir(), 'typed-lint.'));
  writeFileSync(join(folder, 'tsconfig.json'), '{ "compilerOptions": { "strict": true } }');
  writeFileSync(
    join(folder, 'x.ts'),
    `export const later = async () => 1;
export function both(kind: 'dead' | 'live') {
  later();
  switch (kind) {
    case 'dead':
      return 0;
  }
}
`,
  );
  const oxlint = join(root, 'node_modules/.bin/oxlint');
  const config = join(root, '.oxlintrc.json');
  const { status, stdout } = spawnSync(oxlint, ['--type-aware', '-c', config, 'x.ts'], {
    cwd: folder,
    encoding: 'utf8',
    // It looks for its checker beside what it lints, and on the path.
    env: { ...process.env, PATH: `${join(root, 'node_modules/.bin')}:${process.env.PATH}` },
  });
  rmSync(folder, { recursive: true });
  expect(stdout).toContain('no-floating-promises');
  expect(stdout).toContain('switch-exhaustiveness-check');
  expect(status).toBe(1);
});
