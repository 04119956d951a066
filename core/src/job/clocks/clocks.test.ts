/** Clocks, test modes, attempts, the device's clock; access, licences and the second person. */
import {
  busAt,
  logWriter,
  measured,
  onBattery,
  provenDead,
  smallMeter,
  smallSheet,
  volts,
} from '../../../test/small-sheet';
import { wideSheet } from '../../../test/wide-sheet';
import type { Sheet } from '../../sheet/schema';
import { latestOf } from '../../conditions/energy';
import { refusalOf } from '../admission/refusal-of';
import { clocksOf } from './clocks';
import type { EntryKind, BodyOf } from '../kinds/index';
import { foldJob } from '../fold/fold';
import { beatAt, purgeUntil } from '../state/windows';

type Log = ReturnType<typeof logWriter>;
const MINUTE = 60_000;
const START = Date.parse('2026-03-02T08:00:00.000Z');

const burner: Sheet = {
  ...wideSheet,
  states: [
    ...smallSheet.states,
    {
      id: 'burning',
      energy: 'live',
      name: 'attempt',
      lasts: 40,
      beat: 12,
      attempts: { most: 2, purge: 120, say: 'Fan on.' },
    },
  ],
};
const fold = (log: Log, sheet: Sheet = burner) => foldJob(sheet, log.entries);
const code = <K extends EntryKind>(log: Log, kind: K, body: BodyOf<K>, sheet: Sheet = burner) =>
  refusalOf(sheet, fold(log, sheet), log.make(kind, body))?.code;
const live = () => {
  const log = logWriter(START);
  log.add('opened', { complaint: '', meter: smallMeter });
  log.add('energised', { precautions: true });
  return log;
};

describe('named clocks', () => {
  test('run in parallel from their entries, and end in the order of their ends', () => {
    const log = live();
    const soak = log.add('clock', { name: 'Soak', seconds: 600, meanwhile: 'Clean the filter' });
    log.add('clock', { name: 'Call back', seconds: 60, meanwhile: '' });
    const clocks = clocksOf(burner, fold(log));
    expect(clocks.map(({ name }) => name)).toEqual(['Call back', 'Soak']);
    expect(clocks[1]).toMatchObject({
      startedAt: START + 2 * MINUTE,
      endsAt: START + 12 * MINUTE,
      meanwhile: 'Clean the filter',
    });
    log.add('clock-stopped', { clock: soak.id });
    expect(clocksOf(burner, fold(log)).map(({ name }) => name)).toEqual(['Call back']);
    expect(code(log, 'clock-stopped', { clock: soak.id })).toBe('no-such-clock');
  });

  test('the wait for the bus runs until it is proven, and follows the readings', () => {
    const log = logWriter(START);
    log.add('opened', { complaint: '', meter: smallMeter });
    log.add('safed', { step: 'isolated' });
    expect(clocksOf(wideSheet, fold(log, wideSheet))).toMatchObject([
      { kind: 'wait', endsAt: START + 6 * MINUTE },
    ]);
    log.add('safed', onBattery);
    log.wait(2);
    log.add('safed', busAt(volts(310)));
    log.add('safed', busAt(volts(280)));
    const [clock] = clocksOf(wideSheet, fold(log, wideSheet));
    expect(clock).toMatchObject({ kind: 'discharge', name: 'Bus below 24 V' });
    expect((clock!.endsAt - clock!.startedAt) / 1000).toBeCloseTo(
      (60 / Math.log(310 / 280)) * Math.log(280 / 24),
      1,
    );
    expect(clocksOf(smallSheet, foldJob(smallSheet, provenDead().entries))).toEqual([]);
  });
});

describe('the device’s clock was set', () => {
  test('what waits is as far off as before', () => {
    const log = logWriter(START);
    log.add('opened', { complaint: '', meter: smallMeter });
    log.add('clock', { name: 'Soak', seconds: 600, meanwhile: '' });
    log.add('safed', { step: 'isolated' });
    log.add('safed', onBattery);
    log.wait(60);
    log.add('clock-set', { seconds: 3600 });
    // By the new clock the wait seems long over; it is not.
    log.add('safed', busAt(volts(3)));
    const { energy, clocks } = fold(log);
    expect(latestOf(energy, 'bus')!.waited).toBe(false);
    expect(energy.kind).toBe('not-proven');
    expect(clocks[0]!.endsAt).toBe(START + 71 * MINUTE);
  });
});

