/** Before a new part goes on: why the old one died, its load, and that the one in the hand matches. */
import type { logWriter } from '../../../test/small-sheet';
import { measured, provenDead, smallSheet } from '../../../test/small-sheet';
import type { Part, Sheet } from '../../sheet/schema';
import { refusalOf } from '../admission/refusal-of';
import { foldJob } from '../fold/fold';
import type { BodyOf, EntryKind } from '../kinds/index';
import { beforePart } from './before-part';
import { matchOf } from './match';

const sheet: Sheet = {
  ...smallSheet,
  faults: smallSheet.faults.map((fault) =>
    fault.id === 'driver'
      ? { ...fault, asksAfter: ['moisture'] }
      : fault.id === 'supply'
        ? { ...fault, asksAfter: ['surge lately'] }
        : fault,
  ),
  parts: smallSheet.parts.map((part) =>
    part.id === 'board'
      ? { ...part, asksAfter: ['cover seal'], must: [{ field: 'volts', atLeast: 300, unit: 'V' }] }
      : part,
  ),
};
type Log = ReturnType<typeof logWriter>;
const fold = (log: Log) => foldJob(sheet, log.entries);
const owed = (log: Log) => beforePart(sheet, fold(log), 'board').owed;
const refused = <K extends EntryKind>(log: Log, kind: K, body: BodyOf<K>) =>
  refusalOf(sheet, fold(log), log.make(kind, body))?.code;

test('where no finding tells what died, all that could have is asked; where one does, only that', () => {
  const log = provenDead();
  expect(beforePart(sheet, fold(log), 'board').asks.map(({ ask }) => ask)).toEqual([
    'cover seal',
    'surge lately',
    'moisture',
  ]);
  log.add('energised', { precautions: true });
  log.add('reading', measured('rail', '12', 3));
  // 3 V is low: the supply shows that, the driver does not.
  expect(beforePart(sheet, fold(log), 'board').asks.map(({ ask }) => ask)).toEqual([
    'cover seal',
    'surge lately',
  ]);
});

test('an answer settles a question; that it cannot be told takes a reason; no other question is taken', () => {
  const log = provenDead();
  const about = { part: 'board', ask: 'cover seal' };
  expect(owed(log)).toContain('Control board, why the old one died: cover seal');
  expect(refused(log, 'asked', { ...about, found: 'open', note: ' ' })).toBe('reason-owed');
  expect(refused(log, 'asked', { part: 'board', ask: 'weather', found: 'no', note: '' })).toBe(
    'unknown-question',
  );
  log.add('asked', { ...about, found: 'open', note: 'glued shut' });
  expect(owed(log).join()).not.toContain('cover seal');
});

test('what would kill the new one too is owed a reading, cleared by a good one, said where it is bad', () => {
  const log = provenDead();
  const loads = () =>
    beforePart(sheet, fold(log), 'board').loads.map(({ fault, is }) => [fault.id, is]);
  expect(loads()).toEqual([['shorted', 'owed']]);
  expect(owed(log).join()).toContain('not proven that it is not Transistor shorted');
  log.add('access', { access: 'plug' });
  log.add('reading', measured('diode', 'U', 0.45, 'diode'));
  expect(loads()).toEqual([['shorted', 'sound']]);
  log.add('reading', measured('diode', 'U', 0.002, 'diode'));
  log.add('reading', measured('diode', 'U', 0.002, 'diode'));
  expect(loads()).toEqual([['shorted', 'bad']]);
  expect(owed(log).join()).toContain('reads bad, and would kill the new one too');
});

test('a part that misses what it must have is not fitted; another one may be', () => {
  const log = provenDead();
  log.add('access', { access: 'lid' });
  const fit = { what: 'fitted', part: 'board', note: '' } as const;
  log.add('matched', { part: 'board', number: 'X-9', values: { volts: '250' }, note: '' });
  expect(refused(log, 'work', fit)).toBe('no-match');
  log.add('matched', { part: 'board', number: 'X-10', values: { volts: '310 V' }, note: '' });
  expect(refused(log, 'work', fit)).toBeUndefined();
  expect(refused(log, 'matched', { part: 'nothing', number: 'X', values: {}, note: '' })).toBe(
    'unknown-part',
  );
});

describe('a match', () => {
  const part: Part = {
    id: 'p',
    name: 'Board',
    number: 'A-1',
    supersededBy: 'A-1B',
    must: [
      { field: 'shunt', equals: 3, unit: 'mΩ', why: 'The trip current follows from it.' },
      { field: 'volts', atLeast: 600, unit: 'V' },
      { field: 'suffix' },
      { field: 'three wires', equals: true },
    ],
    should: [{ field: 'program', equals: '2.x' }],
  };
  const good = { shunt: '3 mΩ', volts: '650', suffix: 'b-2', 'three wires': 'yes', program: '2.4' };
  const of = (values: object, old: Record<string, string> = { suffix: 'B–2' }, number = 'Z-7') =>
    matchOf(part, { number, values: { ...good, ...values }, old });

  test('the maker’s own by either of its numbers needs no holding against', () => {
    expect(of({}, {}, 'a-1').verdict).toBe('original');
    expect(of({}, {}, 'A–1b').verdict).toBe('original');
  });
  test.each([
    ['all of it', {}, 'fits'],
    ['a shunt of another size', { shunt: '5' }, 'forbidden'],
    ['a figure in another unit is not read as ours', { shunt: '0.003 Ω' }, 'unknown'],
    ['too few volts', { volts: '550 V' }, 'forbidden'],
    ['not read', { volts: '' }, 'unknown'],
    ['another suffix than the old one', { suffix: 'B-3' }, 'forbidden'],
    ['two wires', { 'three wires': 'no' }, 'forbidden'],
    ['another program is a remark', { program: '3.1' }, 'fits'],
  ] as const)('%s', (_, values, verdict) => {
    expect(of(values).verdict).toBe(verdict);
  });
  test('what is asked to be as on the old one waits for the old plate', () => {
    expect(of({}, {}).verdict).toBe('unknown');
    expect(of({}, {}).lines.find(({ field }) => field === 'suffix')!.wanted).toBe(
      'as on the old one',
    );
  });
  test('each miss has its reason', () => {
    expect(of({ shunt: '5' }).lines[0]).toMatchObject({
      fits: false,
      hard: true,
      wanted: '3 mΩ',
      why: 'The trip current follows from it.',
    });
  });
});
