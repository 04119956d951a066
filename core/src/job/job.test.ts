import fc from 'fast-check';
import {
  busAt,
  logWriter,
  type LogWriter,
  measured,
  onBattery,
  provenDead,
  smallMeter,
  smallSheet,
  volts,
} from '../../test/small-sheet';
import { latestOf } from '../conditions/energy';
import { nextSafe } from '../conditions/next-safe';
import { refusalOf } from './admission/refusal-of';
import { energyRefusal } from './admission/energy';
import { assess } from '../diagnose/assess';
import { evidenceOf } from '../diagnose/evidence-of';
import type { LogEntry } from './kinds/index';
import { inLogOrder } from './log/log-order';
import { foldJob } from './fold/fold';
import { notProvenWords } from '../diagnose/not-proven';
import { accessOwed, nextStep, takenCount } from './trail/steps';
import { currentStage, guardOf, progressOf, stageAfter, TRAIL } from './trail/trail';
import { summarise } from './trail/summary';
import { findTest } from '../sheet/lookup';

const fold = (log: LogWriter) => foldJob(smallSheet, log.entries);
const next = (log: LogWriter) => nextSafe(smallSheet, fold(log).energy);
const refusal = (log: LogWriter, entry: LogEntry) => refusalOf(smallSheet, fold(log), entry)?.code;

/** Nothing found there, with the leads proven first. */
const inContact = <T extends object>(body: T) => ({ ...body, contact: true as const });

describe('energy state', () => {
  test('as found it is live, and no dead test is admitted', () => {
    const log = logWriter();
    log.add('opened', { complaint: '', meter: smallMeter });
    expect(fold(log).energy).toMatchObject({ kind: 'live', acknowledged: false });
    expect(next(log)).toEqual({ kind: 'isolate' });
    expect(refusal(log, log.make('reading', measured('diode', 'U', 0.45, 'diode')))).toBe(
      'dead-not-proven',
    );
  });

  test('isolate, prove the meter, wait, bus below the limit, prove the meter: dead', () => {
    const log = provenDead();
    expect(fold(log).energy).toMatchObject({ kind: 'dead' });
    expect(next(log)).toEqual({ kind: 'done' });
    expect(
      refusal(log, log.make('reading', measured('diode', 'U', 0.45, 'diode'))),
    ).toBeUndefined();
  });

  test('a low bus before the wait is over proves nothing', () => {
    const log = logWriter();
    log.add('opened', { complaint: '', meter: smallMeter });
    log.add('safed', { step: 'isolated' });
    log.add('safed', onBattery);
    log.add('safed', busAt(volts(3)));
    const { energy } = fold(log);
    expect(energy.kind).toBe('not-proven');
    expect(next(log)).toMatchObject({ kind: 'pair', pair: { id: 'bus' } });
    expect(latestOf(energy, 'bus')).toMatchObject({ waited: false, judgement: { verdict: 'in' } });
    log.add('safed', onBattery);
    expect(fold(log).energy.kind).toBe('not-proven');
  });

  test.each([
    ['above the limit', volts(96)],
    ['above it with the leads swapped', volts(-96)],
    ['inside the meter’s own doubt', volts(23.99)],
    ['an overload', { kind: 'overload' as const }],
  ])('a bus %s is not dead', (_, reading) => {
    const log = logWriter();
    log.add('opened', { complaint: '', meter: smallMeter });
    log.add('safed', { step: 'isolated' });
    log.add('safed', onBattery);
    log.wait(5);
    log.add('safed', busAt(reading));
    expect(next(log)).toMatchObject({ kind: 'pair', pair: { id: 'bus' } });
    log.add('safed', onBattery);
    expect(fold(log).energy.kind).toBe('not-proven');
  });

  test('energising cancels the proof; readings taken dead still stand', () => {
    const log = provenDead();
    log.add('reading', measured('diode', 'U', 0.45, 'diode'));
    log.add('energised', { precautions: true });
    const state = fold(log);
    expect(state.energy).toMatchObject({ kind: 'live', acknowledged: true });
    expect(state.current.get('diode@U')?.standing).toEqual({ kind: 'counts' });
    expect(refusal(log, log.make('reading', measured('diode', 'V', 0.45, 'diode')))).toBe(
      'dead-not-proven',
    );
  });

  test('withdrawing “energised” does not bring the proof back', () => {
    const log = provenDead();
    const live = log.add('energised', { precautions: true });
    log.add('withdrawn', { entry: live.id, reason: '' });
    expect(fold(log).energy.kind).toBe('not-proven');
  });

  test('withdrawing the bus reading takes the proof with it', () => {
    const log = provenDead();
    const bus = log.entries.find((e) => e.kind === 'safed' && e.body.step === 'pair')!;
    log.add('withdrawn', { entry: bus.id, reason: 'misread' });
    expect(fold(log).energy).toMatchObject({ kind: 'not-proven' });
    expect(next(log)).toMatchObject({ kind: 'pair' });
  });

  test('no log of any kind makes a machine dead without a low bus reading after the wait', () => {
    const steps = fc.array(
      fc.record({
        what: fc.constantFrom('isolated', 'meter', 'bus', 'energised', 'undo'),
        volts: fc.constantFrom(1, 30, 300),
        minutes: fc.nat(6),
      }),
      { maxLength: 14 },
    );
    fc.assert(
      fc.property(steps, (list) => {
        const log = logWriter();
        log.add('opened', { complaint: '', meter: smallMeter });
        for (const { what, volts: v, minutes } of list) {
          log.wait(minutes);
          if (what === 'energised') log.add('energised', { precautions: true });
          else if (what === 'undo')
            log.add('withdrawn', { entry: log.entries.at(-1)!.id, reason: '' });
          else if (what === 'bus') log.add('safed', busAt(volts(v)));
          else if (what === 'meter') log.add('safed', onBattery);
          else log.add('safed', { step: 'isolated' });
        }
        const { energy, log: folded } = fold(log);
        if (energy.kind !== 'dead') return;
        const proven = energy.proven.get('bus')!;
        expect(proven.reading).toEqual(volts(1));
        expect(Date.parse(proven.at) - Date.parse(energy.isolatedAt!)).toBeGreaterThanOrEqual(
          5 * 60_000,
        );
        const lastLive = folded.findLastIndex((e) => e.kind === 'energised');
        expect(folded.findIndex((e) => e.id === proven.entry)).toBeGreaterThan(lastLive);
      }),
      { numRuns: 300 },
    );
  });
});