describe('test modes and attempts', () => {
  test('a test mode beats, ends, and a reading after it is void', () => {
    const log = live();
    log.add('window', { state: 'burning' });
    const began = START + 2 * MINUTE;
    const state = fold(log).spells.get('burning')!;
    expect(state).toEqual({ startedAt: began, endsAt: began + 40_000 });
    const of = burner.states.at(-1)!;
    expect(beatAt(of, state, began + 13_000)).toEqual({ step: 2, of: 4, nextIn: 11 });
    expect(beatAt(of, state, began + 40_000)).toBeUndefined();
    const late = measured('light-up', 'on', 127);
    log.add('reading', { ...late, function: 'V~' });
    expect(fold(log).current.get('light-up@on')?.standing).toEqual({
      kind: 'void',
      because: 'the test mode had ended 20 s before: enter it again and repeat',
    });
    log.add('window', { state: 'burning' });
    log.wait(-0.5);
    log.add('reading', { ...late, function: 'V~' });
    expect(fold(log).current.get('light-up@on')?.standing.kind).toBe('counts');
  });

  test('after so many attempts none is let through before the purge, and the purge takes its time', () => {
    const log = live();
    log.add('window', { state: 'burning' });
    log.add('window', { state: 'burning' });
    expect(fold(log).attempts.get('burning')).toEqual({ count: 2, lastAt: START + 3 * MINUTE });
    expect(code(log, 'window', { state: 'burning' })).toBe('purge-owed');
    expect(clocksOf(burner, fold(log)).map(({ kind }) => kind)).toEqual(['window', 'purge']);
    expect(purgeUntil(burner.states.at(-1)!, fold(log).attempts.get('burning'))).toBe(
      START + 5 * MINUTE,
    );
    expect(code(log, 'purged', { state: 'burning' })).toBe('purge-owed');
    log.wait(2);
    expect(code(log, 'purged', { state: 'burning' })).toBeUndefined();
    log.add('purged', { state: 'burning' });
    expect(code(log, 'window', { state: 'burning' })).toBeUndefined();
  });

  test('an attempt that was taken back counts all the same, and runs no more', () => {
    const log = live();
    log.add('window', { state: 'burning' });
    const { id } = log.add('window', { state: 'burning' });
    log.add('withdrawn', { entry: id, reason: 'pressed too soon' });
    expect(fold(log).attempts.get('burning')?.count).toBe(2);
    expect(code(log, 'window', { state: 'burning' })).toBe('purge-owed');
    expect(fold(log).spells.get('burning')?.startedAt).toBe(START + 2 * MINUTE);
  });

  test('no test mode begins dead, and isolating ends it', () => {
    expect(code(provenDead(), 'window', { state: 'burning' })).toBe('not-live');
    const log = live();
    log.add('window', { state: 'burning' });
    log.add('safed', { step: 'isolated' });
    expect(fold(log).spells.size).toBe(0);
    expect(code(log, 'window', { state: 'nowhere' })).toBe('unknown-state');
  });
});

describe('access', () => {
  test('a plug is pulled and put back only dead, or below the limit for unplugging', () => {
    expect(code(live(), 'access', { access: 'plug' })).toBe('dead-not-proven');
    expect(code(live(), 'access', { access: 'lid' })).toBeUndefined();
    expect(code(live(), 'access', { access: 'nothing' })).toBe('unknown-access');
    const log = provenDead();
    expect(code(log, 'access', { access: 'plug' })).toBeUndefined();
    log.add('access', { access: 'plug' });
    expect(fold(log).access.has('plug')).toBe(true);
    log.add('access', { access: 'plug', back: true });
    expect(fold(log).access.has('plug')).toBe(false);
    const falling = logWriter(START);
    falling.add('opened', { complaint: '', meter: smallMeter });
    falling.add('safed', { step: 'isolated' });
    falling.add('safed', onBattery);
    falling.add('safed', busAt(volts(70)));
    expect(code(falling, 'access', { access: 'plug' }, wideSheet)).toBe('dead-not-proven');
    falling.add('safed', busAt(volts(50)));
    expect(code(falling, 'access', { access: 'plug' }, wideSheet)).toBeUndefined();
    // Resistance still waits for the lower limit.
    const body = measured('diode', 'U', 0.45, 'diode');
    expect(code(falling, 'reading', body, wideSheet)).toBe('dead-not-proven');
  });
});

describe('who may do it', () => {
  const guarded: Sheet = {
    ...burner,
    safety: { ...burner.safety, secondPerson: true, licences: ['Gas.'] },
  };
  const opened = () => {
    const log = logWriter(START);
    log.add('opened', { complaint: '', meter: smallMeter });
    return log;
  };
  test('live work wants the second person where the sheet asks, by name', () => {
    expect(code(opened(), 'energised', { precautions: true }, guarded)).toBe('second-person-owed');
    expect(code(opened(), 'energised', { precautions: true, second: ' ' }, guarded)).toBe(
      'second-person-owed',
    );
    const log = opened();
    log.add('energised', { precautions: true, second: 'Rui' });
    expect(fold(log, guarded).energy.second).toBe('Rui');
  });
  test('without the licence there is no live work', () => {
    const log = opened();
    log.add('licence', { held: false, who: '' });
    expect(code(log, 'energised', { precautions: true, second: 'Rui' }, guarded)).toBe(
      'licence-missing',
    );
    log.add('licence', { held: true, who: 'Ana' });
    expect(code(log, 'energised', { precautions: true, second: 'Rui' }, guarded)).toBeUndefined();
  });
  test.each(['hand-over', 'cannot-make-safe', 'stop-and-call'] as const)(
    '%s is a decision that takes a reason',
    (action) => {
      const body = { action, part: null, leading: null, probability: 0, reason: '' };
      expect(code(opened(), 'decision', body)).toBe('reason-owed');
      expect(code(opened(), 'decision', { ...body, reason: 'bus stays at 300 V' })).toBeUndefined();
    },
  );
});

test('a picture belongs to a place the sheet has', () => {
  const photo = { hash: 'a'.repeat(64), width: 800, height: 600, bytes: 90_000, caption: '' };
  expect(code(live(), 'photo', photo)).toBeUndefined();
  expect(code(live(), 'photo', { ...photo, place: 'b.CN1.1' })).toBeUndefined();
  expect(code(live(), 'photo', { ...photo, place: 'b.CN9.1' })).toBe('unknown-place');
  expect(code(live(), 'photo', { ...photo, spot: { board: 'z', at: [1, 2] } })).toBe(
    'unknown-place',
  );
});
