/** Jobs with rules, series, label figures, sensors, several meters and isolation. */
import { busAt, logWriter, onBattery, provenDead, smallMeter, volts } from '../../test/small-sheet';
import { wideSheet } from '../../test/wide-sheet';
import type { MeterProfile } from '../meter/profile';
import { buildReport } from '../report/report';
import { refusalOf } from './admission/refusal-of';
import { assess } from '../diagnose/assess';
import type { BodyOf } from './kinds/index';
import { foldJob } from './fold/fold';
import { limitsAt, stillAsked } from './findings/limits';
import { findTest } from '../sheet/lookup';
import type { MeasureTest } from '../sheet/schema';

const read = (
  test: string,
  point: string,
  value: number | 'OL',
  fn: BodyOf<'reading'>['function'] = 'ohm',
  contact?: true,
): BodyOf<'reading'> => ({
  test,
  point,
  function: fn,
  reading: value === 'OL' ? { kind: 'overload' } : volts(value),
  typed: String(value),
  ...(contact && { contact }),
});
const fold = (log: ReturnType<typeof logWriter>) => foldJob(wideSheet, log.entries);
const live = () => {
  const log = logWriter();
  log.add('opened', { complaint: '', meter: smallMeter });
  log.add('energised', { precautions: true });
  return log;
};

describe('rules over several readings', () => {
  const windings = (a: number, b: number, c: number | 'OL') => {
    const log = provenDead();
    log.add('access', { access: 'plug' });
    log.add('reading', read('windings', 'UV', a));
    log.add('reading', read('windings', 'VP', b));
    expect(fold(log).groups).toEqual([]);
    log.add('reading', read('windings', 'PU', c));
    return log;
  };
  test('the rule speaks as soon as its last reading stands, and weighs as evidence', () => {
    const log = windings(7, 7.1, 5.9);
    const state = fold(log);
    expect(state.groups).toMatchObject([
      { observable: 'windings@agree', judgement: { outcome: 'unequal' } },
    ]);
    const assessment = assess(wideSheet, state);
    expect(assessment.evidence.map(({ from }) => from.kind)).toEqual([
      'taken',
      'taken',
      'taken',
      'group',
    ]);
    expect(assessment.suspects[0]!.fault.id).toBe('motor');
    // What the last entry did includes what the rule said.
    expect(assessment.suspects[0]!.before).toBeLessThan(assessment.suspects[0]!.p);
    const report = buildReport(wideSheet, state, assessment);
    expect(report.rows.at(-1)).toMatchObject({ where: 'Equal among themselves', mark: 'out' });
    expect(report.rows).toHaveLength(4);
  });
  test('withdrawing one reading takes the rule back', () => {
    const log = windings(7, 7.1, 7);
    expect(fold(log).groups).toHaveLength(1);
    log.add('withdrawn', { entry: log.entries.at(-1)!.id, reason: '' });
    expect(fold(log).groups).toEqual([]);
  });
});

describe('isolation', () => {
  test('still plugged in, a low reading cannot tell; in an older log a good one is believed', () => {
    const log = provenDead();
    log.add('reading', read('windings', 'UV', 3));
    log.add('reading', read('windings', 'VP', 7));
    const [low, good] = fold(log).taken;
    expect(low!.standing).toMatchObject({
      kind: 'one-sided',
      because: expect.stringContaining('not isolated (plug)') as string,
    });
    expect(good!.standing.kind).toBe('counts');
    log.add('access', { access: 'plug' });
    log.add('reading', read('windings', 'UV', 3));
    expect(fold(log).current.get('windings@UV')!.standing.kind).toBe('counts');
  });
});

