/** Proven dead means dead: every pair, between two figures of the meter, and lost again by any figure. */
import fc from 'fast-check';
import { mainsSheet, onSupply, pairRead } from '../../test/mains-sheet';
import {
  busAt,
  logWriter,
  measured,
  onBattery,
  provenDead,
  smallMeter,
  smallSheet,
  volts,
  type LogWriter,
} from '../../test/small-sheet';
import { BETWEEN_PROOFS_MS, deadFor } from '../conditions/energy';
import { nextSafe, notDeadWords } from '../conditions/next-safe';
import type { Sheet } from '../sheet/schema';
import { refusalOf } from './admission/refusal-of';
import { isEntry, type BodyOf, type EntryKind } from './kinds/index';
import type { FoldedEntry } from './log/entry';
import { foldJob } from './fold/fold';

const fold = (log: LogWriter, sheet: Sheet = mainsSheet) => foldJob(sheet, log.entries);
const energyOf = (log: LogWriter, sheet?: Sheet) => fold(log, sheet).energy;
const why = <K extends EntryKind>(log: LogWriter, kind: K, body: BodyOf<K>, sheet = mainsSheet) =>
  refusalOf(sheet, fold(log, sheet), log.make(kind, body));
const code = <K extends EntryKind>(log: LogWriter, kind: K, body: BodyOf<K>, sheet = mainsSheet) =>
  why(log, kind, body, sheet)?.code;

/** Opened without a meter profile: figures are taken as exact. */
function opened(): LogWriter {
  const log = logWriter();
  log.add('opened', { complaint: '', meter: null });
  return log;
}

/** Isolated, the three mains pairs proven, the lid off, the wait over. */
function mainsProven(log = opened()): LogWriter {
  log.add('safed', { step: 'isolated' });
  log.add('safed', onSupply());
  for (const id of ['l-n', 'l-pe', 'n-pe']) log.add('safed', pairRead(id, 'V~', 0.3));
  log.add('safed', onSupply());
  log.add('access', { access: 'lid' });
  log.wait(2);
  return log;
}

function allProven(log = mainsProven()): LogWriter {
  log.add('safed', onBattery);
  log.add('safed', pairRead('bus', 'V=', 3));
  log.add('safed', pairRead('fan', 'V=', 0.5));
  log.add('safed', onBattery);
  return log;
}

const ohms = { ...measured('diode', 'U', 0.45, 'diode') };

