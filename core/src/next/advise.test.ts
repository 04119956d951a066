/** What is advised on the small machine, step by step, with what it takes. */
import { measured, provenDead, smallSheet, type LogWriter } from '../../test/small-sheet';
import { foldJob } from '../job/fold/fold';
import { findTest } from '../sheet/lookup';
import type { Sheet } from '../sheet/schema';
import type { Advice } from './advice';
import { advise } from './advise';
import { effortOf, standingOf } from '../job/trail/effort';

const NOW = Date.parse('2026-03-02T12:00:00.000Z');
const sheet: Sheet = {
  ...smallSheet,
  parts: [
    { id: 'board', name: 'Control board', price: 400, minutes: 30 },
    { id: 'power', name: 'Power board', price: 300, minutes: 30 },
  ],
};
const advised = ({ entries }: LogWriter, of: Sheet = sheet) =>
  advise(of, foldJob(of, entries), NOW);
const ids = ({ before, test }: Advice) => [...before, test].map(({ id }) => id);
const of = (log: LogWriter, id: string) =>
  advised(log).tests.find(({ test }) => test.id === id) as Advice;

test('a test behind an untaken feeder stands with it at one price, and begins with the feeder', () => {
  const log = provenDead(undefined, 2);
  const out = of(log, 'out');
  expect(ids(out)).toEqual(['rail', 'out']);
  expect(out.step).toMatchObject({ observable: 'rail' });
  // Energising 2 min once, into standby 1, the rail 1, the output 1.
  expect(out.effort).toEqual({ minutes: 5, risk: 0, also: ['energise it', 'enter “standby”'] });
  log.add('energised', { precautions: true });
  expect(of(log, 'out').effort.minutes).toBe(2);
  log.add('reading', measured('rail', '12', 5));
  expect(ids(of(log, 'out'))).toEqual(['out']);
});

test('what a test takes: opening, pulling on a dead machine, proving dead with its wait', () => {
  const dead = standingOf(sheet, foldJob(sheet, provenDead(undefined, 2).entries), NOW);
  const diode = findTest(sheet, 'diode')!;
  const { effort, to } = effortOf(sheet, dead, diode);
  expect(effort).toEqual({ minutes: 2 + 2 + 1, risk: 0, also: ['lid', 'plug'] });
  // Once it is open it costs its own minutes.
  expect(effortOf(sheet, to, diode).effort.minutes).toBe(2);
  const live = { energy: 'live', state: 'standby', out: new Set<string>() } as const;
  // Isolating 3, one pair ½, its wait 5, the lid 2, the plug 1, the test 2.
  expect(effortOf(sheet, live, diode).effort).toMatchObject({
    minutes: 13.5,
    also: ['switch off and prove it dead', 'lid', 'plug'],
  });
  // Isolated and not proven yet, the pairs are still owed; live work wants it energised all the same.
  const isolated = { energy: 'not-proven', state: null, out: new Set<string>() } as const;
  expect(effortOf(sheet, isolated, diode).effort).toMatchObject({
    minutes: 10.5,
    also: ['prove it dead', 'lid', 'plug'],
  });
  expect(effortOf(sheet, isolated, findTest(sheet, 'rail')!).effort.also).toEqual([
    'energise it',
    'enter “standby”',
  ]);
  // In the hand nothing of the machine is touched.
  const inHand = effortOf(sheet, live, { ...diode, offMachine: true });
  expect(inHand).toEqual({ effort: { minutes: 2, risk: 0, also: [] }, to: live });
});

test('on a dead machine the eye comes first, and it tells the shorted transistor from the rest', () => {
  const [first] = advised(provenDead(undefined, 2)).tests;
  expect(ids(first!)).toEqual(['looks']);
  expect(first!.net).toBeGreaterThan(0);
  expect(first!.tells.map(({ id }) => id)).toEqual(['shorted', 'supply']);
});

test('what would energise a short is not advised, nor what a bad feeder feeds', () => {
  const short = provenDead(undefined, 2);
  short.add('access', { access: 'lid' });
  short.add('access', { access: 'plug' });
  for (let i = 0; i < 2; i += 1) short.add('reading', measured('diode', 'U', 0.02, 'diode'));
  expect(advised(short).tests.map(({ test }) => test.id)).not.toContain('out');
  const fed = provenDead(undefined, 2);
  fed.add('energised', { precautions: true });
  for (let i = 0; i < 2; i += 1)
    fed.add('reading', { ...measured('rail', '12', 0.1), contact: true });
  expect(advised(fed).tests.map(({ test }) => test.id)).not.toContain('out');
  const asked: Sheet = {
    ...sheet,
    tests: sheet.tests.map((each) =>
      each.id === 'out' ? { ...each, onlyIf: { looks: 'burnt' } } : each,
    ),
  };
  expect(advised(provenDead(undefined, 2), asked).tests.map(({ test }) => test.id)).not.toContain(
    'out',
  );
});

test('once one part is to blame beyond doubt, measuring more is not worth it', () => {
  const log = provenDead(undefined, 2);
  expect(advised(log).stop).toBe(false);
  log.add('answer', { test: 'looks', answer: 'burnt' });
  log.add('answer', { test: 'looks', answer: 'burnt' });
  log.add('access', { access: 'lid' });
  log.add('access', { access: 'plug' });
  for (let i = 0; i < 2; i += 1) log.add('reading', measured('diode', 'U', 0.02, 'diode'));
  log.add('reading', measured('diode', 'V', 0.45, 'diode'));
  const after = advised(log);
  expect(after.stop).toBe(true);
  expect(after.tests.every(({ net }) => net <= 0)).toBe(true);
});

test('a feeder that was skipped on purpose holds nothing back', () => {
  const log = provenDead(undefined, 2);
  log.add('skipped', { test: 'rail', reason: 'dark' });
  const out = of(log, 'out');
  expect(ids(out)).toEqual(['out']);
  expect(out.step.observable).toBe('out');
});

test('nothing taken twice, and nothing at all once everything is', () => {
  const log = provenDead(undefined, 2);
  log.add('answer', { test: 'looks', answer: 'clean' });
  expect(advised(log).tests.map(({ test }) => test.id)).not.toContain('looks');
  for (const test of ['diode', 'rail', 'out']) log.add('skipped', { test, reason: 'dark' });
  log.add('skipped', { test: 'diode', point: 'U', reason: 'dark' });
  log.add('skipped', { test: 'diode', point: 'V', reason: 'dark' });
  expect(advised(log)).toEqual({ tests: [], putOff: [], stop: true });
});