describe('figures that limits hang on', () => {
  const label = findTest(wideSheet, 'rail-label') as MeasureTest;
  test('without the label’s figure there is no judging; with it there is', () => {
    const log = live();
    const reading = log.make('reading', read('rail-label', 'PN', 207, 'V='));
    expect(refusalOf(wideSheet, fold(log), reading)).toMatchObject({
      code: 'given-owed',
      message: expect.stringContaining('Vs on the sticker') as string,
    });
    expect(stillAsked(fold(log), label, label.points[0]!)).toMatchObject({
      asks: 'Vs on the sticker',
    });
    log.add('given', { test: 'rail-label', value: 205, typed: '205' });
    expect(refusalOf(wideSheet, fold(log), reading)).toBeUndefined();
    log.add('reading', read('rail-label', 'PN', 207, 'V='));
    const state = fold(log);
    expect(limitsAt(wideSheet, state, label, label.points[0]!)).toMatchObject({ value: 205 });
    expect(state.current.get('rail-label')).toMatchObject({
      given: 205,
      judgement: { verdict: 'in' },
    });
    expect(buildReport(wideSheet, state, assess(wideSheet, state)).rows.at(-1)!.limit).toMatch(
      '200.9 to 209.1',
    );
  });
  test('a later figure judges anew what is read after it', () => {
    const log = live();
    log.add('given', { test: 'rail-label', value: 205, typed: '' });
    log.add('given', { test: 'rail-label', value: 180, typed: '' });
    log.add('reading', read('rail-label', 'PN', 207, 'V='));
    expect(fold(log).current.get('rail-label')).toMatchObject({ judgement: { outcome: 'high' } });
  });
  test('a temperature beyond the sensor’s curve, and a figure nobody asked for, are refused', () => {
    const log = provenDead();
    const beyond = log.make('given', { test: 'sensor', value: 400, typed: '400' });
    expect(refusalOf(wideSheet, fold(log), beyond)?.code).toBe('given-beyond');
    const unasked = log.make('given', { test: 'windings', value: 4, typed: '4' });
    expect(refusalOf(wideSheet, fold(log), unasked)?.code).toBe('unknown-test');
    const question = log.make('given', { test: 'looks', value: 4, typed: '4' });
    expect(refusalOf(wideSheet, fold(log), question)?.code).toBe('unknown-test');
  });
});

describe('series', () => {
  const body = (values: number[]): BodyOf<'series'> => ({
    test: 'steady',
    point: '12',
    function: 'V=',
    samples: values.map((value, i) => ({ t: i * 3, value })),
  });
  test('are judged, stand in the report, and count as evidence', () => {
    const log = live();
    log.add('series', body([5, 5.1, 4.6]));
    const state = fold(log);
    expect(state.current.get('steady')).toMatchObject({
      kind: 'series',
      judgement: { outcome: 'unsteady' },
    });
    expect(buildReport(wideSheet, state, assess(wideSheet, state)).rows[0]).toMatchObject({
      value: '3 figures in 6 s, 4.6\u2009V to 5.1\u2009V',
      mark: 'out',
    });
  });
  test('too short a series proves nothing and says so', () => {
    const log = live();
    log.add('series', body([5, 5.1]));
    const assessment = assess(wideSheet, fold(log));
    expect(assessment.notProven).toContainEqual(
      expect.objectContaining({ kind: 'cannot-tell', observable: 'steady' }),
    );
    const before = assess(wideSheet, fold(live()));
    expect(assessment.suspects[0]!.p).toBeCloseTo(before.suspects[0]!.p, 9);
  });
  test('a single figure where a series belongs, a series where one figure does, and time running back', () => {
    const log = live();
    const state = fold(log);
    expect(
      refusalOf(wideSheet, state, log.make('reading', read('steady', '12', 5, 'V=')))?.code,
    ).toBe('not-a-series');
    expect(
      refusalOf(wideSheet, state, log.make('series', { ...body([5]), test: 'rail' }))?.code,
    ).toBe('not-a-series');
    const back = {
      ...body([5, 5]),
      samples: [
        { t: 3, value: 5 },
        { t: 1, value: 5 },
      ],
    };
    expect(refusalOf(wideSheet, state, log.make('series', back))?.code).toBe('not-in-order');
    expect(
      refusalOf(wideSheet, state, log.make('series', { ...body([5]), function: 'ohm' }))?.code,
    ).toBe('wrong-function');
    expect(refusalOf(wideSheet, fold(provenDead()), log.make('series', body([5])))?.code).toBe(
      'not-live',
    );
  });
});

