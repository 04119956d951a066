/** When a reading counts: every row of what follows where the machine is not in what a test wants. */
import fc from 'fast-check';
import { heatSheet as sheet, liveHeat, openHeat, read } from '../../test/heat-sheet';
import { logWriter, onBattery, smallMeter, volts, type LogWriter } from '../../test/small-sheet';
import { evidenceOf } from '../diagnose/evidence-of';
import { refusalOf } from '../job/admission/refusal-of';
import { foldJob } from '../job/fold/fold';
import type { BodyOf, EntryKind } from '../job/kinds/index';
import { assess } from '../diagnose/assess';
import { buildReport } from '../report/report';
import type { Sheet } from '../sheet/schema';
import { baseState } from './live-state';
import { wantsOf } from './wants';

const fold = (log: LogWriter) => foldJob(sheet, log.entries);
const standing = (log: LogWriter, id: string) => fold(log).current.get(id)?.standing;
const because = (kind: string, ...words: string[]) => ({
  kind,
  because: expect.stringMatching(words.join('.*')) as string,
});
const code = <K extends EntryKind>(log: LogWriter, kind: K, body: BodyOf<K>) =>
  refusalOf(sheet, fold(log), log.make(kind, body))?.code;

describe('the live state', () => {
  test('0 V read without a call is void; the call entered, the figure counts, the void one stays void', () => {
    const log = liveHeat();
    read(log, 'rail', 5);
    const first = read(log, 'out', 0);
    expect(standing(log, 'out')).toEqual(because('void', 'standby', 'heat called', 'not entered'));
    expect(evidenceOf(fold(log), sheet)).toHaveLength(1);
    log.add('window', { state: 'heat' });
    read(log, 'out', 24);
    expect(standing(log, 'out')).toEqual({ kind: 'counts' });
    const voided = fold(log).taken.find(({ entry }) => entry === first.id);
    expect(voided?.standing).toEqual(because('repeated', 'heat called'));
  });

  test('a good figure without a call is void as well', () => {
    const log = liveHeat();
    read(log, 'out', 24);
    expect(standing(log, 'out')?.kind).toBe('void');
  });

  test('the machine is in its base state by being on; a test mode ends by itself and leaves that', () => {
    expect(baseState(sheet)?.id).toBe('standby');
    const log = liveHeat(openHeat(), 'test-mode');
    read(log, 'mode', 12);
    expect(standing(log, 'mode')).toEqual({ kind: 'counts' });
    log.wait(2);
    read(log, 'mode', 12);
    expect(standing(log, 'mode')).toEqual(because('void', 'ended'));
    read(log, 'rail', 5);
    expect(fold(log).current.get('rail')).toMatchObject({
      standing: { kind: 'counts' },
      situation: { state: 'standby', energy: 'live' },
    });
  });

  test('another state, entered since, is not the one wanted', () => {
    const log = liveHeat(openHeat(), 'heat');
    log.add('window', { state: 'test-mode' });
    read(log, 'out', 24);
    expect(standing(log, 'out')).toEqual(because('void', 'test mode', 'heat called'));
  });

  test('a track that isolation ended in its middle is kept, and void', () => {
    const log = liveHeat(openHeat(), 'heat');
    log.add('safed', { step: 'isolated' });
    const body = {
      test: 'track',
      point: '12',
      function: 'V=' as const,
      samples: Array.from({ length: 20 }, (_, i) => ({ t: i * 10, value: 5 })),
    };
    expect(code(log, 'series', body)).toBeUndefined();
    log.add('series', body);
    expect(standing(log, 'track')).toEqual(because('void', 'heat called'));
    // One that began after it was isolated is refused as ever.
    log.wait(10);
    expect(code(log, 'series', body)).toBe('not-live');
  });

  test('a log from before states were entered keeps its readings', () => {
    const log = logWriter();
    log.add('opened', { complaint: '', meter: smallMeter });
    log.add('energised', { precautions: true });
    read(log, 'out', 24);
    expect(fold(log).current.get('out')).toMatchObject({
      standing: { kind: 'counts' },
      situation: { state: undefined },
    });
  });
});

