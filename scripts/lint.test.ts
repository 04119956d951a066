/** What lint refuses, by pieces of code in files of a folder of their own. */
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

const ROOT = join(__dirname, '..');

const REFUSED: readonly (readonly [file: string, code: string, rule: string])[] = [
  ['core/src/x.ts', "import 'react';\n", 'no-restricted-imports'],
  ['core/src/x.ts', "import 'node:fs';\n", 'no-restricted-imports'],
  ['core/src/x.ts', "import '@jeitinho/server';\n", 'no-restricted-imports'],
  ['core/src/judge/x.ts', "import 'node:fs';\n", 'no-restricted-imports'],
  ['core/src/judge/groups/x.ts', "import '../../job/kinds/index';\n", 'no-restricted-imports'],
  ['core/src/sheet/x.ts', "import '../bench/circuit';\n", 'no-restricted-imports'],
  ['core/src/job/log/x.ts', "import '../../diagnose/assess';\n", 'no-restricted-imports'],
  ['core/src/x.ts', 'export const now = Date.now();\n', 'no-restricted-properties'],
  ['core/src/x.ts', 'export const now = new Date();\n', 'no-new-date'],
  ['core/src/x.ts', 'export const dice = Math.random();\n', 'no-restricted-properties'],
  ['core/src/x.ts', 'export const page = document;\n', 'no-restricted-globals'],
  ['web/src/x.ts', "import '@jeitinho/server/api';\n", 'no-restricted-imports'],
  ['web/src/parts/x.ts', "import '../screens/today/today';\n", 'no-restricted-imports'],
  ['web/src/data/x.ts', "import '../parts/button';\n", 'no-restricted-imports'],
  ['server/src/x.ts', "import '../../web/src/app';\n", 'no-restricted-imports'],
  ['server/src/x.ts', 'console.log(1);\n', 'no-console'],
  ['server/src/x.ts', 'const idle = 1;\n', 'no-unused-vars'],
  [
    'web/src/x.tsx',
    `import { useState } from 'react';
export function Early({ gone }: { readonly gone: boolean }) {
  if (gone) return null;
  return useState('')[0];
}
`,
    'rules-of-hooks',
  ],
];
const ALLOWED: readonly (readonly [file: string, code: string])[] = [
  ['web/src/x.ts', "import '@jeitinho/core';\n"],
  ['server/src/x.ts', "import 'node:fs';\nimport '@jeitinho/core/job';\n"],
  ['core/src/job/log/x.ts', "import '../../judge/judge';\n"],
];

const TYPED = `export const later = async () => 1;
export function both(kind: 'dead' | 'live') {
  later();
  switch (kind) {
    case 'dead':
      return 0;
  }
}
`;

interface Finding {
  readonly code?: string;
  readonly filename: string;
}

/** The rules broken in each file, by its name. */
function lint(files: readonly (readonly [file: string, code: string])[]): Map<string, string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'lint.'));
  writeFileSync(join(folder, 'tsconfig.json'), '{ "compilerOptions": { "strict": true } }');
  writeFileSync(
    join(folder, 'oxlint.config.js'),
    `export { default } from ${JSON.stringify(join(ROOT, 'oxlint.config.js'))};\n`,
  );
  for (const [file, code] of files) {
    mkdirSync(dirname(join(folder, file)), { recursive: true });
    writeFileSync(join(folder, file), code);
  }
  const bin = join(ROOT, 'node_modules/.bin');
  const { stdout, stderr } = spawnSync(
    join(bin, 'oxlint'),
    ['-c', 'oxlint.config.js', '-f', 'json'],
    // It looks for its checker beside what it lints, and on the path.
    { cwd: folder, encoding: 'utf8', env: { ...process.env, PATH: `${bin}:${process.env.PATH}` } },
  );
  rmSync(folder, { recursive: true });
  if (!stdout.startsWith('{')) throw new Error(stdout + stderr);
  const found = new Map(files.map(([file]) => [file, [] as string[]]));
  const { diagnostics } = JSON.parse(stdout) as { diagnostics: Finding[] };
  for (const { code, filename } of diagnostics) found.get(filename)?.push(code ?? '');
  return found;
}

/** The same file may say several things: each in one of its own. */
const apart = <T extends readonly [string, string, ...string[]]>(cases: readonly T[]) =>
  cases.map(([file, ...rest], i) => [file.replace('x.ts', `x${i}.ts`), ...rest] as const);

describe('lint', () => {
  const refused = apart(REFUSED);
  const allowed = apart(ALLOWED);
  let told: Map<string, string[]>;
  beforeAll(() => {
    told = lint([
      ...refused.map(([file, code]) => [file, code!] as const),
      ...allowed.map(([file, code]) => [file.replace('/x', '/allowed'), code!] as const),
      ['typed.ts', TYPED],
    ]);
  });

  test.each(refused)('%s may not say %j', (file, _code, rule) => {
    expect(told.get(file)!.join()).toContain(rule);
  });

  test('the allowed ones are let through', () => {
    for (const [file] of allowed) expect(told.get(file.replace('/x', '/allowed'))).toEqual([]);
  });

  test('it finds a promise nobody waits for and a case nobody wrote', () => {
    const typed = told.get('typed.ts')!.join();
    expect(typed).toContain('no-floating-promises');
    expect(typed).toContain('switch-exhaustiveness-check');
  });
});
