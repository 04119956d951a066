/** Work changes the machine: epochs, what counts once and what stands beside it, swaps that do not help. */
import { heatSheet as sheet, liveHeat, openHeat, read } from '../../../test/heat-sheet';
import { logWriter, proveDead, smallMeter, volts, type LogWriter } from '../../../test/small-sheet';
import { assess, carriedFrom } from '../../diagnose/assess';
import { evidenceOf } from '../../diagnose/evidence-of';
import { headlineOf } from '../../diagnose/headline';
import { notProvenWords } from '../../diagnose/not-proven';
import { buildReport } from '../../report/report';
import { refusalOf } from '../admission/refusal-of';
import { limitsAt } from '../findings/limits';
import { lookSince, proofOf, staleOf } from '../findings/proof';
import { foldJob } from '../fold/fold';
import type { MeasureTest } from '../../sheet/schema';
import type { BodyOf, EntryKind } from '../kinds/index';
import { summarise } from '../trail/summary';
import { carriedBy, curesOf, touchedBy } from './cures';
import type { Specimen } from './specimen';

const fold = (log: LogWriter) => foldJob(sheet, log.entries);
const code = <K extends EntryKind>(log: LogWriter, kind: K, body: BodyOf<K>) =>
  refusalOf(sheet, fold(log), log.make(kind, body))?.code;
const evidence = (log: LogWriter) => evidenceOf(fold(log), sheet).map((item) => item.evidence);
const said = (log: LogWriter) =>
  fold(log).taken.map(({ observable, standing }) => `${observable} ${standing.kind}`);

/** 0 V at the igniter with heat called and a good rail: the driver, or the joint before it. */
function noVolts(log: LogWriter = openHeat()): LogWriter {
  liveHeat(log);
  read(log, 'rail', 5);
  log.add('window', { state: 'heat' });
  read(log, 'out', 0);
  read(log, 'out', 0);
  return log;
}

test('a look for the complaint speaks for the machine as it was looked at, not for one mended since', () => {
  const log = noVolts();
  expect(lookSince(fold(log))).toBeUndefined();
  log.add('looked', { seen: false });
  expect(lookSince(fold(log))?.body.seen).toBe(false);
  log.add('work', { what: 'reseated', repair: 'reseat', note: '' });
  expect(lookSince(fold(log))).toBeUndefined();
  log.add('looked', { seen: true });
  expect(lookSince(fold(log))?.body.seen).toBe(true);
  expect(proofOf(fold(log))).toMatchObject({ seen: true, proven: false });
});

test('“not seen” proves a repair only in the state that had shown the complaint', () => {
  const log = liveHeat(openHeat(), 'heat');
  log.add('looked', { seen: true });
  log.add('work', { what: 'reseated', repair: 'reseat', note: '' });
  log.add('window', { state: 'standby' });
  log.add('looked', { seen: false });
  expect(fold(log).looked.map(({ state, body }) => [state, body.seen])).toEqual([
    ['heat', true],
    ['standby', false],
  ]);
  expect(proofOf(fold(log))!.proven).toBe(false);
  log.add('window', { state: 'heat' });
  log.add('looked', { seen: false });
  expect(proofOf(fold(log))!.proven).toBe(true);
});

