import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { sumJest, sumPlaywright } from './sums.cjs';

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

test('flaky and broken browser runs count as failed', () => {
  const report = { stats: { expected: 5, unexpected: 1, flaky: 1, skipped: 1 }, errors: [{}] };
  expect(sumPlaywright(report)).toEqual({ passed: 5, failed: 3, skipped: 1 });
});

describe('lint keeps the arrows of the architecture', () => {
  const root = join(__dirname, '..');
  const rules = (file: string, code: string): string[] => {
    const { stdout } = spawnSync(
      process.execPath,
      [
        join(root, 'node_modules/eslint/bin/eslint.js'),
        '--stdin',
        '--stdin-filename',
        file,
        '-f',
        'json',
      ],
      { cwd: root, input: code, encoding: 'utf8' },
    );
    const [result] = JSON.parse(stdout) as { messages: { ruleId: string }[] }[];
    return result!.messages.map((message) => message.ruleId);
  };
  test.each([
    ['core/src/x.ts', "import 'react';\n", 'no-restricted-imports'],
    ['core/src/x.ts', "import 'node:fs';\n", 'no-restricted-imports'],
    ['core/src/x.ts', "import '@jeitinho/server';\n", 'no-restricted-imports'],
    ['core/src/x.ts', 'export const now = Date.now();\n', 'no-restricted-properties'],
    ['core/src/x.ts', 'export const now = new Date();\n', 'no-restricted-syntax'],
    ['core/src/x.ts', 'export const dice = Math.random();\n', 'no-restricted-properties'],
    ['core/src/x.ts', 'export const page = document;\n', 'no-restricted-globals'],
    ['web/src/x.ts', "import '@jeitinho/server/api';\n", 'no-restricted-imports'],
    ['server/src/x.ts', "import '../../web/src/app';\n", 'no-restricted-imports'],
  ])('%s may not say %j', (file, code, rule) => {
    expect(rules(file, code)).toContain(rule);
  });
  test('and lets the allowed ones through', () => {
    expect(rules('web/src/x.ts', "import '@jeitinho/core';\n")).toEqual([]);
    expect(rules('server/src/x.ts', "import 'node:fs';\nimport '@jeitinho/core';\n")).toEqual([]);
  });
});
