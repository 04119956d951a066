/** What is said of a reading afterwards: contact, void, overruled, repeated; and slips it betrays. */
import { logWriter, measured, provenDead, smallMeter, smallSheet } from '../../../test/small-sheet';
import { wideSheet } from '../../../test/wide-sheet';
import { buildReport } from '../../report/report';
import type { MeasureTest, Sheet } from '../../sheet/schema';
import { refusalOf } from '../admission/refusal-of';
import { assess } from '../../diagnose/assess';
import { evidenceOf } from '../../diagnose/evidence-of';
import { otherSize, swappedWith } from './doubts';
import { foldJob } from '../fold/fold';
import { notProvenWords } from '../../diagnose/not-proven';
import { accessShared } from '../trail/steps';

const fold = (log: ReturnType<typeof logWriter>, sheet: Sheet = smallSheet) =>
  foldJob(sheet, log.entries);
const live = () => {
  const log = logWriter();
  log.add('opened', { complaint: '', meter: smallMeter });
  log.add('energised', { precautions: true });
  return log;
};
const report = (log: ReturnType<typeof logWriter>) =>
  buildReport(smallSheet, fold(log), assess(smallSheet, fold(log)));

describe('an absence must be earned', () => {
  test('nothing there waits until contact is proven, then it accuses', () => {
    const log = live();
    const { id } = log.add('reading', measured('out', '12', 0.1));
    expect(fold(log).current.get('out')).toMatchObject({
      standing: { kind: 'waits', because: expect.stringContaining('contact is not proven') },
    });
    expect(evidenceOf(fold(log), smallSheet)).toEqual([]);
    log.add('contact', { entry: id, how: 'scraped-to-metal' });
    const taken = fold(log).current.get('out');
    expect(taken).toMatchObject({ standing: { kind: 'counts' }, contact: 'scraped-to-metal' });
    expect(evidenceOf(fold(log), smallSheet)).toHaveLength(1);
    expect(report(log).rows[0]!.verdict).toContain('contact: scraped to bare metal');
  });

  test('contact is taken only where it is owed, and only of what stands', () => {
    const log = live();
    const good = log.add('reading', measured('out', '12', 12));
    const entry = log.make('contact', { entry: good.id, how: 'known-source' });
    expect(refusalOf(smallSheet, fold(log), entry)?.code).toBe('contact-not-owed');
    log.add('withdrawn', { entry: good.id, reason: '' });
    expect(refusalOf(smallSheet, fold(log), entry)?.code).toBe('nothing-to-judge');
  });
});

describe('void by the technician', () => {
  test('says nothing any more, with the reason in the report', () => {
    const log = live();
    const { id } = log.add('reading', measured('rail', '12', 3));
    log.add('voided', { entry: id, reason: 'probe slipped' });
    const state = fold(log);
    expect(state.current.get('rail')?.standing).toEqual({ kind: 'void', because: 'probe slipped' });
    expect(evidenceOf(state, smallSheet)).toEqual([]);
    expect(report(log).rows[0]!.verdict).toBe('Void: probe slipped');
  });
});

describe('overruling', () => {
  test('out and accepted counts as good; in and condemned accuses; both stay on the record', () => {
    const log = live();
    const out = log.add('reading', measured('rail', '12', 3));
    const accused = assess(smallSheet, fold(log)).belief.faults.supply!;
    log.add('overruled', { entry: out.id, as: 'good', reason: 'meter on its last cell' });
    const accepted = assess(smallSheet, fold(log)).belief.faults.supply!;
    expect(accepted).toBeLessThan(accused / 5);
    expect(report(log).rows[0]).toMatchObject({
      value: expect.stringContaining('3'),
      verdict: expect.stringMatching(
        /^Out: low; overruled, taken as good: meter on its last cell$/,
      ),
    });
    const good = live();
    const { id } = good.add('reading', measured('rail', '12', 5));
    good.add('overruled', { entry: id, as: 'bad', reason: 'drops for an instant' });
    expect(assess(smallSheet, fold(good)).belief.faults.supply!).toBeGreaterThan(0.5);
  });

  test('an answer can be overruled as well', () => {
    const log = provenDead();
    const { id } = log.add('answer', { test: 'looks', answer: 'clean' });
    log.add('overruled', { entry: id, as: 'bad', reason: 'soot under the coating' });
    const { evidence } = assess(smallSheet, fold(log));
    expect(evidence[0]!.evidence).toMatchObject({ p: { burnt: 1 } });
  });

  test('what hangs on an overruled supply follows it', () => {
    const log = live();
    const { id } = log.add('reading', measured('rail', '12', 5));
    log.add('reading', measured('out', '12', 12));
    expect(fold(log).current.get('out')?.standing.kind).toBe('counts');
    log.add('overruled', { entry: id, as: 'bad', reason: 'ripple' });
    expect(fold(log).current.get('out')?.standing.kind).toBe('void');
  });
});

