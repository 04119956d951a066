/** How a machine is left is said before the names: its energy, and everything that is not back. */
import { logWriter, provenDead, smallSheet, type LogWriter } from '../../test/small-sheet';
import { buildReport } from '../report/report';
import { leftOpen } from './state/access';
import { refusalOf } from './admission/refusal-of';
import { assess } from '../diagnose/assess';
import type { BodyOf } from './kinds/index';
import { foldJob } from './fold/fold';

const fold = (log: LogWriter) => foldJob(smallSheet, log.entries);
const decide = (log: LogWriter) =>
  log.add('decision', {
    action: 'hand-over',
    part: null,
    leading: null,
    probability: 0,
    reason: 'x',
  });
const sign = (left?: BodyOf<'signed'>['left']): BodyOf<'signed'> => ({
  technician: 'Ana',
  customer: '',
  note: '',
  ...(left && { left }),
});
const code = (log: LogWriter, left?: BodyOf<'signed'>['left']) =>
  refusalOf(smallSheet, fold(log), log.make('signed', sign(left)));
const dead = (open: { access: string; reason: string }[] = []) =>
  ({ energy: 'dead', note: '', open }) as const;

test('a job is not signed live, with a cover off and a plug out, without a word', () => {
  const log = provenDead();
  log.add('access', { access: 'lid' });
  log.add('access', { access: 'plug' });
  log.add('energised', { precautions: true });
  decide(log);
  expect(code(log)).toMatchObject({ code: 'left-unsaid' });
  expect(code(log, { energy: 'live', note: '', open: [] })).toMatchObject({
    code: 'left-unsaid',
    message: 'Still open or out: plug, lid. Put it back and tick it, or write why it stays so.',
  });
  const half = [{ access: 'plug', reason: 'motor waits for its part' }];
  expect(code(log, { energy: 'live', note: '', open: half })?.message).toMatch(/: lid\./);
  expect(
    code(log, { energy: 'live', note: '', open: [...half, { access: 'lid', reason: '  ' }] })?.code,
  ).toBe('left-unsaid');
});

test('what was put back needs no reason; the deepest comes first', () => {
  const log = provenDead();
  log.add('access', { access: 'lid' });
  log.add('access', { access: 'plug' });
  expect(leftOpen(smallSheet, fold(log)).map(({ id }) => id)).toEqual(['plug', 'lid']);
  log.add('access', { access: 'plug', back: true });
  log.add('access', { access: 'lid', back: true });
  decide(log);
  expect(code(log, dead())).toBeUndefined();
});

test('the energy is said as it is at signing', () => {
  const log = provenDead();
  decide(log);
  expect(code(log, { energy: 'live', note: '', open: [] })).toMatchObject({
    code: 'left-unsaid',
    message: expect.stringContaining('no longer as it was said') as string,
  });
  expect(code(log, dead())).toBeUndefined();
});

test('the report prints it: energy, what was put back, what stays open and why', () => {
  const log = provenDead();
  log.add('access', { access: 'lid' });
  log.add('access', { access: 'plug' });
  log.add('access', { access: 'plug', back: true });
  decide(log);
  log.add('signed', sign(dead([{ access: 'lid', reason: 'Part comes tomorrow.' }])));
  const state = fold(log);
  expect(buildReport(smallSheet, state, assess(smallSheet, state)).left).toEqual([
    'Isolated, and proven DEAD.',
    'Put back: plug.',
    'Left open or out: lid. Part comes tomorrow.',
  ]);
});

test('nothing opened, never isolated: it is left live, and says so', () => {
  const log = logWriter();
  log.add('opened', { complaint: '', meter: null });
  const state = fold(log);
  expect(buildReport(smallSheet, state, assess(smallSheet, state)).left).toEqual([
    'Supply on: the machine is LIVE.',
  ]);
});
