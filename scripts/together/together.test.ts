import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { filesIn } from './together.cjs';

const ROOT = join(__dirname, '../..');

test.each(['core', 'server', 'web'])(
  'no test file of %s is forgotten where they are told together',
  (project) => {
    const { TOGETHER: _, ...env } = process.env;
    const { stdout } = spawnSync(
      join(ROOT, 'node_modules/.bin/jest'),
      ['--selectProjects', project, '--listTests'],
      { cwd: ROOT, encoding: 'utf8', env },
    );
    const listed = stdout.split('\n').filter((line) => line.startsWith('/'));
    expect(listed.length).toBeGreaterThan(20);
    expect(filesIn(join(ROOT, project))).toEqual(listed.sort());
  },
);