describe('again, changed, later', () => {
  test('agreeing figures of one spell count once, with how often they agreed', () => {
    const log = noVolts();
    expect(evidence(log)).toMatchObject([{ test: 'rail' }, { test: 'out', again: 1 }]);
  });

  test('moments apart and contradictory: the later stands, and is asked about', () => {
    const log = noVolts();
    read(log, 'out', 24);
    expect(evidence(log)).toHaveLength(2);
    const out = fold(log).current.get('out')!;
    expect(out.contradicts).toBe(log.entries.at(-2)!.id);
    expect(said(log)).toEqual(['rail counts', 'out repeated', 'out repeated', 'out counts']);
  });

  test('“it comes and goes” lets both stand, and is said; a slip changes nothing', () => {
    const log = noVolts();
    read(log, 'out', 24);
    const entry = log.entries.at(-1)!.id;
    const slip = { entry, as: 'slip' } as const;
    expect(code(log, 'contradiction', slip)).toBeUndefined();
    log.add('contradiction', slip);
    expect(evidence(log)).toHaveLength(2);
    log.add('contradiction', { entry, as: 'comes-and-goes' });
    expect(said(log)).toEqual(['rail counts', 'out repeated', 'out counts', 'out counts']);
    expect(assess(sheet, fold(log)).notProven.map((item) => notProvenWords(item))).toContain(
      'Comes and goes: Igniter volts. Good once is not mended.',
    );
    // Nothing contradicts a first figure.
    const first = log.entries.find(({ kind }) => kind === 'reading')!.id;
    expect(code(log, 'contradiction', { entry: first, as: 'slip' })).toBe('nothing-contradicts');
  });

  test('three lockouts, then good a quarter of an hour later: intermittent, not healed', () => {
    const log = noVolts();
    read(log, 'out', 0);
    const before = assess(sheet, fold(log)).belief;
    log.wait(15);
    read(log, 'out', 24);
    expect(evidence(log)).toMatchObject([
      { test: 'rail' },
      { test: 'out', again: 2 },
      { test: 'out' },
    ]);
    const after = assess(sheet, fold(log)).belief;
    // The driver and the joint explain both; nothing wrong explains only the last.
    expect(after.sound).toBeLessThan(0.02);
    expect(after.faults.joint! + after.faults.driver!).toBeGreaterThan(0.9);
    expect(before.faults.joint! + before.faults.driver!).toBeGreaterThan(0.9);
  });

  test('in another state a contradictory figure stands beside', () => {
    const log = liveHeat(openHeat(), 'heat');
    log.add('answer', { test: 'glow', answer: 'dark' });
    log.add('window', { state: 'standby' });
    log.add('answer', { test: 'glow', answer: 'glows' });
    // Void in standby: it says nothing, and leaves what was seen standing.
    expect(evidence(log)).toEqual([{ test: 'glow', outcome: 'dark' }]);
  });
});

describe('what work touches', () => {
  test('a part brings what sits on it; a fitted one cures its own faults, a repair those it names', () => {
    expect([...carriedBy(sheet, 'board')]).toEqual(['board', 'power']);
    expect(curesOf(sheet, { what: 'fitted', part: 'board', note: '' })).toEqual({
      supply: 0.98,
      driver: 0.98,
      bridge: 0.98,
    });
    expect(curesOf(sheet, { what: 'reseated', repair: 'reseat', note: '' })).toEqual({
      joint: 0.8,
    });
    expect(curesOf(sheet, { what: 'reset', repair: 'cycle', note: '' })).toEqual({ driver: 0.2 });
    expect(curesOf(sheet, { what: 'cleaned', part: 'igniter', note: '' })).toEqual({
      igniter: 0.5,
    });
    expect(curesOf(sheet, { what: 'other', note: 'swept the floor' })).toEqual({});
  });

  test('what its faults show, and all that these feed', () => {
    const touched = touchedBy(sheet, { what: 'fitted', part: 'board', note: '' });
    expect([...touched].sort()).toEqual(['bridge', 'glow', 'out', 'plugged-off', 'rail', 'track']);
    const joint = touchedBy(sheet, { what: 'reseated', repair: 'reseat', note: '' });
    expect([...joint].sort()).toEqual(['glow', 'joint', 'out']);
  });
});