describe('pair by pair', () => {
  test('each step names the next one, and only the last makes it dead', () => {
    const log = opened();
    const seen: string[] = [];
    const step = (body: BodyOf<'safed'>) => {
      expect(code(log, 'safed', body)).toBeUndefined();
      log.add('safed', body);
    };
    for (let i = 0; i < 20; i += 1) {
      const next = nextSafe(mainsSheet, energyOf(log));
      seen.push(
        next.kind === 'meter'
          ? `meter ${next.function}${next.again ? ' again' : ''}`
          : next.kind === 'pair'
            ? next.pair.id
            : next.kind,
      );
      if (next.kind === 'done') break;
      expect(energyOf(log).kind).not.toBe('dead');
      if (next.kind === 'isolate') step({ step: 'isolated' });
      else if (next.kind === 'meter') {
        if (next.function === 'V=' && !next.again) log.wait(5);
        step(next.function === 'V~' ? onSupply() : onBattery);
      } else if (next.kind === 'pair') {
        if (next.pair.id === 'bus') log.add('access', { access: 'lid' });
        step(pairRead(next.pair.id, next.pair.function, 0.4));
      }
    }
    expect(seen).toEqual([
      'isolate',
      'meter V~',
      'l-n',
      'l-pe',
      'n-pe',
      'meter V~ again',
      'meter V=',
      'bus',
      'fan',
      'meter V= again',
      'done',
    ]);
    expect(energyOf(log)).toMatchObject({ kind: 'dead' });
    expect(energyOf(log).proven.size).toBe(5);
  });

  test('while a store waits, its wait is the step; a figure then proves nothing, and is kept', () => {
    const log = mainsProven();
    const { energy } = fold(log);
    const now = energy.isolated!.time + 60_000;
    expect(nextSafe(mainsSheet, energy, now)).toMatchObject({ kind: 'wait', pair: { id: 'bus' } });
    const early = logWriter(energy.isolated!.time - 120_000);
    early.add('opened', { complaint: '', meter: null });
    early.add('safed', { step: 'isolated' });
    early.add('access', { access: 'lid' });
    expect(code(early, 'safed', pairRead('bus', 'V=', 3))).toBeUndefined();
    early.add('safed', pairRead('bus', 'V=', 3));
    early.add('safed', onBattery);
    expect(energyOf(early).proven.size).toBe(0);
  });

  test('a meter proven before isolating stays proven for the pairs', () => {
    const log = opened();
    log.add('safed', onSupply());
    log.add('safed', { step: 'isolated' });
    expect(nextSafe(mainsSheet, energyOf(log))).toMatchObject({
      kind: 'pair',
      pair: { id: 'l-n' },
    });
  });

  test.each<[string, BodyOf<'safed'>, string]>([
    ['DC on a mains pair', pairRead('l-n', 'V=', 0), 'wrong-function'],
    ['no function at all', { step: 'pair', pair: 'l-n', reading: volts(0) }, 'wrong-function'],
    ['a pair the sheet lacks', pairRead('x', 'V~', 0), 'unknown-pair'],
    ['no figure', { step: 'pair', pair: 'l-n', function: 'V~' }, 'safe-step-out-of-order'],
    ['a minus on AC', pairRead('l-n', 'V~', -2), 'negative-reading'],
    ['a pair under its cover', pairRead('bus', 'V=', 2), 'access-owed'],
    [
      'a low figure on DC, the meter proven on AC only',
      pairRead('fan', 'V=', 2),
      'safe-step-out-of-order',
    ],
    ['0 V on the supply', onSupply(0), 'source-unfit'],
    ['24 V for the supply', onSupply(24), 'source-unfit'],
    ['a battery on AC', { ...onSupply(9), source: { kind: 'battery' } }, 'source-unfit'],
    [
      'a press without a figure',
      { step: 'meter', function: 'V~', source: { kind: 'supply' } },
      'source-unfit',
    ],
    ['a press that names no source', { step: 'meter', function: 'V~' }, 'safe-step-out-of-order'],
    ['a step of the old kind', { step: 'meter-proved' }, 'old-step'],
  ])('%s is refused', (_, body, expected) => {
    const log = opened();
    log.add('safed', { step: 'isolated' });
    log.add('safed', onSupply());
    log.wait(6);
    expect(code(log, 'safed', body)).toBe(expected);
  });

  test('the bus is no source for its own proof', () => {
    const log = mainsProven();
    log.add('safed', pairRead('bus', 'V=', 310));
    const unit = (v: number): BodyOf<'safed'> => ({
      ...onBattery,
      source: { kind: 'proving-unit', volts: 300 },
      reading: volts(v),
    });
    expect(code(log, 'safed', unit(311))).toBe('source-unfit');
    expect(code(log, 'safed', unit(298))).toBeUndefined();
  });

  test('leads swapped on a charged bus are no low figure', () => {
    const log = mainsProven();
    log.add('safed', onBattery);
    log.add('safed', pairRead('bus', 'V=', -310));
    log.add('safed', pairRead('fan', 'V=', 0.5));
    log.add('safed', onBattery);
    expect(energyOf(log).proven.has('bus')).toBe(false);
    expect(energyOf(log).kind).toBe('not-proven');
  });

  test('a store that is watched as it falls keeps its place; low at last, the meter is proven for it', () => {
    const log = mainsProven();
    log.wait(4);
    log.add('safed', pairRead('bus', 'V=', 40));
    const now = Date.parse(log.entries.at(-1)!.at);
    expect(nextSafe(mainsSheet, energyOf(log), now)).toMatchObject({
      kind: 'pair',
      pair: { id: 'bus' },
    });
    expect(code(log, 'safed', pairRead('bus', 'V=', 20))).toBeUndefined();
    log.add('safed', pairRead('bus', 'V=', 20));
    expect(nextSafe(mainsSheet, energyOf(log), now)).toMatchObject({ kind: 'meter', again: false });
    log.add('safed', onBattery);
    expect(energyOf(log).proven.has('bus')).toBe(false);
    expect(nextSafe(mainsSheet, energyOf(log), now)).toMatchObject({
      kind: 'pair',
      pair: { id: 'bus' },
    });
  });

  test('one store of two proven is not dead: no ohms, no hand, no part', () => {
    const log = mainsProven();
    log.add('safed', onBattery);
    log.add('safed', pairRead('bus', 'V=', 3));
    log.add('safed', onBattery);
    expect(energyOf(log)).toMatchObject({ kind: 'not-proven' });
    expect(code(log, 'reading', ohms)).toBe('dead-not-proven');
    expect(code(log, 'answer', { test: 'looks', answer: 'clean' })).toBe('dead-not-proven');
    expect(code(log, 'access', { access: 'plug' })).toBe('dead-not-proven');
    expect(code(log, 'fitted', { part: 'board', note: '' })).toBe('dead-not-proven');
    expect(notDeadWords(mainsSheet, energyOf(log))).toMatch(
      /4 of 5 pairs.*Fan capacitor on DC volts/,
    );
    expect(code(allProven(), 'reading', ohms)).toBeUndefined();
  });

  test('a pair for one board lets that board wait, and no other', () => {
    const sheet: Sheet = {
      ...mainsSheet,
      safety: {
        ...mainsSheet.safety,
        prove: mainsSheet.safety.prove!.map((pair) =>
          pair.id === 'fan' ? { ...pair, for: ['in'] } : pair,
        ),
      },
    };
    const log = mainsProven();
    log.add('safed', onBattery);
    log.add('safed', pairRead('bus', 'V=', 3));
    log.add('safed', onBattery);
    const { energy } = fold(log, sheet);
    expect(energy.kind).toBe('not-proven');
    expect([
      deadFor(sheet, energy, ['b']),
      deadFor(sheet, energy, ['in']),
      deadFor(sheet, energy),
    ]).toEqual([true, false, false]);
    expect(code(log, 'reading', ohms, sheet)).toBeUndefined();
    expect(code(log, 'fitted', { part: 'board', note: '' }, sheet)).toBe('dead-not-proven');
  });
});

