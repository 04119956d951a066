/** How a sceptical technician reasons, as small stories on the small machine: what each finding may do, and may not. */
import { measured, provenDead, smallSheet, type LogWriter } from '../../test/small-sheet';
import { foldJob } from '../job/fold/fold';
import type { HistoryRow } from '../job/history/history';
import { advise } from '../next/advise';
import type { Sheet } from '../sheet/schema';
import { assess, type Assessment } from './assess';
import { headlineOf } from './headline';

const NOW = Date.parse('2026-03-02T12:00:00.000Z');
const told = (log: LogWriter, sheet: Sheet = smallSheet): Assessment =>
  assess(sheet, foldJob(sheet, log.entries));
const share = ({ suspects }: Assessment, id: string) =>
  suspects.find(({ fault }) => fault.id === id)!.p;
const leads = ({ suspects }: Assessment) => suspects[0]!.fault.id;

function live(): LogWriter {
  const log = provenDead(undefined, 2);
  log.add('energised', { precautions: true });
  return log;
}
/** An absence counts only with proven contact, twice. */
function absent(log: LogWriter, test: string, volts: number): void {
  for (let i = 0; i < 2; i += 1)
    log.add('reading', { ...measured(test, '12', volts), contact: true });
}

test('a code raises some suspects, and never proves one', () => {
  const before = told(live());
  const log = live();
  log.add('code', { shown: 'E1' });
  const after = told(log);
  expect(share(after, 'supply')).toBeGreaterThan(share(before, 'supply'));
  expect([...after.accused]).toEqual([]);
  expect(headlineOf(after).kind).toBe('nothing-yet');
});

test('a missing output accuses the board only once its inputs are known to be right', () => {
  const log = live();
  absent(log, 'out', 0);
  // Nobody knows yet whether it had its 5 V.
  expect([...told(log).accused]).toEqual([]);
  log.add('reading', measured('rail', '12', 5));
  const after = told(log);
  expect(after.accused.has('driver')).toBe(true);
  expect(leads(after)).toBe('driver');
});

test('an input that is wrong clears what hangs on it, for now: it says nothing, and is not asked for', () => {
  const log = live();
  absent(log, 'rail', 0.1);
  absent(log, 'out', 0);
  const after = told(log);
  expect(leads(after)).toBe('supply');
  expect(after.accused.has('driver')).toBe(false);
  expect(after.notProven.some(({ kind }) => kind === 'void')).toBe(true);
  const { tests } = advise(smallSheet, foldJob(smallSheet, log.entries), NOW);
  expect(tests.map(({ test }) => test.id)).not.toContain('out');
});

test('finding one of a chain raises the other: a shorted transistor brings its driver', () => {
  const log = provenDead(undefined, 2);
  const before = share(told(log), 'driver');
  log.add('access', { access: 'lid' });
  log.add('access', { access: 'plug' });
  for (let i = 0; i < 2; i += 1) log.add('reading', measured('diode', 'U', 0.02, 'diode'));
  const after = told(log);
  expect(leads(after)).toBe('shorted');
  expect(share(after, 'driver')).toBeGreaterThan(1.3 * before);
  // And nothing that would feed the short is advised before it is gone.
  const { tests } = advise(smallSheet, foldJob(smallSheet, log.entries), NOW);
  expect(tests.every(({ test }) => test.state === 'dead')).toBe(true);
});

test('the first entry of a history speaks; what followed from it does not', () => {
  const row = (at: string, shown: string): HistoryRow => ({
    line: 1,
    at: `2026-03-01T${at}`,
    shown,
  });
  const sheet: Sheet = {
    ...smallSheet,
    codes: {
      schemes: [],
      list: [
        { code: 'E1', title: 'No output', suspects: { supply: 0.8 }, other: 0.05 },
        { code: 'E2', title: 'Stopped', suspects: { shorted: 0.9 }, other: 0.05 },
      ],
    },
  };
  const log = live();
  log.add('history', {
    source: 'display',
    raw: 'E1\nE2',
    rows: [row('03:00:00', 'E1'), row('03:00:40', 'E2')],
  });
  const after = told(log, sheet);
  expect(after.evidence).toHaveLength(1);
  expect(leads(after)).toBe('supply');
});

test('working now is not mended: looking again at what was good moves next to nothing', () => {
  const log = live();
  log.add('reading', measured('rail', '12', 5));
  const once = told(log);
  for (let i = 0; i < 4; i += 1) log.add('reading', measured('rail', '12', 5));
  const again = told(log);
  expect(Math.abs(share(again, 'driver') - share(once, 'driver'))).toBeLessThan(0.02);
  expect(again.evidence).toHaveLength(1);
});

test('good and bad at one place with no work between: it comes and goes, and good once is not mended', () => {
  const log = live();
  absent(log, 'rail', 0.1);
  log.add('reading', measured('rail', '12', 5));
  log.add('contradiction', { entry: log.entries.at(-1)!.id, as: 'comes-and-goes' });
  const after = told(log);
  expect(after.comesAndGoes.map(({ id }) => id)).toEqual(['rail']);
  expect(after.notProven.some(({ kind }) => kind === 'comes-and-goes')).toBe(true);
  expect(leads(after)).toBe('supply');
});

test('nothing found bad is no board condemned: who leads then leads by elimination only', () => {
  const log = live();
  log.add('reading', measured('rail', '12', 5));
  log.add('reading', measured('out', '12', 12));
  const after = told(log);
  expect([...after.accused]).toEqual([]);
  expect(['nothing-bad', 'unexplained']).toContain(headlineOf(after).kind);
});

test('good so far is not good: what was not taken stands beside every conclusion', () => {
  const log = live();
  log.add('reading', measured('rail', '12', 5));
  const after = told(log);
  const untaken = after.notProven.find(({ kind }) => kind === 'untaken');
  expect(untaken?.kind === 'untaken' && untaken.tests.map(({ id }) => id)).toEqual(
    expect.arrayContaining(['diode', 'looks']),
  );
});