describe('a swap', () => {
  const swapped = () => {
    const log = proveDead(noVolts());
    log.add('work', { what: 'fitted', part: 'board', trial: true, note: '' });
    return log;
  };

  test('the old board’s figures never accuse the new one', () => {
    const log = swapped();
    const { belief, suspects } = assess(sheet, fold(log));
    expect(belief.faults.driver).toBeGreaterThan(0.3);
    expect(belief.now.driver).toBeLessThan(0.02);
    expect(suspects.find(({ fault }) => fault.id === 'driver')).toMatchObject({
      now: belief.now.driver,
    });
    expect(staleOf(fold(log)).map(({ observable }) => observable)).toEqual(['rail', 'out']);
  });

  test('that does not help turns to what else explains it, and comes out again', () => {
    const log = swapped();
    liveHeat(log, 'standby');
    read(log, 'rail', 5);
    log.add('window', { state: 'heat' });
    read(log, 'out', 0);
    const items = evidence(log);
    expect(items.map((item) => Object.keys(item)[0])).toEqual([
      'test',
      'test',
      'done',
      'ran',
      'test',
      'test',
    ]);
    const { belief } = assess(sheet, fold(log));
    expect(belief.now.joint).toBeGreaterThan(0.8);
    expect(belief.faults.driver).toBeLessThan(0.2);
    expect(proofOf(fold(log))).toMatchObject({ proven: false, bad: [{ observable: 'out' }] });
    proveDead(log);
    expect(code(log, 'work', { what: 'put-back', part: 'igniter', note: '' })).toBe(
      'nothing-to-put-back',
    );
    log.add('work', { what: 'put-back', part: 'board', note: '' });
    const back = assess(sheet, fold(log)).belief;
    expect(back.now.driver).toBeCloseTo(back.faults.driver!, 6);
    // Undone: the swap out of the log, nothing was ever changed.
    const gone = swapped();
    gone.add('withdrawn', { entry: gone.entries.at(-1)!.id, reason: 'was not in' });
    expect(fold(gone).epochs.size).toBe(0);
    expect(evidence(gone)).toHaveLength(2);
  });

  test('three failed goes weigh as three: an epoch lies between them', () => {
    const log = liveHeat(openHeat(), 'heat');
    const factors: number[] = [];
    for (let go = 0; go < 3; go += 1) {
      log.add('answer', { test: 'glow', answer: 'dark' });
      factors.push(assess(sheet, fold(log)).belief.faults.driver!);
      log.add('work', { what: 'reset', repair: 'cycle', note: '' });
      log.add('window', { state: 'heat' });
    }
    expect(evidence(log).filter((item) => 'test' in item)).toHaveLength(3);
    expect(factors[2]).toBeLessThan(factors[0]!);
  });
});

describe('a joint reseated', () => {
  const reseated = () => {
    const log = noVolts();
    proveDead(log);
    log.add('lead', { value: 0.2, half: 0.1 });
    read(log, 'joint', 80, { point: '1', fn: 'ohm' });
    read(log, 'joint', 85, { point: '1', fn: 'ohm' });
    return log;
  };

  test('is accused itself, and no part with it', () => {
    const assessment = assess(sheet, fold(reseated()));
    expect(assessment.accused.has('joint')).toBe(true);
    expect(assessment.belief.faults.joint).toBeGreaterThan(0.9);
    expect(assessment.suspects[0]).toMatchObject({ fault: { id: 'joint' }, part: undefined });
    expect(headlineOf(assessment)).toMatchObject({ kind: 'accused-fault' });
  });

  test('is proven without a part: what was bad is good, in the state that showed it', () => {
    const log = reseated();
    log.add('decided', {
      endings: [{ kind: 'repair', repair: 'reseat' }],
      leading: null,
      probability: 0,
      reason: '',
    });
    log.add('work', { what: 'reseated', repair: 'reseat', note: '' });
    read(log, 'joint', 0.4, { point: '1', fn: 'ohm' });
    expect(proofOf(fold(log))).toMatchObject({ proven: false, owed: [{ observable: 'out' }] });
    liveHeat(log, 'standby');
    read(log, 'out', 24);
    // In standby it is void: it proves nothing.
    expect(proofOf(fold(log))?.proven).toBe(false);
    log.add('window', { state: 'heat' });
    read(log, 'out', 24);
    expect(proofOf(fold(log))).toMatchObject({ proven: true, owed: [], bad: [] });
    const report = buildReport(sheet, fold(log), assess(sheet, fold(log)));
    expect(report.repair.join('\n')).toContain('Reseated: Reseat CN1.');
    expect(report.decision?.text).toBe('Reseated: Reseat CN1');
    expect(assess(sheet, fold(log)).sound.p).toBeGreaterThan(0.8);
  });
});