describe('the meter, before and after', () => {
  test('ten minutes lie between its two proofs at most', () => {
    const at = (minutes: number) => {
      const log = opened();
      log.add('safed', { step: 'isolated' });
      log.add('safed', onSupply());
      for (const id of ['l-n', 'l-pe', 'n-pe']) log.add('safed', pairRead(id, 'V~', 0.3));
      // Four minutes have gone by.
      log.wait(minutes - 4);
      log.add('safed', onSupply());
      return energyOf(log).proven.size;
    };
    expect([at(9), at(10), at(10.1)]).toEqual([3, 3, 0]);
    expect(BETWEEN_PROOFS_MS).toBe(600_000);
  });

  test('an old proof is told before the figure is lost', () => {
    const log = opened();
    log.add('safed', { step: 'isolated' });
    log.add('safed', onSupply());
    log.wait(11);
    expect(why(log, 'safed', pairRead('l-n', 'V~', 0.2))).toMatchObject({
      code: 'safe-step-out-of-order',
      message: expect.stringContaining('more than ten minutes ago') as string,
    });
    // A figure above the limit needs no proof: it says what it says.
    expect(code(log, 'safed', pairRead('l-n', 'V~', 229))).toBeUndefined();
  });

  test('another meter in hand, or the connected one pulled out between two pairs, is another meter', () => {
    const log = opened();
    log.add('safed', { step: 'isolated' });
    log.add('safed', { ...onSupply(), live: true });
    log.add('safed', { ...pairRead('l-n', 'V~', 0.2), live: true });
    expect(why(log, 'safed', pairRead('l-pe', 'V~', 0.2))).toMatchObject({
      code: 'safe-step-out-of-order',
      message: expect.stringContaining('another meter') as string,
    });
    expect(code(log, 'safed', { ...pairRead('l-pe', 'V~', 0.2), live: true })).toBeUndefined();
    // Recorded all the same, it proves nothing.
    log.add('safed', pairRead('l-pe', 'V~', 0.2));
    log.add('safed', { ...pairRead('n-pe', 'V~', 0.2), live: true });
    log.add('safed', { ...onSupply(), live: true });
    expect([...energyOf(log).proven.keys()]).toEqual(['l-n', 'n-pe']);
    const other = opened();
    other.add('safed', { step: 'isolated' });
    other.add('safed', onSupply());
    other.add('meter', { meter: { ...smallMeter, id: 'second', functions: [] } });
    expect(nextSafe(mainsSheet, energyOf(other))).toMatchObject({ kind: 'meter', again: false });
  });

  test('its second proof opens the next pairs: three figures of it bracket two stretches', () => {
    const log = opened();
    log.add('safed', { step: 'isolated' });
    log.add('safed', onSupply());
    log.add('safed', pairRead('l-n', 'V~', 0.2));
    log.wait(6);
    log.add('safed', onSupply());
    log.add('safed', pairRead('l-pe', 'V~', 0.2));
    log.add('safed', pairRead('n-pe', 'V~', 0.2));
    log.wait(4);
    log.add('safed', onSupply());
    expect(energyOf(log).proven.size).toBe(3);
  });
});

