import { spawnSync } from 'node:child_process';
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

describe('the structure', () => {
  interface Told {
    readonly circles: readonly string[][];
    readonly surface: { exported: number; unused: string[]; stars: number };
  }
  let told: Told;
  beforeAll(() => {
    const { stdout, stderr } = spawnSync(process.execPath, [join(__dirname, 'structure.mjs')], {
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
});