describe('any energy', () => {
  test('a look at a closed set wants no precautions, and its state all the same', () => {
    const log = logWriter();
    log.add('opened', { complaint: '', meter: smallMeter, rules: 2 });
    expect(code(log, 'answer', { test: 'glow', answer: 'dark' })).toBeUndefined();
    // Thermostat up on a closed machine is its ordinary use.
    expect(code(log, 'window', { state: 'heat' })).toBeUndefined();
    log.add('answer', { test: 'glow', answer: 'dark' });
    expect(standing(log, 'glow')?.kind).toBe('void');
    log.add('window', { state: 'heat' });
    log.add('answer', { test: 'glow', answer: 'dark' });
    expect(standing(log, 'glow')).toEqual({ kind: 'counts' });
  });

  test('with a lid off, calling for heat is live work', () => {
    const log = logWriter();
    log.add('opened', { complaint: '', meter: smallMeter, rules: 2 });
    log.add('access', { access: 'lid' });
    expect(code(log, 'window', { state: 'heat' })).toBe('precautions-owed');
  });

  test('a part in the hand is measured whatever the machine is in', () => {
    const log = logWriter();
    log.add('opened', { complaint: '', meter: smallMeter, rules: 2 });
    const ohms = { test: 'sensor', point: '1', function: 'ohm', typed: '' } as const;
    const body = { ...ohms, reading: volts(100) };
    expect(code(log, 'reading', body)).toBeUndefined();
    expect(code(log, 'reading', { ...body, test: 'joint' })).toBe('dead-not-proven');
  });
});

describe('plugs and lids', () => {
  test('a plug that is in and should be out: void; ticked out, it counts', () => {
    const log = openHeat();
    read(log, 'plugged-off', 0.002, { point: 'V', fn: 'diode' });
    expect(standing(log, 'plugged-off')).toEqual(because('void', 'still in', 'plug CN1'));
    log.add('access', { access: 'plug' });
    read(log, 'plugged-off', 0.45, { point: 'V', fn: 'diode' });
    expect(standing(log, 'plugged-off')).toEqual({ kind: 'counts' });
  });

  test('a plug that is out and should be in: void', () => {
    const log = openHeat();
    log.add('access', { access: 'plug' });
    // The heat state needs it in; a log may hold its entering all the same.
    liveHeat(log, 'heat');
    read(log, 'out', 24);
    expect(standing(log, 'out')).toEqual(because('void', 'still out', 'plug CN1'));
  });

  test('pulled, put back and pulled again between two readings: each keeps what it was taken in', () => {
    const log = openHeat();
    log.add('access', { access: 'plug' });
    const first = read(log, 'winding', 3, { point: 'UV', fn: 'ohm' });
    log.add('access', { access: 'plug', back: true });
    const plugged = read(log, 'winding', 3, { point: 'UV', fn: 'ohm' });
    log.add('access', { access: 'plug' });
    const state = fold(log);
    const of = (id: string) => state.taken.find(({ entry }) => entry === id)!;
    expect(of(first.id).situation.out.has('plug')).toBe(true);
    expect(of(first.id).standing.kind).toBe('counts');
    expect(of(plugged.id).standing).toEqual(because('one-sided', 'not isolated'));
    const again = read(log, 'winding', 7, { point: 'UV', fn: 'ohm' });
    expect(fold(log).taken.find(({ entry }) => entry === again.id)?.standing.kind).toBe('counts');
  });

  test('a resistance with its plug in counts above its band, and cannot tell within or below it', () => {
    for (const [value, kind] of [
      [3, 'one-sided'],
      [7, 'one-sided'],
      [20, 'waits'],
      ['OL', 'waits'],
    ] as const) {
      const log = openHeat();
      read(log, 'winding', value, { point: 'UV', fn: 'ohm' });
      // Above: 20 Ω wants its leads zeroed, OL its contact proven; that is all they owe.
      expect(standing(log, 'winding')?.kind).toBe(kind);
    }
  });

  test('two devices that disagree about a plug: what wants it waits until somebody looks', () => {
    const log = openHeat();
    const before = log.entries.length;
    const at = (device: string, body: BodyOf<'access'>) =>
      Object.assign(log.add('access', body), { device, seen: before });
    at('A', { access: 'plug' });
    at('B', { access: 'plug', back: true });
    read(log, 'winding', 7, { point: 'UV', fn: 'ohm' });
    expect(standing(log, 'winding')).toEqual(because('waits', 'two devices', 'plug CN1'));
  });
});