describe('lost again', () => {
  const after = <K extends EntryKind>(kind: K, body: BodyOf<K>) => {
    const log = allProven();
    expect(energyOf(log).kind).toBe('dead');
    const entry = log.add(kind, body);
    return { log, entry, energy: energyOf(log) };
  };

  test.each<[string, EntryKind, object]>([
    ['a test on the bus', 'reading', measured('bus-rest', 'PN', 48)],
    ['the same with the leads swapped', 'reading', measured('bus-rest', 'PN', -48)],
    ['OL on it', 'reading', { ...measured('bus-rest', 'PN', 0), reading: { kind: 'overload' } }],
    ['a pair measured once more', 'safed', pairRead('fan', 'V=', 30)],
    [
      'a connected meter',
      'volts-seen',
      { function: 'V=', reading: volts(48), red: 'b.N', black: 'b.P' },
    ],
    ['a connected meter somewhere', 'volts-seen', { function: 'V~', reading: volts(24.5) }],
    [
      'a series',
      'series',
      {
        test: 'bus-rest',
        point: 'PN',
        function: 'V=',
        samples: [
          { t: 0, value: 2 },
          { t: 1, value: 40 },
        ],
      },
    ],
  ])('by %s', (_, kind, body) => {
    const { energy, entry, log } = after(kind, body as never);
    expect(energy).toMatchObject({ kind: 'not-proven', lost: { entry: entry.id } });
    expect(energy.proven.size).toBe(0);
    expect(nextSafe(mainsSheet, energy)).toEqual({ kind: 'isolate' });
    expect(why(log, 'reading', ohms)).toMatchObject({
      code: 'dead-not-proven',
      message: expect.stringContaining('no longer proven dead') as string,
    });
  });

  test('figures below the limits, and other functions, leave it dead', () => {
    expect(after('reading', measured('bus-rest', 'PN', 23)).energy.kind).toBe('dead');
    expect(after('reading', { ...ohms, reading: volts(1.9) }).energy.kind).toBe('dead');
    expect(after('safed', pairRead('fan', 'V=', 1)).energy.kind).toBe('dead');
  });

  test('taking the figure back does not bring the proof back; what a meter showed cannot be taken back', () => {
    const { log, entry } = after('reading', measured('bus-rest', 'PN', 48));
    log.add('withdrawn', { entry: entry.id, reason: 'slip' });
    expect(energyOf(log).kind).toBe('not-proven');
    const seen = after('volts-seen', { function: 'V=', reading: volts(48) });
    expect(code(seen.log, 'withdrawn', { entry: seen.entry.id, reason: '' })).toBe(
      'nothing-to-withdraw',
    );
  });

  test('a part of it proven is lost as well; nothing proven has nothing to lose', () => {
    const log = mainsProven();
    expect(energyOf(log).proven.size).toBe(3);
    log.add('volts-seen', { function: 'V~', reading: volts(229), red: 'in.L', black: 'in.N' });
    expect(energyOf(log)).toMatchObject({
      kind: 'not-proven',
      lost: { where: 'L to N', volts: 229 },
    });
    expect(code(opened(), 'volts-seen', { function: 'V~', reading: volts(229) })).toBe(
      'nothing-lost',
    );
    expect(code(allProven(), 'volts-seen', { function: 'V~', reading: volts(3) })).toBe(
      'nothing-lost',
    );
  });

  test('after it, everything is proven anew from the isolation on', () => {
    const { log } = after('reading', measured('bus-rest', 'PN', 48));
    expect(code(log, 'safed', pairRead('l-n', 'V~', 0.2))).toBe('safe-step-out-of-order');
    allProven(mainsProven(log));
    expect(energyOf(log).kind).toBe('dead');
    expect(energyOf(log).lost).toBeUndefined();
  });
});