describe('meters', () => {
  const weak: MeterProfile = {
    ...smallMeter,
    id: 'weak',
    name: 'Weak',
    rating: { category: 3, volts: 150 },
  };
  const strong: MeterProfile = {
    ...smallMeter,
    id: 'strong',
    name: 'Strong',
    rating: { category: 3, volts: 600 },
  };
  test('one rated below the unit’s volts is refused live, bus included; another taken in hand is used', () => {
    const log = logWriter();
    log.add('opened', { complaint: '', meter: weak });
    log.add('energised', { precautions: true });
    const reading = log.make('reading', read('rail', '12', 5, 'V='));
    expect(refusalOf(wideSheet, fold(log), reading)).toMatchObject({
      code: 'meter-unfit',
      message: expect.stringContaining('rated 150 V') as string,
    });
    log.add('safed', { step: 'isolated' });
    log.add('safed', onBattery);
    const bus = log.make('safed', busAt(volts(3)));
    expect(refusalOf(wideSheet, fold(log), bus)?.code).toBe('meter-unfit');
    log.add('meter', { meter: strong });
    expect(refusalOf(wideSheet, fold(log), bus)).toBeUndefined();
    expect(fold(log).meters.map(({ id }) => id)).toEqual(['strong', 'weak']);
  });
  test('each test uses the latest meter that is fit for it', () => {
    const fine: MeterProfile = {
      id: 'fine',
      name: 'Fine ohmmeter',
      functions: [
        { function: 'ohm', ranges: [{ upTo: 60, resolution: 0.001, percent: 0.1, counts: 1 }] },
      ],
    };
    const log = provenDead();
    log.add('meter', { meter: fine });
    log.add('access', { access: 'plug' });
    log.add('reading', read('windings', 'UV', 7));
    const [taken] = fold(log).taken;
    expect(taken!.kind === 'reading' && taken!.judgement.u).toBeLessThan(0.01);
    const state = fold(log);
    expect(buildReport(wideSheet, state, assess(wideSheet, state)).meter).toBe(
      'Fine ohmmeter; Test meter',
    );
  });
  test('leads that the meter brings along are subtracted until they are zeroed anew', () => {
    const log = logWriter();
    log.add('opened', { complaint: '', meter: { ...smallMeter, lead: { value: 0.3, half: 0.1 } } });
    log.add('safed', { step: 'isolated' });
    log.add('safed', onBattery);
    log.wait(5);
    log.add('safed', busAt(volts(3)));
    log.add('safed', onBattery);
    log.add('access', { access: 'plug' });
    log.add('reading', read('windings', 'UV', 7.3));
    log.add('lead', { value: 0.1, half: 0.1 });
    log.add('reading', read('windings', 'VP', 7.3));
    expect(fold(log).taken.map((t) => t.kind === 'reading' && t.judgement.corrected)).toEqual([
      expect.closeTo(7, 9),
      expect.closeTo(7.2, 9),
    ]);
  });
});

describe('rules decided before their last reading', () => {
  const bridge: typeof wideSheet = {
    ...wideSheet,
    tests: [
      ...wideSheet.tests,
      {
        id: 'bridge',
        title: 'Bridge',
        how: 'measure',
        state: 'dead',
        function: 'diode',
        points: [
          { id: 'NU', red: 'b.N', black: 'b.U' },
          { id: 'NV', red: 'b.N', black: 'b.V' },
          {
            id: 'UN',
            red: 'b.U',
            black: 'b.N',
            expect: { kind: 'open', above: 2, unit: 'V' },
          },
        ],
        expect: { kind: 'between', low: 0.35, high: 0.6, unit: 'V' },
        together: [
          { id: 'all', kind: 'matrix', forward: ['NU', 'NV'], blocked: ['UN'], spread: 0.04 },
          { id: 'agree', kind: 'balance', spread: 0.05, points: ['NU', 'NV', 'UN'] },
        ],
      },
    ],
  };
  const groups = (...figures: readonly [string, number | 'OL'][]) => {
    const log = provenDead();
    for (const [point, value] of figures) log.add('reading', read('bridge', point, value, 'diode'));
    return foldJob(bridge, log.entries).groups.map(({ rule, judgement, taken, of }) => [
      rule.id,
      judgement.outcome,
      taken,
      of,
    ]);
  };
  test('one shorted pair decides the bridge at once; sound ones decide nothing yet', () => {
    expect(groups(['NU', 0.02])).toEqual([['all', 'short', 1, 3]]);
    expect(groups(['UN', 0.4])).toEqual([['all', 'short', 1, 3]]);
    expect(groups(['NU', 0.46], ['NV', 0.45])).toEqual([]);
  });
  test('two drops too far apart decide their agreement', () => {
    expect(groups(['NU', 0.37], ['NV', 0.55])).toEqual([['agree', 'unequal', 2, 3]]);
  });
});

test('an absence with proven contact no longer owes it', () => {
  const log = provenDead();
  log.add('access', { access: 'plug' });
  log.add('reading', read('windings', 'UV', 'OL'));
  log.add('reading', read('windings', 'VP', 'OL', 'ohm', true));
  const [owing, proven] = fold(log).taken;
  expect(owing!.kind === 'reading' && owing!.judgement.contactOwed).toBe(true);
  expect(proven!.kind === 'reading' && proven!.judgement.contactOwed).toBe(false);
  const report = buildReport(wideSheet, fold(log), assess(wideSheet, fold(log)));
  expect(report.rows[0]!.verdict).toMatch('contact is not proven');
  expect(report.rows[1]!.verdict).toMatch('contact: proven');
});

test('a sequence’s readings are taken in their phases', () => {
  const log = live();
  log.add('reading', read('light-up', 'on', 126, 'V~'));
  log.add('reading', read('light-up', 'off', 120, 'V~'));
  const state = fold(log);
  expect(state.current.get('light-up@on')).toMatchObject({ judgement: { verdict: 'in' } });
  expect(assess(wideSheet, state).suspects[0]!.fault.id).toBe('flame');
});