describe('what is refused, and why', () => {
  const log = provenDead();
  test.each<[string, LogEntry, string | undefined]>([
    ['live test on a dead unit', log.make('reading', measured('rail', '12', 5)), 'not-live'],
    ['a test the sheet lacks', log.make('reading', measured('x', '1', 5)), 'unknown-test'],
    [
      'a point the test lacks',
      log.make('reading', measured('diode', 'Z', 5, 'diode')),
      'unknown-test',
    ],
    ['the wrong dial position', log.make('reading', measured('diode', 'U', 5)), 'wrong-function'],
    [
      'a figure below zero on diode',
      log.make('reading', measured('diode', 'U', -0.4, 'diode')),
      'negative-reading',
    ],
    ['a figure for a question', log.make('reading', measured('looks', '1', 5)), 'unknown-test'],
    [
      'an answer to a measurement',
      log.make('answer', { test: 'diode', answer: 'clean' }),
      'unknown-test',
    ],
    [
      'an answer that is not one',
      log.make('answer', { test: 'looks', answer: 'toString' }),
      'unknown-answer',
    ],
    ['a skip of nothing', log.make('skipped', { test: 'x', reason: '' }), 'unknown-test'],
    ['opening twice', log.make('opened', { complaint: '', meter: null }), 'already-open'],
    [
      'signing undecided',
      log.make('signed', { technician: 'Ana', customer: '', note: '' }),
      'decision-owed',
    ],
    [
      'a part the sheet lacks',
      log.make('decision', {
        action: 'replace',
        part: 'x',
        leading: 'x',
        probability: 1,
        reason: '',
      }),
      'unknown-part',
    ],
    [
      'the second suspect without a reason',
      log.make('decision', {
        action: 'replace',
        part: 'power',
        leading: 'board',
        probability: 0.2,
        reason: ' ',
      }),
      'reason-owed',
    ],
    [
      'a part that no finding accuses, without a reason',
      log.make('decision', {
        action: 'replace',
        part: 'power',
        leading: null,
        probability: 0.2,
        reason: '',
      }),
      'reason-owed',
    ],
    [
      'handing over without a reason',
      log.make('decision', {
        action: 'hand-over',
        part: null,
        leading: 'board',
        probability: 0,
        reason: '',
      }),
      'reason-owed',
    ],
    [
      'withdrawing nothing',
      log.make('withdrawn', { entry: '01950000-0000-7000-8000-999999999999', reason: '' }),
      'nothing-to-withdraw',
    ],
    [
      'withdrawing the opening',
      log.make('withdrawn', { entry: log.entries[0]!.id, reason: '' }),
      'nothing-to-withdraw',
    ],
    [
      'the first suspect needs no reason',
      log.make('decision', {
        action: 'replace',
        part: 'board',
        leading: 'board',
        probability: 0.8,
        reason: '',
      }),
      undefined,
    ],
    ['a note is always welcome', log.make('observed', { text: 'hums' }), undefined],
  ])('%s', (_, entry, code) => {
    expect(refusal(log, entry)).toBe(code);
  });

  test('a live test as found first asks for the precautions', () => {
    const fresh = logWriter();
    fresh.add('opened', { complaint: '', meter: null });
    expect(refusal(fresh, fresh.make('reading', measured('rail', '12', 5)))).toBe(
      'precautions-owed',
    );
    fresh.add('energised', { precautions: true });
    expect(refusal(fresh, fresh.make('reading', measured('rail', '12', 5)))).toBeUndefined();
  });

  test('the reason for a dead test names the step that is owed', () => {
    const fresh = logWriter();
    fresh.add('opened', { complaint: '', meter: smallMeter });
    const why = () =>
      energyRefusal(smallSheet, fold(fresh).energy, findTest(smallSheet, 'diode')!)!.message;
    expect(why()).toMatch(/LIVE/);
    fresh.add('safed', { step: 'isolated' });
    expect(why()).toMatch(/prove the meter/);
    fresh.add('safed', onBattery);
    expect(why()).toMatch(/below 24/);
    fresh.wait(6);
    fresh.add('safed', busAt(volts(2)));
    expect(why()).toMatch(/prove the meter again/);
  });

  test('a signed job takes nothing until the signature is withdrawn', () => {
    const signed = provenDead();
    signed.add('decision', {
      action: 'replace',
      part: 'board',
      leading: 'board',
      probability: 1,
      reason: '',
    });
    const signature = signed.add('signed', { technician: 'Ana', customer: '', note: '' });
    expect(refusal(signed, signed.make('observed', { text: 'x' }))).toBe('job-signed');
    expect(
      refusal(signed, signed.make('withdrawn', { entry: signed.entries[1]!.id, reason: '' })),
    ).toBe('job-signed');
    expect(
      refusal(
        signed,
        signed.make('withdrawn', { entry: signature.id, reason: 'one more reading' }),
      ),
    ).toBeUndefined();
    expect(refusal(signed, signed.make('withdrawn', { entry: signature.id, reason: ' ' }))).toBe(
      'reason-owed',
    );
    signed.add('withdrawn', { entry: signature.id, reason: 'one more reading' });
    expect(refusal(signed, signed.make('observed', { text: 'x' }))).toBeUndefined();
  });
});