describe('what harms on a dead machine too', () => {
  const capacitance = {
    test: 'fan-cap',
    point: 'C',
    function: 'capacitance' as const,
    reading: volts(0.00004),
    typed: '40u',
  };
  const insulation = {
    test: 'frame',
    point: 'U',
    function: 'insulation' as const,
    reading: volts(5e7),
    typed: '50M',
  };

  test('capacitance on a store that read charged is refused until it reads drained', () => {
    const log = mainsProven();
    log.add('safed', onBattery);
    log.add('safed', pairRead('bus', 'V=', 3));
    log.add('safed', pairRead('fan', 'V=', 12));
    log.add('safed', onBattery);
    expect(energyOf(log).kind).toBe('dead');
    expect(why(log, 'reading', capacitance)).toMatchObject({
      code: 'store-charged',
      message: expect.stringContaining('Drain it through a resistor') as string,
    });
    log.add('safed', pairRead('fan', 'V=', 0.4));
    expect(code(log, 'reading', capacitance)).toBeUndefined();
  });

  test('a test’s later figure on it counts as well, whatever other pair was read since', () => {
    const log = allProven();
    log.add('reading', { ...measured('fan-volts', 'C', 12), reading: volts(12) });
    log.add('safed', pairRead('bus', 'V=', 2));
    expect(code(log, 'reading', capacitance)).toBe('store-charged');
    log.add('safed', pairRead('fan', 'V=', 0.3));
    expect(code(log, 'reading', capacitance)).toBeUndefined();
  });

  test('insulation with the electronics plugged in is refused', () => {
    const log = allProven();
    expect(why(log, 'reading', insulation)).toMatchObject({
      code: 'electronics-plugged-in',
      message: expect.stringContaining('First: plug') as string,
    });
    log.add('access', { access: 'plug' });
    expect(code(log, 'reading', insulation)).toBeUndefined();
  });
});

describe('a log from before', () => {
  const old = (log: LogWriter) => {
    log.add('safed', { step: 'isolated' });
    log.add('safed', { step: 'meter-proved' });
    log.wait(6);
    log.add('safed', { step: 'bus', reading: volts(3), typed: '3' });
    log.add('safed', { step: 'meter-reproved' });
    log.add('reading', ohms);
    return log;
  };

  test('folds, keeps its readings, and is not proven: no figure of the meter stands in it', () => {
    const log = old(opened());
    for (const sheet of [mainsSheet, smallSheet]) {
      const state = fold(log, sheet);
      expect(state.energy.kind).toBe('not-proven');
      expect(state.energy.readings).toHaveLength(1);
      expect(state.current.get('diode@U')?.standing.kind).toBe('counts');
    }
  });

  test('on a sheet from before, dead work is refused with the sentence that mends it', () => {
    const { prove: _prove, stores: _stores, ...plain } = mainsSheet.safety;
    const sheet: Sheet = {
      ...mainsSheet,
      safety: { ...plain, bus: { red: 'b.P', black: 'b.N', below: 24 } },
    };
    const log = opened();
    log.add('safed', { step: 'isolated' });
    log.add('safed', onBattery);
    log.wait(5);
    log.add('safed', busAt(volts(3)));
    log.add('safed', onBattery);
    expect(energyOf(log, sheet)).toMatchObject({ kind: 'not-proven' });
    expect(nextSafe(sheet, energyOf(log, sheet)).kind).toBe('sheet');
    expect(why(log, 'reading', ohms, sheet)).toMatchObject({
      code: 'dead-not-proven',
      message: expect.stringContaining('Add those pairs on V~ under safety') as string,
    });
  });
});