describe('nothing found bad', () => {
  const allGood = () => {
    const log = openHeat();
    log.add('lead', { value: 0.2, half: 0.1 });
    read(log, 'joint', 0.4, { point: '1', fn: 'ohm' });
    read(log, 'bridge', 0.45, { point: 'U', fn: 'diode' });
    liveHeat(log);
    read(log, 'rail', 5);
    log.add('window', { state: 'heat' });
    read(log, 'out', 24);
    return log;
  };

  test('and the complaint not seen: sound leads; where it was seen, something leads by elimination', () => {
    const unseen = allGood();
    unseen.add('answer', { test: 'glow', answer: 'glows' });
    unseen.add('looked', { seen: false });
    const sound = assess(sheet, fold(unseen));
    expect(headlineOf(sound).kind).toBe('nothing-bad');
    expect(sound.sound.p).toBeGreaterThan(0.5);
    const seen = allGood();
    seen.add('looked', { seen: true });
    const left = assess(sheet, fold(seen));
    expect(headlineOf(left)).toMatchObject({
      kind: 'nothing-bad',
      leads: { part: { id: 'igniter' } },
    });
    expect(left.sound.p).toBeLessThan(0.1);
  });

  test('the complaint is one answer an epoch', () => {
    const log = allGood();
    log.add('looked', { seen: true });
    log.add('looked', { seen: false });
    expect(evidence(log).filter((item) => 'confirmed' in item)).toEqual([{ confirmed: false }]);
  });

  test('where nothing had read bad, the proof is the complaint: looked for, and not seen', () => {
    const log = proveDead(allGood());
    log.add('work', { what: 'fitted', part: 'igniter', note: '' });
    expect(proofOf(fold(log))?.proven).toBe(false);
    liveHeat(log, 'heat');
    log.add('looked', { seen: false });
    expect(proofOf(fold(log))).toMatchObject({ proven: true, seen: false });
    log.add('looked', { seen: true });
    expect(proofOf(fold(log))).toMatchObject({ proven: false, seen: true });
  });
});

describe('rules of work', () => {
  test('hands in the machine want it proven dead; a setting does not', () => {
    const log = liveHeat();
    expect(code(log, 'work', { what: 'fitted', part: 'board', note: '' })).toBe('dead-not-proven');
    expect(code(log, 'work', { what: 'reseated', repair: 'reseat', note: '' })).toBe(
      'dead-not-proven',
    );
    expect(code(log, 'work', { what: 'reset', repair: 'cycle', note: '' })).toBeUndefined();
  });

  test('says what was done, to what the sheet knows, by somebody who may', () => {
    const log = openHeat();
    expect(code(log, 'work', { what: 'fitted', note: '' })).toBe('unknown-part');
    expect(code(log, 'work', { what: 'fitted', part: 'x', note: '' })).toBe('unknown-part');
    expect(code(log, 'work', { what: 'repaired', repair: 'x', note: '' })).toBe('unknown-repair');
    expect(code(log, 'work', { what: 'other', note: ' ' })).toBe('work-unsaid');
    // Diagnosing needs no licence; fitting the motor does.
    expect(code(log, 'work', { what: 'fitted', part: 'motor', note: '' })).toBe('licence-missing');
    log.add('licence', { held: true, who: 'Ana' });
    expect(code(log, 'work', { what: 'fitted', part: 'motor', note: '' })).toBeUndefined();
  });
});

describe('endings', () => {
  const decide = (endings: BodyOf<'decided'>['endings'], reason = '') => ({
    endings,
    leading: null,
    probability: 0,
    reason,
  });
  const owes = (ending: BodyOf<'decided'>['endings'][number], reason = '') =>
    refusalOf(sheet, fold(openHeat()), openHeat().make('decided', decide([ending], reason)))
      ?.message;

  test('each asks only what it needs', () => {
    expect(owes({ kind: 'replace' })).toBe('Choose a part of this sheet.');
    expect(owes({ kind: 'replace', part: 'board' })).toMatch('No finding accuses a part');
    expect(owes({ kind: 'replace', part: 'board' }, 'asked for')).toBeUndefined();
    expect(owes({ kind: 'repair', repair: 'reseat' })).toBeUndefined();
    expect(owes({ kind: 'repair' })).toMatch('What is done?');
    expect(owes({ kind: 'repair', what: 'cleaned', note: 'the contacts' })).toBeUndefined();
    expect(owes({ kind: 'sound' })).toBeUndefined();
    expect(owes({ kind: 'release' })).toBe('For what is it released?');
    expect(owes({ kind: 'come-back', part: 'board' })).toBe('What is brought, and when?');
    expect(owes({ kind: 'hand-over', note: 'beyond me' })).toBe('To whom?');
    expect(owes({ kind: 'hand-over', to: 'Rui', note: 'beyond me' })).toBeUndefined();
    expect(owes({ kind: 'cannot-make-safe' })).toBe('What could not be made safe?');
    expect(owes({ kind: 'stop-and-call', to: 'the maker' })).toBe('Why?');
  });

  test('sound, with something that reads bad, wants a reason', () => {
    const log = noVolts();
    expect(code(log, 'decided', decide([{ kind: 'sound' }]))).toBe('reason-owed');
    expect(code(log, 'decided', decide([{ kind: 'sound' }], 'fuse of the house'))).toBeUndefined();
  });

  test('several at once stand in the report as what they are', () => {
    const log = openHeat();
    log.add(
      'decided',
      decide(
        [
          { kind: 'replace', part: 'igniter' },
          { kind: 'repair', repair: 'reseat' },
          { kind: 'hand-over', to: 'Rui', note: 'gas side' },
        ],
        'both are worn',
      ),
    );
    const report = buildReport(sheet, fold(log), assess(sheet, fold(log)));
    expect(report.decision).toMatchObject({
      text: 'Replace: Igniter; Reseated: Reseat CN1; Stop here and hand over, to Rui',
      reason: 'gas side; both are worn',
    });
  });
});