describe('repeat before you believe', () => {
  test('a single accusing reading is named; a second that agrees is counted', () => {
    const log = live();
    log.add('reading', measured('rail', '12', 3));
    const words = () => assess(smallSheet, fold(log)).notProven.map(notProvenWords);
    expect(words()).toContain(
      'Read once only: 5 V rail. Repeat it before a part is condemned on it.',
    );
    log.add('reading', measured('rail', '12', 3.1));
    expect(fold(log).current.get('rail')?.agreeing).toBe(1);
    expect(words().join()).not.toContain('Read once only');
    expect(report(log).rows[1]!.verdict).toContain('read 2 times');
    log.add('reading', measured('rail', '12', 5));
    expect(fold(log).current.get('rail')?.agreeing).toBe(0);
  });
});

describe('a figure a thousand times off', () => {
  const band = { kind: 'between', low: 6000, high: 8000, unit: 'ohm' } as const;
  test.each([
    [7.1, 7100],
    [7100_000, 7100],
    [7100, undefined],
    [50, undefined],
    [0, undefined],
  ])('%s Ω against 6 to 8 kΩ: %s', (value, other) => {
    expect(otherSize(band, value, 'ohm')?.value).toBe(other);
  });
  test('an open-ended limit is no reason to ask about anything large', () => {
    const open = { kind: 'open', above: 10e6, unit: 'ohm' } as const;
    expect(otherSize(open, 500_000, 'ohm')).toBeUndefined();
    expect(otherSize(open, 15_000, 'ohm')?.value).toBe(15e6);
    expect(otherSize({ kind: 'atMost', high: 24, unit: 'V' }, 310, 'V=')).toBeUndefined();
  });
});

describe('two placements exchanged', () => {
  const sheet: Sheet = {
    ...wideSheet,
    tests: [
      ...wideSheet.tests,
      {
        id: 'leg',
        title: 'One leg',
        how: 'measure',
        state: 'dead',
        function: 'diode',
        points: [
          { id: 'f', red: 'b.N', black: 'b.U' },
          {
            id: 'r',
            red: 'b.U',
            black: 'b.N',
            expect: { kind: 'open', above: 2, unit: 'V' },
          },
        ],
        expect: { kind: 'between', low: 0.35, high: 0.6, unit: 'V' },
      },
    ],
  };
  const leg = sheet.tests.at(-1) as MeasureTest;
  const taken = (f: number | 'OL', r: number | 'OL') => {
    const log = provenDead();
    for (const [point, value] of [
      ['f', f],
      ['r', r],
    ] as const)
      log.add('reading', {
        test: 'leg',
        point,
        function: 'diode',
        reading: value === 'OL' ? { kind: 'overload' } : { kind: 'value', value },
        typed: '',
      });
    return swappedWith(sheet, foldJob(sheet, log.entries), leg, leg.points[0]!)?.id;
  };
  test('both wrong, and both right the other way round', () => {
    expect(taken('OL', 0.46)).toBe('r');
    expect(taken(0.46, 'OL')).toBeUndefined();
    expect(taken(0.46, 0.46)).toBeUndefined();
    expect(taken('OL', 'OL')).toBeUndefined();
  });
});

test('access gained once is shared by the open tests that want it', () => {
  const state = fold(provenDead(), wideSheet);
  expect(accessShared(wideSheet, state, 'diode', 'plug').map(({ id }) => id)).toEqual(['windings']);
  expect(accessShared(wideSheet, state, 'windings', 'lid').map(({ id }) => id)).toEqual(['diode']);
});