describe('readings in the fold', () => {
  test('the later reading of a point counts, the earlier stays visible', () => {
    const log = provenDead();
    log.add('reading', measured('diode', 'U', 0.1, 'diode'));
    log.add('reading', measured('diode', 'U', 0.45, 'diode'));
    const { taken, current } = fold(log);
    expect(taken.map((t) => t.standing.kind)).toEqual(['repeated', 'counts']);
    expect(current.get('diode@U')).toMatchObject({ judgement: { verdict: 'in' } });
  });

  test('withdrawing the later one lets the earlier stand again', () => {
    const log = provenDead();
    log.add('reading', measured('diode', 'U', 0.1, 'diode'));
    const second = log.add('reading', measured('diode', 'U', 0.45, 'diode'));
    log.add('withdrawn', { entry: second.id, reason: '' });
    const { taken, current } = fold(log);
    expect(taken.map((t) => t.standing.kind)).toEqual(['counts', 'withdrawn']);
    expect(current.get('diode@U')).toMatchObject({ judgement: { verdict: 'out' } });
  });

  test('a reading whose supply failed is void, and says nothing about faults', () => {
    const log = provenDead();
    log.add('energised', { precautions: true });
    log.add('reading', inContact(measured('out', '12', 0.1)));
    expect(fold(log).current.get('out')?.standing.kind).toBe('counts');
    log.add('reading', inContact(measured('rail', '12', 0.1)));
    const state = fold(log);
    expect(state.current.get('out')?.standing).toEqual({
      kind: 'void',
      because: '“5 V rail” failed, and feeds this',
    });
    expect(
      evidenceOf(state, smallSheet).map((item) => 'test' in item.evidence && item.evidence.test),
    ).toEqual(['rail']);
    log.add('reading', measured('rail', '12', 5));
    expect(fold(log).current.get('out')?.standing.kind).toBe('counts');
  });

  test('judged with the meter of the job', () => {
    const log = provenDead();
    log.add('energised', { precautions: true });
    log.add('reading', measured('rail', '12', 5));
    const taken = fold(log).current.get('rail');
    // 0.5 % of 5 plus two counts of 0.01: a = 0.045
    expect(taken?.kind === 'reading' && taken.judgement.u).toBeCloseTo(0.045 / Math.sqrt(3), 12);
  });

  test('entries of a kind this program does not know are kept and skipped', () => {
    const log = provenDead();
    log.entries.push({ ...log.make('observed', { text: '' }), kind: 'hologram', seq: 99 } as never);
    const state = fold(log);
    expect(state.log).toHaveLength(log.entries.length);
    expect(state.energy.kind).toBe('dead');
  });

  test('unsent entries come after the numbered ones, in the order they were made', () => {
    const log = provenDead();
    const [first, second, ...rest] = log.entries;
    const unsentFirst = { ...first!, seq: undefined } as never;
    const order = inLogOrder([unsentFirst, ...rest, second!]).map((e) => e.id);
    expect(order).toEqual([second!.id, ...rest.map((e) => e.id), first!.id]);
  });

  test('the same entries in any order fold to the same state', () => {
    const log = provenDead();
    log.add('reading', measured('diode', 'U', 0.45, 'diode'));
    log.add('code', { shown: 'E1' });
    const plain = JSON.stringify([...fold(log).current]);
    fc.assert(
      fc.property(
        fc.shuffledSubarray(log.entries, { minLength: log.entries.length }),
        (entries) => {
          expect(JSON.stringify([...foldJob(smallSheet, entries).current])).toBe(plain);
        },
      ),
    );
  });
});

