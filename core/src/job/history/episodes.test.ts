/** What belongs together in a history, what it says of today, and commanded against actual. */
import { historyRow as row, historySheet as sheet } from '../../../test/history-sheet';
import type { Sheet } from '../../sheet/schema';
import { commandSeen } from './commanded';
import { episodesOf, firstFaults } from './episodes';

test('what comes within minutes is a consequence; the next trouble begins anew', () => {
  const episodes = episodesOf(sheet, [
    row('13T22:00:00', 'E2'),
    row('14T03:12:00', 'POWER ON'),
    row('14T03:12:20', 'E1'),
    row('14T03:16:00', 'E2'),
    row('14T03:40:00', 'E2'),
  ]);
  expect(
    episodes.map(({ faults }) => faults.map(({ row: { shown }, role }) => [shown, role])),
  ).toEqual([
    [['E2', 'first']],
    // A line that is no fault comes first for nothing.
    [
      ['POWER ON', 'follows'],
      ['E1', 'first'],
      ['E2', 'follows'],
    ],
    [['E2', 'first']],
  ]);
  const hour = { ...sheet, codes: { ...sheet.codes, history: { within: 60 } } };
  expect(episodesOf(hour, [row('14T03:12:00', 'E1'), row('14T03:40:00', 'E2')])).toHaveLength(1);
});

test('a clock that goes back begins anew, and is said to', () => {
  const [, second] = episodesOf(sheet, [row('14T03:12:00', 'E1'), row('01T00:00:00', 'E2')]);
  expect(second!.faults[0]).toMatchObject({ jumped: true, role: 'first' });
});

test('without times nothing says what follows from what: each speaks for itself', () => {
  const rows = [row(undefined, 'E2'), row(undefined, 'E1')];
  expect(firstFaults(sheet, rows).map(({ code }) => code)).toEqual(['E2', 'E1']);
});

test('what is older than a month before the latest says nothing of today', () => {
  const rows = [row('14T03:12:00', 'E1', { at: '2026-08-01T10:00:00' }), row('14T03:12:00', 'E2')];
  expect(firstFaults(sheet, rows).map(({ code }) => code)).toEqual(['E2']);
});

describe('commanded against actual', () => {
  const witnessed: Sheet = {
    ...sheet,
    codes: {
      ...sheet.codes,
      history: {
        compare: [{ test: 'seen', unit: '2', columns: { speed: 'command', amps: 'amps' } }],
      },
    },
    tests: [
      ...sheet.tests,
      {
        id: 'seen',
        title: 'Commanded and delivered',
        how: 'compare',
        state: 'standby',
        function: 'display',
        points: [
          { id: 'command', expect: { kind: 'atLeast', low: 30, unit: 'Hz' } },
          { id: 'amps', function: 'clamp~' },
        ],
        expect: { kind: 'between', low: 4, high: 16, unit: 'A' },
        together: [{ id: 'agree', kind: 'witnesses', command: 'command', witnesses: ['amps'] }],
      },
    ],
  };
  const seen = (values: Record<string, string>, unit = '2') => {
    const [episode] = episodesOf(witnessed, [row('14T03:12:00', 'E1', { values, unit })]);
    return commandSeen(witnessed, episode!.faults[0]!)?.judgement.outcome;
  };
  test('by the columns that the sheet names, with the unit of the heading or of the cell', () => {
    expect(seen({ 'speed Hz': '48,5', amps: '0.2' })).toBe('not-delivered');
    expect(seen({ speed: '48.5 Hz', 'Amps (A)': '9.1' })).toBe('ok');
    expect(seen({ speed: '0', amps: '0' })).toBe('not-commanded');
  });
  test('of another circuit, with a figure missing or none at all, nothing is said', () => {
    expect(seen({ speed: '48', amps: '0.2' }, '1')).toBeUndefined();
    expect(seen({ speed: '48' })).toBeUndefined();
    expect(seen({ speed: '48', amps: 'n/a' })).toBeUndefined();
  });
});