describe('feeders', () => {
  test('not taken: a good figure counts, a bad one waits for it', () => {
    const good = liveHeat(openHeat(), 'heat');
    read(good, 'out', 24);
    expect(standing(good, 'out')).toEqual({ kind: 'counts' });
    const bad = liveHeat(openHeat(), 'heat');
    read(bad, 'out', 0);
    expect(standing(bad, 'out')).toEqual(because('waits', '5 V rail', 'feeds this'));
    expect(evidenceOf(fold(bad), sheet)).toEqual([]);
    bad.add('window', { state: 'standby' });
    read(bad, 'rail', 5);
    expect(standing(bad, 'out')).toEqual({ kind: 'counts' });
    read(bad, 'rail', 1);
    expect(standing(bad, 'out')).toEqual(because('void', 'failed, and feeds this'));
  });

  test('a hold test on a bus that nobody charged waits for the charge', () => {
    const hold = {
      ...sheet,
      tests: sheet.tests.map((test) =>
        test.id === 'bridge' ? { ...test, fedBy: ['joint'] } : test,
      ),
    };
    const log = openHeat();
    read(log, 'bridge', 0.1, { point: 'U', fn: 'diode' });
    const of = () => foldJob(hold, log.entries).current.get('bridge')?.standing.kind;
    expect(of()).toBe('waits');
    read(log, 'joint', 0.4, { point: '1', fn: 'ohm' });
    expect(of()).toBe('counts');
  });
});

describe('owed', () => {
  test('what must be taken first', () => {
    const log = openHeat();
    log.add('answer', { test: 'after-look', answer: 'soot' });
    expect(standing(log, 'after-look')).toEqual(because('waits', 'Glow', 'first'));
    liveHeat(log, 'heat');
    log.add('answer', { test: 'glow', answer: 'glows' });
    expect(standing(log, 'after-look')).toEqual({ kind: 'counts' });
  });

  test('an OL that clears owes its contact where the sheet says so; one that accuses always', () => {
    const log = openHeat();
    const { id } = read(log, 'shell', 'OL', { point: 'U', fn: 'ohm' });
    expect(standing(log, 'shell')).toEqual(because('waits', 'contact'));
    log.add('contact', { entry: id, how: 'scraped-to-metal' });
    expect(standing(log, 'shell')).toEqual({ kind: 'counts' });
  });

  test('a dark diode owes the camera that is known to work; a lit one owes nothing', () => {
    const log = liveHeat();
    const { id } = log.add('answer', { test: 'remote', answer: 'dark' });
    expect(standing(log, 'remote')).toEqual(because('waits', 'camera'));
    expect(code(log, 'contact', { entry: id, how: 'means-known' })).toBeUndefined();
    log.add('contact', { entry: id, how: 'means-known' });
    expect(standing(log, 'remote')).toEqual({ kind: 'counts' });
    const lit = liveHeat();
    lit.add('answer', { test: 'remote', answer: 'lights' });
    expect(standing(lit, 'remote')).toEqual({ kind: 'counts' });
  });

  test('leads not zeroed below 20 Ω: too high waits, in counts', () => {
    const log = openHeat();
    read(log, 'joint', 1.6, { point: '1', fn: 'ohm' });
    expect(standing(log, 'joint')).toEqual(because('waits', 'leads'));
    log.add('lead', { value: 0.3, half: 0.1 });
    read(log, 'joint', 2.6, { point: '1', fn: 'ohm' });
    expect(standing(log, 'joint')).toEqual({ kind: 'counts' });
    const good = openHeat();
    read(good, 'joint', 0.3, { point: '1', fn: 'ohm' });
    expect(standing(good, 'joint')).toEqual({ kind: 'counts' });
  });

  test('a track that lies flat at nothing owes what a single 0 owes', () => {
    const flat = (value: number) => {
      const log = liveHeat(openHeat(), 'heat');
      log.add('series', {
        test: 'track',
        point: '12',
        function: 'V=',
        samples: [0, 2, 4, 6].map((t) => ({ t, value: t === 4 ? value : 0 })),
      });
      return fold(log).current.get('track')!;
    };
    expect(flat(3)).toMatchObject({ judgement: { verdict: 'out', contactOwed: false } });
    // A flat 0 is steady, and so in: it accuses nothing and owes nothing.
    expect(flat(0)).toMatchObject({ judgement: { verdict: 'in', contactOwed: false } });
  });
});

