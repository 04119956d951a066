/** After a part is fitted: what counts as proof that it mended anything. */
import {
  busAt,
  logWriter,
  measured,
  onBattery,
  provenDead,
  smallMeter,
  smallSheet,
} from '../../../test/small-sheet';
import { buildReport } from '../../report/report';
import { refusalOf } from '../admission/refusal-of';
import { assess } from '../../diagnose/assess';
import { foldJob } from '../fold/fold';
import { isBad } from './is-bad';
import { proofOf } from './proof';

type Log = ReturnType<typeof logWriter>;
const fold = (log: Log) => foldJob(smallSheet, log.entries);
const proof = (log: Log) => proofOf(fold(log))!;
const report = (log: Log) => buildReport(smallSheet, fold(log), assess(smallSheet, fold(log)));

/** Made safe, a part changed, and switched on again. */
function changePart(log: Log, part: string) {
  log.add('safed', { step: 'isolated' });
  log.add('safed', onBattery);
  log.wait(5);
  log.add('safed', busAt({ kind: 'value', value: 3 }));
  log.add('safed', onBattery);
  log.add('fitted', { part, note: '' });
  log.add('energised', { precautions: true });
}

/** The 5 V rail reads 3 V; then the machine is made safe and the board is changed. */
function changed(
  before: (log: Log) => void = (log) => log.add('reading', measured('rail', '12', 3)),
) {
  const log = logWriter();
  log.add('opened', { complaint: '', meter: smallMeter });
  log.add('energised', { precautions: true });
  before(log);
  changePart(log, 'board');
  return log;
}

test('nothing fitted, nothing to prove', () => {
  expect(proofOf(fold(provenDead()))).toBeUndefined();
});

test('what was bad is owed until it is measured again and good', () => {
  const log = changed();
  expect(proof(log)).toMatchObject({ proven: false, good: [], bad: [] });
  expect(proof(log).owed.map(({ observable }) => observable)).toEqual(['rail']);
  expect(report(log).notProven.join(' ')).toContain('not measured again: 5 V rail');

  log.add('reading', measured('rail', '12', 5.02));
  expect(proof(log)).toMatchObject({ proven: true, owed: [], bad: [] });
  expect(report(log).repair).toContain('Everything that was bad before is good now.');
});

test('bad again is told, and the repair is not proven', () => {
  const log = changed();
  log.add('reading', measured('rail', '12', 3.1));
  expect(proof(log)).toMatchObject({ proven: false, good: [], owed: [] });
  expect(proof(log).bad).toHaveLength(1);
  log.add('reading', measured('rail', '12', 5));
  expect(proof(log).proven).toBe(true);
});

test('a void reading afterwards proves nothing', () => {
  const log = changed();
  const { id } = log.add('reading', measured('rail', '12', 5));
  log.add('voided', { entry: id, reason: 'probe slipped' });
  expect(proof(log)).toMatchObject({ proven: false, good: [] });
  expect(proof(log).owed.map(({ observable }) => observable)).toEqual(['rail']);
});

test('a void or withdrawn reading before owes nothing, and a machine without a finding proves nothing', () => {
  for (const kind of ['voided', 'withdrawn'] as const) {
    const log = changed((own) => {
      const { id } = own.add('reading', measured('rail', '12', 3));
      own.add(kind, { entry: id, reason: 'probe slipped' });
    });
    expect(proof(log)).toMatchObject({ owed: [], proven: false });
    log.add('reading', measured('rail', '12', 5));
    expect(proof(log)).toMatchObject({ owed: [], good: [], proven: false });
  }
});

test('overruled as good accuses no more, condemned as bad does', () => {
  const accepted = changed((log) => {
    const { id } = log.add('reading', measured('rail', '12', 3));
    log.add('overruled', { entry: id, as: 'good', reason: 'meter on its last cell' });
  });
  expect(proof(accepted).owed).toEqual([]);
  const condemned = changed((log) => {
    const { id } = log.add('reading', measured('rail', '12', 5));
    log.add('overruled', { entry: id, as: 'bad', reason: 'it dips when the fan starts' });
  });
  expect(proof(condemned).owed).toHaveLength(1);
  expect(proof(condemned).owed.every(isBad)).toBe(true);
});

test('an answer overruled as good is no more owed than a reading is, and voids nothing it feeds', () => {
  const before = provenDead();
  const { id } = before.add('answer', { test: 'looks', answer: 'burnt' });
  before.add('overruled', { entry: id, as: 'good', reason: 'soot from the burner, wiped off' });
  changePart(before, 'board');
  expect(proof(before).owed).toEqual([]);
});

test('only the last part counts: what the first one mended is asked for again', () => {
  const log = changed();
  log.add('reading', measured('rail', '12', 3.2));
  changePart(log, 'power');
  expect(proof(log).owed).toHaveLength(1);
  expect(proof(log).work.body.part).toBe('power');
});

test('parts are fitted on a machine that is proven dead, and only parts of the sheet', () => {
  const log = changed();
  const live = log.make('fitted', { part: 'power', note: '' });
  expect(refusalOf(smallSheet, fold(log), live)?.code).toBe('dead-not-proven');
  const dead = provenDead();
  expect(
    refusalOf(smallSheet, fold(dead), dead.make('fitted', { part: 'power', note: '' })),
  ).toBeUndefined();
  expect(
    refusalOf(smallSheet, fold(dead), dead.make('fitted', { part: 'engine', note: '' }))?.code,
  ).toBe('unknown-part');
});
