/** The log tells what happened, not what people wrote, and its disk may be full. */
import { mkdtempSync, readFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DatabaseError } from 'sequelize';
import { openLog, plainError } from './log-file';

const SECRET = 'the neighbour’s dog';

test('an error of the database is told by its number, without its statement', () => {
  const original = Object.assign(new Error(`Duplicate entry '${SECRET}'`), {
    code: 'ER_DUP_ENTRY',
    errno: 1062,
    sql: `INSERT INTO entries VALUES ('${SECRET}')`,
  });
  const told = plainError(new DatabaseError(original as never));
  expect(told).toMatchObject({ code: 'ER_DUP_ENTRY', errno: 1062 });
  expect(told.stack.length).toBeGreaterThan(0);
  expect(JSON.stringify([told, plainError(original)])).not.toContain('neighbour');
});

test('a plain error keeps its message, cut short', () => {
  expect(plainError(new TypeError('x is not a function')).message).toBe('x is not a function');
  expect(plainError(new Error('y'.repeat(5000))).message.length).toBeLessThan(400);
  expect(plainError('thrown')).toMatchObject({ name: 'string' });
});

test('lines go to a file that only its owner reads', async () => {
  const path = join(mkdtempSync(join(tmpdir(), 'jeitinho-log.')), 'server.log');
  const { log, close } = openLog(path);
  log.info({ port: 1 }, 'ready');
  await new Promise((resolve) => setTimeout(resolve, 100));
  close();
  expect(readFileSync(path, 'utf8')).toContain('"msg":"ready"');
  expect((statSync(path).mode & 0o777).toString(8)).toBe('600');
});

test('a disk that is full costs lines, nothing else', async () => {
  const { log, close } = openLog('/dev/full');
  for (let i = 0; i < 500; i += 1) log.info({ i, text: 'x'.repeat(200) }, 'request');
  await new Promise((resolve) => setTimeout(resolve, 300));
  for (let i = 0; i < 500; i += 1) log.info({ i }, 'request');
  expect(() => close()).not.toThrow();
  await new Promise((resolve) => setTimeout(resolve, 100));
});

test('a full file becomes an old one, and five old ones stay', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'jeitinho-log.'));
  const path = join(folder, 'server.log');
  const { log, close } = openLog(path, 'info', 200);
  for (let turn = 0; turn < 8; turn += 1) {
    for (let i = 0; i < 4; i += 1) log.info({ turn }, 'x'.repeat(60));
    await new Promise((resolve) => setTimeout(resolve, 400));
  }
  close();
  const { readdirSync } = await import('node:fs');
  expect(readdirSync(folder).sort()).toEqual(
    ['server.log', ...[1, 2, 3, 4, 5].map((n) => `server.log.${n}`)].sort(),
  );
  expect(statSync(`${path}.1`).mode & 0o777).toBe(0o600);
  // The newest of the old ones has the newest lines.
  expect(readFileSync(`${path}.1`, 'utf8')).toContain('"turn":7');
});