test('a new part that reads bad in the box is told from this machine', () => {
  const log = openHeat();
  log.add('reading', {
    test: 'sensor',
    point: '1',
    function: 'ohm',
    reading: volts(700),
    typed: '700',
    specimen: { kind: 'new', part: 'sensor' },
  });
  expect(evidence(log)).toEqual([]);
  expect(fold(log).compared).toMatchObject([
    { specimen: { kind: 'new' }, judgement: { verdict: 'out' } },
  ]);
  expect(code(log, 'work', { what: 'fitted', part: 'sensor', note: '' })).toBe('bad-in-box');
});

test('the report prints the belief of the moment of decision, and what remains after the repair', () => {
  const log = noVolts();
  const decidedOn = assess(sheet, fold(log));
  log.add('decided', {
    endings: [{ kind: 'replace', part: 'board' }],
    leading: 'board',
    probability: 0.6,
    reason: '',
  });
  const at = buildReport(sheet, fold(log), decidedOn);
  expect(at.remains).toBeUndefined();
  proveDead(log);
  log.add('work', { what: 'fitted', part: 'board', note: '' });
  liveHeat(log, 'heat');
  read(log, 'out', 24);
  const after = buildReport(sheet, fold(log), assess(sheet, fold(log)));
  expect(after.suspects).toEqual(at.suspects);
  expect(after.sound).toBeCloseTo(decidedOn.sound.p, 9);
  expect(after.remains?.sound).toBeGreaterThan(0.8);
});

test('a test that wants a licence is taken only by somebody who holds it; the rest is anybody’s', () => {
  const licensed = {
    ...sheet,
    tests: sheet.tests.map((test) => (test.id === 'joint' ? { ...test, licence: 'gas' } : test)),
  };
  const log = openHeat();
  const body = {
    test: 'joint',
    point: '1',
    function: 'ohm',
    reading: volts(0.4),
    typed: '',
  } as const;
  const refused = () =>
    refusalOf(licensed, foldJob(licensed, log.entries), log.make('reading', body))?.code;
  expect(refused()).toBe('licence-missing');
  log.add('licence', { held: false, who: '' });
  expect(refused()).toBe('licence-missing');
  // Nobody holds it, and live work is open all the same: the licence is that of single pieces.
  expect(code(log, 'energised', { precautions: true })).toBeUndefined();
  log.add('licence', { held: true, who: 'Ana' });
  expect(refused()).toBeUndefined();
});

