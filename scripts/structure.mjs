// What the structure promises, told as JSON: circles, and names that nobody uses. In a process of its own,
// since what looks for circles is a module that Jest does not load.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { circlesIn } from './circles.mjs';

const root = join(import.meta.dirname, '..');
process.chdir(root);

const ENTRIES = [
  'index',
  ...['judge', 'job', 'bench', 'sheet', 'diagnose'].map((room) => `surface/${room}`),
];

function surface() {
  const outside = execFileSync(
    'git',
    ['ls-files', '--cached', '--others', '--exclude-standard', '*.ts', '*.tsx'],
    {
      encoding: 'utf8',
    },
  )
    .split('\n')
    .filter((file) => file !== '' && !file.startsWith('core/src/'));
  const used = new Set();
  const IMPORT =
    /(?:import|export)\s+(?:type\s+)?\{([^}]*)\}\s+from\s+'(?:@jeitinho\/core(?:\/\w+)?|[./]+(?:core\/)?src\/(?:index|surface\/\w+))'/g;
  for (const file of outside) {
    let text;
    try {
      text = readFileSync(file, 'utf8');
    } catch {
      continue;
    }
    for (const [, names] of text.matchAll(IMPORT))
      for (const name of names.split(','))
        used.add(
          name
            .trim()
            .replace(/^type\s+/, '')
            .split(' as ')[0]
            .trim(),
        );
  }
  const texts = ENTRIES.map((entry) => readFileSync(`core/src/${entry}.ts`, 'utf8'));
  const exported = texts.flatMap((text) =>
    [...text.matchAll(/export\s+(?:type\s+)?\{([^}]*)\}/g)].flatMap(([, names]) =>
      names
        .split(',')
        .map((name) =>
          name
            .trim()
            .replace(/^type\s+/, '')
            .split(' as ')
            .at(-1)
            .trim(),
        )
        .filter(Boolean),
    ),
  );
  return {
    exported: exported.length,
    unused: exported.filter((name) => !used.has(name)),
    stars: texts.filter((text) => /export \*/.test(text)).length,
  };
}

process.stdout.write(
  JSON.stringify({
    circles: circlesIn(['core/src', 'demo/src', 'server/src', 'web/src']),
    surface: surface(),
  }),
);