test('a proof that does not fit, or a pair on the wrong function, counts for nothing in the log either', () => {
  const log = opened();
  log.add('safed', { step: 'isolated' });
  log.add('safed', onSupply(0));
  log.add('safed', pairRead('l-n', 'V~', 0.2));
  log.add('safed', onSupply(0));
  expect(energyOf(log).proven.size).toBe(0);
  log.add('safed', onSupply());
  log.add('safed', pairRead('l-n', 'V=', 0.2));
  log.add('safed', onSupply());
  expect(energyOf(log).proven.size).toBe(0);
});

test('a meter held to the bus counts for nothing in the log either', () => {
  const log = mainsProven();
  const onBus: BodyOf<'safed'> = {
    ...onBattery,
    source: { kind: 'proving-unit', volts: 300 },
    reading: volts(310),
  };
  log.add('safed', onBus);
  expect(energyOf(log).proofs['V=']).toBeDefined();
  log.add('safed', pairRead('bus', 'V=', 310));
  log.add('safed', onBus);
  expect(energyOf(log).held.filter((proof) => proof.function === 'V=')).toHaveLength(1);
});

test('no log of any kind makes it dead without every pair low between two figures of the meter', () => {
  const step = fc.record({
    what: fc.constantFrom('isolate', 'supply', 'battery', 'pair', 'live', 'undo', 'seen', 'meter'),
    pair: fc.constantFrom('l-n', 'l-pe', 'n-pe', 'bus', 'fan'),
    volts: fc.constantFrom(0, 1, 9, 231, 300),
    minutes: fc.constantFrom(0, 0, 1, 6),
    live: fc.constantFrom(true, undefined),
  });
  // From a log that is nearly there, so that many runs are dead before the end.
  const start = fc.constantFrom('none', 'mains', 'all');
  fc.assert(
    fc.property(start, fc.array(step, { maxLength: 16 }), (from, list) => {
      const log = from === 'none' ? opened() : from === 'mains' ? mainsProven() : allProven();
      log.add('access', { access: 'lid' });
      for (const { what, pair, volts: v, minutes, live } of list) {
        log.wait(minutes);
        const by = live && { live };
        if (what === 'isolate') log.add('safed', { step: 'isolated' });
        else if (what === 'supply') log.add('safed', { ...onSupply(), ...by });
        else if (what === 'battery') log.add('safed', { ...onBattery, ...by });
        else if (what === 'pair')
          log.add('safed', { ...pairRead(pair, pair.includes('-') ? 'V~' : 'V=', v), ...by });
        else if (what === 'live') log.add('energised', { precautions: true });
        else if (what === 'seen') log.add('volts-seen', { function: 'V=', reading: volts(v) });
        else if (what === 'meter')
          log.add('meter', { meter: { ...smallMeter, id: `m${minutes}`, functions: [] } });
        else log.add('withdrawn', { entry: log.entries.at(-1)!.id, reason: '' });
      }
      const { energy, log: folded } = fold(log);
      if (energy.kind !== 'dead') return;
      const stands = (entry: FoldedEntry) => !entry.withdrawnBy;
      const place = (id: string) => folded.findIndex((each) => each.id === id);
      const lastDanger = folded.findLastIndex((e) => e.kind === 'energised');
      for (const { id, function: fn, deadBelow } of mainsSheet.safety.prove!) {
        const reading = energy.proven.get(id!)!;
        expect(reading.reading.kind === 'value' && reading.reading.value).toBeLessThan(deadBelow);
        expect(place(reading.entry)).toBeGreaterThan(lastDanger);
        const proofs = folded.filter(
          (e) =>
            stands(e) && isEntry('safed', e) && e.body.step === 'meter' && e.body.function === fn,
        );
        const before = proofs.findLast((e) => place(e.id) < place(reading.entry));
        const after = proofs.find((e) => place(e.id) > place(reading.entry));
        const apart = Date.parse(after!.at) - Date.parse(before!.at);
        expect(apart).toBeLessThanOrEqual(BETWEEN_PROOFS_MS);
      }
    }),
    { numRuns: 400 },
  );
});

test('the small machine still goes by its one store', () => {
  expect(energyOf(provenDead(), smallSheet).kind).toBe('dead');
});