describe('a visit that goes on from an earlier one', () => {
  const first = () => {
    const log = proveDead(noVolts());
    log.add('work', { what: 'fitted', part: 'board', trial: true, note: '' });
    liveHeat(log, 'heat');
    read(log, 'out', 0);
    return log;
  };
  const second = () => {
    const state = fold(first());
    const log = logWriter(Date.parse('2026-03-09T08:00:00.000Z'));
    log.add('opened', {
      complaint: 'stays cold',
      meter: smallMeter,
      rules: 2,
      continues: {
        job: '01950000-0000-7000-8000-00000000ffff',
        at: '2026-03-02T12:00:00.000Z',
        carried: carriedFrom(sheet, state),
      },
    });
    return log;
  };

  test('begins with the belief of that one, its work and its epochs', () => {
    const before = assess(sheet, fold(first())).belief;
    const after = assess(sheet, fold(second()));
    expect(after.belief.faults).toEqual(before.faults);
    expect(after.belief.now).toEqual(before.now);
    expect(after.evidence.every(({ from }) => from.kind === 'carried')).toBe(true);
    expect(after.accused.has('joint')).toBe(true);
  });

  test('good now does not heal what was bad then', () => {
    const log = liveHeat(second(), 'heat');
    read(log, 'out', 24);
    const { belief, comesAndGoes } = assess(sheet, fold(log));
    expect(comesAndGoes.map(({ id }) => id)).toEqual(['out']);
    expect(belief.sound).toBeLessThan(0.1);
  });

  test('what the sheet no longer knows is left out, and a third visit takes over both', () => {
    const log = second();
    const opening = log.entries[0]!.body as BodyOf<'opened'>;
    opening.continues!.carried.push(
      { evidence: { test: 'gone', outcome: 'bad' }, words: 'a test that is no more' },
      { evidence: { done: { nobody: 0.5 } }, words: 'work on what is no more' },
    );
    expect(assess(sheet, fold(log)).evidence).toHaveLength(5);
    liveHeat(log, 'heat');
    read(log, 'out', 24);
    expect(
      carriedFrom(sheet, fold(log))
        .map(({ words }) => words)
        .at(-1),
    ).toBe('Igniter volts');
    expect(carriedFrom(sheet, fold(log))).toHaveLength(6);
  });
});

test('limits from a good twin are its figure, give or take the tolerance; without one the sheet’s own', () => {
  const of = twinned();
  const log = openHeat();
  const ohms = (value: number, specimen?: { kind: 'twin' }) => sensorOhms(log, value, specimen);
  const verdict = () => foldJob(of, log.entries).current.get('sensor');
  ohms(480);
  expect(verdict()).toMatchObject({ judgement: { verdict: 'in' } });
  ohms(420, { kind: 'twin' });
  // 420 Ω ± 10 %: 378 to 462.
  ohms(480);
  expect(verdict()).toMatchObject({ judgement: { verdict: 'out', outcome: 'high' } });
  ohms(455);
  expect(verdict()).toMatchObject({ judgement: { verdict: 'in' } });
  const test = of.tests.find(({ id }) => id === 'sensor') as MeasureTest;
  expect(limitsAt(of, foldJob(of, log.entries), test, test.points[0]!)).toEqual({
    kind: 'nominal',
    value: 420,
    percent: 10,
    unit: 'ohm',
    from: 'twin',
  });
});

test('a twin’s figure is kept with the model: the next job has its limits from the opening', () => {
  const of = twinned();
  const first = openHeat();
  sensorOhms(first, 400, { kind: 'twin', name: 'unit 2' });
  sensorOhms(first, 420, { kind: 'twin', name: 'unit 3' });
  const twins = summarise(of, foldJob(of, first.entries)).twins!;
  expect(twins).toEqual([
    { observable: 'sensor', value: 420, at: expect.any(String) as string, name: 'unit 3' },
  ]);
  const next = openHeat({ twins });
  sensorOhms(next, 480);
  expect(foldJob(of, next.entries).current.get('sensor')).toMatchObject({
    judgement: { outcome: 'high' },
  });
  // One at hand says more than one of last year.
  sensorOhms(next, 470, { kind: 'twin' });
  sensorOhms(next, 480);
  expect(foldJob(of, next.entries).current.get('sensor')).toMatchObject({
    judgement: { verdict: 'in' },
  });
});

const band = { kind: 'between', low: 400, high: 500, unit: 'ohm' } as const;

/** The sheet with the sensor's limits off a good twin. */
const twinned = () => ({
  ...sheet,
  tests: sheet.tests.map((each) =>
    each.id === 'sensor'
      ? ({ ...each, expect: { ...band, from: 'twin' } } as unknown as typeof each)
      : each,
  ),
});

const sensorOhms = (log: ReturnType<typeof openHeat>, value: number, specimen?: Specimen) =>
  log.add('reading', {
    test: 'sensor',
    point: '1',
    function: 'ohm',
    reading: volts(value),
    typed: '',
    ...(specimen && { specimen }),
  });