describe('assessment', () => {
  const diagnosed = () => {
    const log = provenDead();
    log.add('code', { shown: 'e1' });
    log.add('code', { shown: 'E1' });
    log.add('code', { shown: 'ZZ' });
    log.add('reading', measured('diode', 'U', 0.45, 'diode'));
    log.add('energised', { precautions: true });
    log.add('reading', measured('rail', '12', 5));
    log.add('reading', inContact(measured('out', '12', 0.2)));
    return log;
  };

  test('a code counts once, one that is not listed not at all', () => {
    const state = fold(diagnosed());
    expect(state.codes.map((code) => [code.shown, code.listed?.code])).toEqual([
      ['e1', 'E1'],
      ['E1', 'E1'],
      ['ZZ', undefined],
    ]);
    expect(evidenceOf(state, smallSheet)).toHaveLength(4);
  });

  test('good supply and a dead output accuse the driver', () => {
    const log = diagnosed();
    const result = assess(smallSheet, fold(log));
    expect(result.suspects[0]!.fault.id).toBe('driver');
    expect(result.suspects[0]!.p).toBeGreaterThan(0.9);
    expect(result.suspects[0]!.before).toBeLessThan(result.suspects[0]!.p);
    expect(result.parts[0]!.part.id).toBe('board');
    expect(result.unexplained).toBe(false);
  });

  test('what is not proven is said: untaken tests, half-taken ones, what could clear the leader', () => {
    const words = assess(smallSheet, fold(diagnosed())).notProven.map(notProvenWords);
    expect(words).toContain('Not taken: By eye.');
    expect(words).toContain('Taken in part, 1 of 2: Transistors.');
  });

  test('a suspect that findings left likely is named, as unheard or as not cleared', () => {
    const log = provenDead();
    log.add('energised', { precautions: true });
    log.add('reading', inContact(measured('out', '12', 0.2)));
    const { suspects, notProven } = assess(smallSheet, fold(log));
    const likely = suspects.slice(1).filter((suspect) => suspect.p >= 0.1);
    expect(likely.length).toBeGreaterThan(0);
    const named = notProven.flatMap((item) =>
      item.kind === 'unheard' || item.kind === 'not-cleared' ? item.faults : [],
    );
    for (const suspect of likely) expect(named).toContain(suspect.fault);
    expect(notProven.map(notProvenWords)).toContain('Not cleared: Transistor shorted.');
  });

  test('before any finding the sheet’s priors stand, and the cheapest test that could clear is named', () => {
    const { suspects, notProven } = assess(smallSheet, foldJob(smallSheet, []));
    expect(suspects[0]!.fault.id).toBe('supply');
    expect(notProvenWords(notProven[0]!)).toBe('Could still clear “Supply dead”: 5 V rail.');
    expect(notProvenWords(notProven[1]!)).toMatch(/^No reading speaks yet about: Supply dead;/);
  });
});

