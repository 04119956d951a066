/** A repair is proven by what was bad read again, by the sheet's own proof, and by looking often enough. */
import {
  busAt,
  logWriter,
  measured,
  onBattery,
  smallMeter,
  smallSheet,
  volts,
} from '../../../test/small-sheet';
import { buildReport } from '../../report/report';
import { assess } from '../../diagnose/assess';
import type { Sheet } from '../../sheet/schema';
import { refusalOf } from '../admission/refusal-of';
import { owedAtSigning } from '../endings/owed-at-signing';
import { foldJob } from '../fold/fold';
import type { BodyOf, EntryKind } from '../kinds/index';
import { progressOf } from '../trail/trail';
import { summarise } from '../trail/summary';
import { mendedOf } from './mended';

const sheet: Sheet = {
  ...smallSheet,
  procedures: [
    {
      id: 'prove-board',
      kind: 'prove',
      for: 'board',
      title: 'Prove the board',
      steps: [
        { do: 'Force a cycle.' },
        {
          watch: {
            what: 'rail',
            red: 'b.CN1.1',
            expect: { kind: 'holds', low: 4.8, high: 5.2, unit: 'V', seconds: 60 },
          },
        },
      ],
    },
    { id: 'prove-power', kind: 'prove', for: 'power', steps: [{ do: 'Listen.' }] },
  ],
};
type Log = ReturnType<typeof logWriter>;
const fold = (log: Log, of: Sheet = sheet) => foldJob(of, log.entries);
const mended = (log: Log, of: Sheet = sheet) => mendedOf(of, fold(log, of))!;
const refused = <K extends EntryKind>(log: Log, kind: K, body: BodyOf<K>) =>
  refusalOf(sheet, fold(log), log.make(kind, body))?.code;

/** The rail read 3 V; the board is changed, and the rail reads 5 V again. */
function changed(before: (log: Log) => void = () => undefined): Log {
  const log = logWriter();
  log.add('opened', { complaint: 'dead', meter: smallMeter });
  log.add('energised', { precautions: true });
  log.add('reading', measured('rail', '12', 3));
  before(log);
  log.add('safed', { step: 'isolated' });
  log.add('safed', onBattery);
  log.wait(5);
  log.add('safed', busAt(volts(3)));
  log.add('safed', onBattery);
  log.add('work', { what: 'fitted', part: 'board', note: '' });
  log.add('energised', { precautions: true });
  log.add('reading', measured('rail', '12', 5.02));
  return log;
}
const watch = (values: readonly number[], every: number) => ({
  procedure: 'prove-board',
  step: 1,
  samples: values.map((value, i) => ({ t: i * every, value })),
  note: '',
});
const tick = { procedure: 'prove-board', what: 'step', at: 0 } as const;

test('what reads good again is not proven until the sheet’s own proof for that part is done', () => {
  const log = changed();
  expect(mended(log)).toMatchObject({
    proven: false,
    bad: false,
    proof: { proven: true },
    owed: ['Prove the board: Force a cycle.', 'Prove the board: watch rail'],
  });
  expect(progressOf(sheet, fold(log)).find(({ stage }) => stage === 'prove')!.owed).toBe(1);
  log.add('ticked', tick);
  log.add('watched', watch([5, 5.01], 10));
  // An interruption: ten of sixty seconds.
  expect(mended(log).owed).toEqual(['Prove the board: watch rail, not long enough so far']);
  log.add('watched', watch([5, 5.01, 4.99, 5], 25));
  expect(mended(log)).toMatchObject({ proven: true, owed: [] });
  expect(summarise(sheet, fold(log)).proven).toBe(true);
  log.add('ticked', { ...tick, off: true });
  expect(mended(log).proven).toBe(false);
});

test('a proof that fails says so, and new work wants it all again', () => {
  const log = changed();
  log.add('ticked', tick);
  log.add('watched', watch([5, 4.1, 3.2, 3], 25));
  expect(mended(log)).toMatchObject({ proven: false, bad: true });
  // It reopens the diagnosis: what still is wrong is believed anew.
  const whole = () => assess(sheet, fold(log)).sound.p;
  const failed = whole();
  log.add('watched', { procedure: 'prove-board', step: 1, seen: true, note: '' });
  expect(whole()).toBeGreaterThan(failed + 0.3);
  expect(mended(log)).toMatchObject({ proven: true, bad: false });
  log.add('work', { what: 'reseated', part: 'board', note: 'plug' });
  expect(mended(log).steps.map(({ is }) => is)).toEqual(['owed', 'owed']);
});

