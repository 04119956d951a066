/** Sequences as tests, the writer, comparing revisions, searching, tables. */
import fc from 'fast-check';
import { smallSheet } from '../../test/small-sheet';
import { wideSheet } from '../../test/wide-sheet';
import { decodeCode } from './codes/match';
import { readSheetText } from '../validate';
import { expectOf, functionOf, phaseName, testsOf } from './all-tests';
import { compareSheets } from './compare';
import { findTest } from './lookup';
import { allObservables, ruleObservables } from './observables';
import { isMeasured, type Sheet } from './schema';
import { facetsOf, modelMatches, searchSheets } from './search';
import { measurementTable, pinTable } from './tables';
import { writeSheet } from './write';

describe('sequences', () => {
  test('a sequence is a test whose points are its expectations, each with its phase', () => {
    const test = findTest(wideSheet, 'light-up')!;
    if (!isMeasured(test)) throw new Error('not measured');
    expect(test.points.map(({ id }) => id)).toEqual(['on', 'off']);
    expect(functionOf(test, test.points[0]!)).toBe('V~');
    expect(expectOf(test, test.points[1]!)).toMatchObject({ kind: 'atMost', high: 5 });
    expect(phaseName(wideSheet, test, test.points[0]!)).toBe('before flame');
    expect(testsOf(wideSheet)).toBe(testsOf(wideSheet));
  });
  test('points of tests and of sequences, and rules, are observables', () => {
    const ids = allObservables(wideSheet).map(({ id }) => id);
    expect(ids).toEqual(
      expect.arrayContaining(['windings@UV', 'windings@agree', 'light-up@off', 'steady']),
    );
    expect(ruleObservables(findTest(wideSheet, 'looks')!)).toEqual([]);
  });
});

describe('the writer', () => {
  test('what is written reads back equal, unknown fields included', () => {
    const sheet = { ...structuredClone(wideSheet), shopNote: { zeta: 1, alpha: [1, 2] } } as Sheet;
    const read = readSheetText(writeSheet(sheet));
    expect(read.ok && read.value).toEqual(sheet);
  });

  test('the order of fields in memory does not matter, that of answers does', () => {
    const turned = (value: unknown): unknown =>
      value === null || typeof value !== 'object'
        ? value
        : Array.isArray(value)
          ? value.map(turned)
          : Object.fromEntries(
              Object.entries(value)
                .reverse()
                .map(([key, each]) => [key, key === 'answers' ? each : turned(each)]),
            );
    expect(writeSheet(turned(wideSheet) as Sheet)).toBe(writeSheet(wideSheet));
  });

  test('one changed figure is one changed line', () => {
    const changed = structuredClone(wideSheet);
    changed.faults[0]!.prior = 7;
    const [before, after] = [writeSheet(wideSheet), writeSheet(changed)].map((text) =>
      text.split('\n'),
    );
    expect(after!.filter((line, i) => line !== before![i])).toHaveLength(1);
  });

  test('writing is stable: written again it is the same text', () => {
    fc.assert(
      fc.property(
        fc.dictionary(fc.string({ minLength: 1, maxLength: 5 }), fc.jsonValue()),
        (extra) => {
          // Such a name would be the prototype, not a field.
          if ('__proto__' in extra) return;
          const sheet = {
            ...structuredClone(smallSheet),
            extra: JSON.parse(JSON.stringify(extra)) as unknown,
          } as Sheet;
          const text = writeSheet(sheet);
          expect(JSON.parse(text)).toEqual(sheet);
          expect(writeSheet(JSON.parse(text) as Sheet)).toBe(text);
        },
      ),
    );
  });
});

describe('comparing revisions', () => {
  test('added, removed and changed things are named by their ids', () => {
    const after = structuredClone(wideSheet);
    after.revision = 2;
    (after.tests[2] as { minutes?: number }).minutes = 9;
    after.parts.push({ id: 'fan', name: 'Fan' });
    after.faults = after.faults.filter(({ id }) => id !== 'driver');
    const changes = compareSheets(wideSheet, after);
    expect(changes).toContainEqual({
      kind: 'changed',
      path: '/tests/rail/minutes',
      before: 1,
      after: 9,
    });
    expect(changes).toContainEqual({
      kind: 'added',
      path: '/parts/fan',
      after: { id: 'fan', name: 'Fan' },
    });
    expect(changes.map(({ path, kind }) => `${kind} ${path}`)).toContain('removed /faults/driver');
    expect(changes).toHaveLength(3);
  });
  test('equal sheets do not differ, and a moved test is no change', () => {
    expect(compareSheets(wideSheet, structuredClone(wideSheet))).toEqual([]);
    const moved = { ...wideSheet, tests: [...wideSheet.tests].reverse() };
    expect(compareSheets(wideSheet, moved)).toEqual([]);
  });
});

describe('the library', () => {
  const item = {
    title: 'Norveda NX3',
    maker: 'Norveda',
    facets: { ...facetsOf(wideSheet), models: ['NX3-10*'] },
  };
  const other = {
    title: 'Panvale DO-3',
    maker: 'Panvalé',
    facets: { ...facetsOf(smallSheet), models: ['DO-3*'], codes: ['E5 No heat'] },
  };
  const by = (words: string) =>
    searchSheets([item, other], words).map(({ item: each, by: how }) => [each.title, ...how]);
  test('by maker, by model as it stands on the plate, by code, connector and part', () => {
    expect(by('norveda')).toEqual([['Norveda NX3']]);
    expect(by('NX3-10S')).toEqual([['Norveda NX3', 'model NX3-10*']]);
    expect(by('e5')).toEqual([['Panvale DO-3', 'code E5 No heat']]);
    expect(by('panvale power')).toEqual([['Panvale DO-3', 'part Power board']]);
    expect(by('cn1')).toHaveLength(2);
    expect(by('nonsense')).toEqual([]);
    expect(by('')).toHaveLength(2);
  });
  test('stars stand for anything, and nothing else is a pattern', () => {
    expect(modelMatches('NX3-*', 'nx3-08 b')).toBe(true);
    expect(modelMatches('NX.*', 'NXab')).toBe(false);
    expect(modelMatches('(', 'x')).toBe(false);
  });
});

test('codes with a unit behind them are taken apart by the scheme', () => {
  const codes: Sheet['codes'] = {
    schemes: [{ id: 'd', shown: 'digits', pattern: '^(\\d{2})(\\d)$', code: 1, unit: 2 }],
    list: [{ code: '47', title: 'Current', suspects: {} }],
  };
  expect(decodeCode({ codes }, '47 2')).toMatchObject({
    code: '47',
    unit: '2',
    listed: { title: 'Current' },
  });
  expect(decodeCode({ codes }, '47')).toMatchObject({ code: '47', listed: { title: 'Current' } });
  expect(decodeCode({ codes }, '991')).toEqual({ code: '99', unit: '1' });
  expect(decodeCode({ codes }, 'AB')).toEqual({ code: 'AB' });
});

test('tables for spreadsheets have a heading and a row for each pin and measurement', () => {
  expect(pinTable(smallSheet)).toEqual([
    ['Board', 'Connector', 'Pin', 'Signal', 'Wire'],
    ['Board', 'CN1', '1', '5 V', 'red'],
    ['Board', 'CN1', '2', 'ground', 'black'],
  ]);
  const rows = measurementTable(wideSheet);
  expect(rows[0]).toContain('Expected');
  expect(rows).toHaveLength(1 + 2 + 1 + 1 + 3 + 1 + 1 + 1 + 2);
});