describe('progress', () => {
  test('stages are owed in their order', () => {
    const log = logWriter();
    log.add('opened', { complaint: '', meter: smallMeter });
    expect(currentStage(smallSheet, fold(log))).toBe('arrive');
    log.add('arrived', { plate: 'matches', note: '' });
    expect(currentStage(smallSheet, fold(log))).toBe('read');
    log.add('code', { shown: null });
    expect(currentStage(smallSheet, fold(log))).toBe('safe');
    expect(progressOf(smallSheet, fold(log))[1]).toEqual({
      stage: 'read',
      name: 'Read',
      wanted: true,
      owed: 0,
      done: true,
      note: 'no code',
    });
    const owed = Object.fromEntries(
      progressOf(smallSheet, fold(log)).map((each) => [each.stage, each.owed]),
    );
    expect(owed).toEqual({
      arrive: 0,
      read: 0,
      safe: 1,
      measure: 5,
      decide: 1,
      mend: 0,
      prove: 0,
      sign: 1,
    });
  });

  test('the trail alone says what follows, and what a stage wants first', () => {
    const log = provenDead();
    const after = () => TRAIL.map(({ stage }) => stageAfter(stage, fold(log)));
    const short = ['read', 'safe', 'measure', 'decide', 'sign', 'sign', 'sign', 'sign'];
    expect(after()).toEqual(short);
    expect(guardOf(smallSheet, fold(log), 'sign')).toBe('decide');
    expect(guardOf(smallSheet, fold(log), 'measure')).toBeUndefined();
    log.add('decision', {
      action: 'hand-over',
      part: null,
      leading: null,
      probability: 0,
      reason: 'so',
    });
    expect(guardOf(smallSheet, fold(log), 'sign')).toBeUndefined();
    expect(currentStage(smallSheet, fold(log))).toBe('sign');
  });

  test('next is the rest of the test in hand, then what the present state allows', () => {
    const log = provenDead();
    const next = (after?: string) => nextStep(smallSheet, fold(log), after)?.observable;
    expect(next()).toBe('diode@U');
    expect(next('diode@U')).toBe('diode@V');
    log.add('reading', measured('diode', 'U', 0.45, 'diode'));
    log.add('reading', measured('diode', 'V', 0.45, 'diode'));
    expect(next('diode@V')).toBe('looks');
    log.add('skipped', { test: 'looks', reason: 'dark' });
    expect(next('looks')).toBe('rail');
    expect(takenCount(smallSheet, fold(log))).toEqual({ taken: 2, of: 5 });
  });

  test('leaving a test goes past its other points', () => {
    const log = provenDead();
    expect(nextStep(smallSheet, fold(log), 'diode@U', { leaveTest: true })?.observable).toBe(
      'looks',
    );
  });

  test('the placement in hand is never suggested as its own successor', () => {
    const log = provenDead();
    log.add('skipped', { test: 'diode', reason: '' });
    log.add('skipped', { test: 'looks', reason: '' });
    log.add('skipped', { test: 'rail', reason: '' });
    expect(nextStep(smallSheet, fold(log), 'out')).toBeUndefined();
  });

  test('access owed comes with its own prerequisites first', () => {
    const log = provenDead();
    expect(accessOwed(smallSheet, fold(log), 'diode')).toEqual(['lid', 'plug']);
    log.add('access', { access: 'lid' });
    expect(accessOwed(smallSheet, fold(log), 'diode')).toEqual(['plug']);
  });

  test('the summary for lists', () => {
    const log = provenDead();
    log.add('code', { shown: 'E1' });
    log.add('decision', {
      action: 'replace',
      part: 'board',
      leading: 'board',
      probability: 1,
      reason: '',
    });
    expect(summarise(smallSheet, fold(log))).toMatchObject({
      status: 'open',
      stage: 'mend',
      energy: 'dead',
      codes: ['E1'],
      part: 'board',
      partName: 'Control board',
    });
  });
});