test('a current that rises with its driver is judged with it', () => {
  const flame: Sheet = {
    ...sheet,
    procedures: [
      {
        id: 'flame',
        kind: 'prove',
        steps: [{ watch: { expect: { kind: 'follows', driver: 'burner rate', unit: 'A' } } }],
      },
    ],
  };
  const seen = (values: readonly number[]) => {
    const log = changed();
    log.add('watched', {
      procedure: 'flame',
      step: 0,
      samples: values.map((value, i) => ({ t: i, value, driver: 20 + 40 * i })),
      note: '',
    });
    return mended(log, flame);
  };
  expect(seen([2.1e-6, 3.4e-6, 4.9e-6])).toMatchObject({ proven: true, bad: false });
  expect(seen([4.9e-6, 3.4e-6, 2.1e-6])).toMatchObject({ proven: false, bad: true });
});

test('a trial part that came out again owes neither its proof nor its questions', () => {
  const log = changed();
  log.add('safed', { step: 'isolated' });
  log.add('work', { what: 'put-back', part: 'board', note: '' });
  expect(mended(log).steps).toEqual([]);
  expect(owedAtSigning(sheet, fold(log)).join()).not.toContain('Control board');
});

test('what is no step, watches nothing, or runs backwards in time is refused', () => {
  const log = changed();
  expect(refused(log, 'ticked', { ...tick, at: 7 })).toBe('unknown-step');
  expect(refused(log, 'ticked', { ...tick, what: 'wire' })).toBe('unknown-step');
  expect(refused(log, 'watched', { procedure: 'prove-board', step: 0, seen: true, note: '' })).toBe(
    'unknown-step',
  );
  expect(refused(log, 'watched', { procedure: 'prove-board', step: 1, note: '' })).toBe(
    'work-unsaid',
  );
  const back = {
    ...watch([5, 5], 1),
    samples: [
      { t: 5, value: 5 },
      { t: 4, value: 5 },
    ],
  };
  expect(refused(log, 'watched', back)).toBe('not-in-order');
});

describe('what comes and goes', () => {
  const wavering = (log: Log) => {
    log.add('looked', { seen: true });
    log.add('looked', { seen: false });
    log.add('looked', { seen: false });
  };
  const plain = smallSheet;

  test('seen once in three: at rest in three of five by the rule of succession, so six looks', () => {
    const log = changed(wavering);
    expect(mended(log, plain).looks).toEqual({ wanted: 6, had: 0, rest: 0.6 });
    expect(mended(log, plain).proven).toBe(false);
  });
  test('looks that follow each other at once are one; apart in time they count, and six prove it', () => {
    const log = changed(wavering);
    log.add('looked', { seen: false });
    log.add('looked', { seen: false });
    expect(mended(log, plain).looks!.had).toBe(1);
    for (let i = 0; i < 5; i += 1) {
      log.wait(12);
      log.add('looked', { seen: false });
    }
    expect(mended(log, plain)).toMatchObject({ proven: true, looks: { had: 6 } });
    log.add('looked', { seen: true });
    expect(mended(log, plain)).toMatchObject({ proven: false, bad: true });
    // Seen once more, it is looked for from the start.
    log.wait(12);
    log.add('looked', { seen: false });
    expect(mended(log, plain)).toMatchObject({ proven: false, looks: { had: 1 } });
  });
  test('a complaint that was always there is gone with one look', () => {
    expect(
      mended(
        changed((log) => log.add('looked', { seen: true })),
        plain,
      ).looks,
    ).toBeUndefined();
  });
});

test('signed with something owed only with a reason, and the report keeps both', () => {
  const log = changed();
  log.add('decided', {
    endings: [{ kind: 'replace', part: 'board' }],
    leading: 'board',
    probability: 0.9,
    reason: '',
  });
  const left = { energy: 'live', note: '', open: [] } as const;
  const sign = { technician: 'Ana', customer: '', note: '', left: { ...left, open: [] } };
  expect(owedAtSigning(sheet, fold(log))[0]).toBe('Decided, and not done: Replace: Control board');
  expect(refused(log, 'signed', sign)).toBe('owed-unsaid');
  expect(refused(log, 'signed', { ...sign, owed: '  ' })).toBe('owed-unsaid');
  log.add('signed', { ...sign, owed: 'The customer has to close.' });
  const state = fold(log);
  expect(buildReport(sheet, state, assess(sheet, state)).signed).toMatchObject({
    owed: 'The customer has to close.',
  });
});
