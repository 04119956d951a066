/** Codes that a sheet speaks of are there: in its schemes, its status words, its history. */
import { smallSheet } from '../../test/small-sheet';
import type { Sheet } from '../sheet/schema';
import { codes } from './codes';

const withCodes = (more: Partial<Sheet['codes']>): Sheet => ({
  ...smallSheet,
  codes: { ...smallSheet.codes, ...more },
});
const pathsOf = (sheet: Sheet) => codes(sheet).map(({ path }) => path);
const scheme = { id: 's', shown: 'digits' as const };

test('a pattern is one, and has the groups that are spoken of', () => {
  expect(pathsOf(withCodes({ schemes: [{ ...scheme, pattern: '(' }] }))).toEqual([
    '/codes/schemes/0/pattern',
  ]);
  expect(
    pathsOf(withCodes({ schemes: [{ ...scheme, pattern: '^(\\d)$', code: 1, unit: 2 }] })),
  ).toEqual(['/codes/schemes/0/unit']);
});

test('a bit stands for a code that is listed', () => {
  expect(pathsOf(withCodes({ schemes: [{ ...scheme, flags: { '0': 'E1', '3': 'E9' } }] }))).toEqual(
    ['/codes/schemes/0/flags/3'],
  );
});

test('a history compares a test that has command and witnesses, by points that it has', () => {
  const compare = (test: string, columns: Record<string, string>) =>
    pathsOf(withCodes({ history: { compare: [{ test, columns }] } }));
  expect(compare('nowhere', {})).toEqual(['/codes/history/compare/0/test']);
  expect(compare('looks', {})).toEqual(['/codes/history/compare/0/test']);
  expect(compare('diode', { speed: 'U' })).toEqual(['/codes/history/compare/0/test']);
  const tests = smallSheet.tests.map((each) =>
    each.id === 'diode'
      ? {
          ...each,
          together: [{ id: 'w', kind: 'witnesses' as const, command: 'U', witnesses: ['V'] }],
        }
      : each,
  ) as Sheet['tests'];
  const sheet = withCodes({
    history: { compare: [{ test: 'diode', columns: { speed: 'U', amps: 'X' } }] },
  });
  expect(pathsOf({ ...sheet, tests })).toEqual(['/codes/history/compare/0/columns/amps']);
});