describe('entering a state', () => {
  test('a shorted bridge refuses power, and what it feeds; a reason lets the machine’s harm through', () => {
    const log = openHeat();
    log.add('reading', {
      test: 'bridge',
      point: 'U',
      function: 'diode',
      reading: volts(0.002),
      typed: '',
      contact: true,
    });
    expect(code(log, 'energised', { precautions: true })).toBe('state-needs');
    expect(
      code(log, 'energised', { precautions: true, despite: 'through a lamp in series' }),
    ).toBeUndefined();
    log.add('energised', { precautions: true, despite: 'through a lamp in series' });
    expect(code(log, 'window', { state: 'heat' })).toBe('state-needs');
  });

  test('a lid off a fan is stopped, whatever the reason', () => {
    const log = openHeat();
    log.add('access', { access: 'guard' });
    log.add('energised', { precautions: true });
    expect(code(log, 'window', { state: 'fan' })).toBe('state-needs');
    expect(code(log, 'window', { state: 'fan', despite: 'in a hurry' })).toBe('state-needs');
    log.add('access', { access: 'guard', back: true });
    expect(code(log, 'window', { state: 'fan' })).toBeUndefined();
  });

  test('after the work that it protects, it must have been passed again', () => {
    const log = openHeat();
    log.add('work', { what: 'fitted', part: 'power', note: '' });
    log.add('energised', { precautions: true });
    expect(code(log, 'window', { state: 'heat' })).toBe('state-needs');
    log.add('safed', { step: 'isolated' });
    log.add('safed', onBattery);
    log.wait(5);
    log.add('safed', {
      step: 'pair',
      pair: 'bus',
      function: 'V=',
      reading: volts(3),
      typed: '',
    });
    log.add('safed', onBattery);
    read(log, 'bridge', 0.45, { point: 'U', fn: 'diode' });
    log.add('energised', { precautions: true });
    expect(code(log, 'window', { state: 'heat' })).toBeUndefined();
  });
});

test('a point says for itself what it wants otherwise than its test', () => {
  const [test] = sheet.tests.filter(({ id }) => id === 'joint');
  const point = {
    id: 'half',
    red: 'b.CN1.1',
    black: 'b.P',
    state: 'heat',
    energy: 'live' as const,
    access: { plug: 'in' as const },
    fedBy: ['rail'],
  };
  expect(wantsOf(sheet, test!, point)).toMatchObject({
    energy: 'live',
    state: { id: 'heat' },
    fedBy: ['rail'],
    access: [{ position: 'in', access: { id: 'plug' } }],
  });
  expect(wantsOf(sheet, test!)).toMatchObject({ energy: 'dead', fedBy: [], access: [] });
});

test('each finding keeps what it was taken in: nothing that comes later changes it', () => {
  const step = fc.constantFrom<(log: LogWriter) => void>(
    (log) => void log.add('energised', { precautions: true }),
    (log) => void log.add('window', { state: 'heat' }),
    (log) => void log.add('window', { state: 'test-mode' }),
    (log) => void log.add('access', { access: 'plug' }),
    (log) => void log.add('access', { access: 'plug', back: true }),
    (log) => void log.add('work', { what: 'fitted', part: 'board', note: '' }),
    (log) => void log.add('safed', { step: 'isolated' }),
    (log) => void read(log, 'out', 24),
    (log) => void read(log, 'rail', 1),
    (log) => void read(log, 'winding', 7, { point: 'UV', fn: 'ohm' }),
    (log) => void log.add('answer', { test: 'glow', answer: 'dark' }),
    (log) => log.wait(3),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
      const log = openHeat();
      const known = new Map<string, unknown>();
      for (const each of steps) {
        each(log);
        for (const { entry, situation } of fold(log).taken) {
          expect(known.get(entry) ?? situation).toEqual(situation);
          known.set(entry, situation);
        }
      }
    }),
    { numRuns: 60 },
  );
});

test('a figure that wanders across its limit is unsteady, and that is evidence', () => {
  const log = liveHeat();
  log.add('reading', {
    test: 'rail',
    point: '12',
    function: 'V=',
    reading: { kind: 'value', value: 5, to: 3.2 },
    typed: '3.2..5',
  });
  const state = fold(log);
  expect(state.current.get('rail')).toMatchObject({
    judgement: { verdict: 'out', outcome: 'unsteady' },
    standing: { kind: 'counts' },
  });
  expect(assess(sheet, state).belief.other).toBeGreaterThan(0.03);
});

test('what a reference showed grows stale in ten minutes; a label does not', () => {
  const asking = (kind: 'reference' | 'label'): Sheet => ({
    ...sheet,
    tests: sheet.tests.map((test) =>
      test.id === 'rail'
        ? ({
            ...test,
            expect: { kind, asks: 'Volts by the other meter', unit: 'V', plusMinus: 0.2 },
          } as typeof test)
        : test,
    ),
  });
  for (const [kind, refused] of [
    ['reference', 'given-owed'],
    ['label', undefined],
  ] as const) {
    const log = liveHeat();
    log.add('given', { test: 'rail', value: 5, typed: '5' });
    const body = {
      test: 'rail',
      point: '12',
      function: 'V=',
      reading: volts(5),
      typed: '5',
    } as const;
    const of = asking(kind);
    const asked = () => refusalOf(of, foldJob(of, log.entries), log.make('reading', body))?.code;
    expect(asked()).toBeUndefined();
    log.wait(12);
    expect(asked()).toBe(refused);
  }
});

test('an insulation figure keeps the volts, the time and the warmth it was taken with', () => {
  const of: Sheet = {
    ...sheet,
    tests: sheet.tests.map((test) =>
      test.id === 'winding' ? { ...test, function: 'insulation' as const } : test,
    ),
  };
  const log = openHeat();
  log.add('access', { access: 'plug' });
  log.add('reading', {
    test: 'winding',
    point: 'UV',
    function: 'insulation',
    reading: volts(7),
    typed: '7',
    insulation: { volts: 500, seconds: 60, celsius: 21 },
  });
  const state = foldJob(of, log.entries);
  const report = buildReport(of, state, assess(of, state));
  expect(report.rows[0]?.verdict).toContain('at 500 V, 60 s, 21 °C');
  expect(state.taken[0]).toMatchObject({ insulation: { volts: 500, seconds: 60 } });
});
