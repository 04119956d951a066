import { smallSheet } from '../../test/small-sheet';
import { checkSheet } from '../checks/check';
import { findFault, findPart, findPoint, findTest, stateName, stateOf } from './lookup';
import { allObservables, observableId, observablesOf, shownBy } from './observables';
import { locate, placeDetail, placeName } from './places';
import type { Sheet } from './schema';

const clone = () => structuredClone(smallSheet);
/** The sheet with one thing changed. */
const damaged = (change: (sheet: Sheet) => void): Sheet => {
  const sheet = clone();
  change(sheet);
  return sheet;
};

describe('places', () => {
  test('pins and points are found by their reference', () => {
    const pin = locate(smallSheet, 'b.CN1.2')!;
    expect([placeName(pin), placeDetail(pin)]).toEqual(['CN1 pin 2', 'ground, black wire']);
    const stud = locate(smallSheet, 'b.P')!;
    expect([placeName(stud), placeDetail(stud)]).toEqual(['P', undefined]);
  });
  test.each(['b', 'x.P', 'b.X', 'b.CN1.9', 'b.CN9.1', ''])('%p is no place', (ref) => {
    expect(locate(smallSheet, ref)).toBeUndefined();
  });
});

describe('observables', () => {
  test('a test of one point is named by itself, of several by its points', () => {
    expect(allObservables(smallSheet).map((o) => o.id)).toEqual([
      'diode@U',
      'diode@V',
      'looks',
      'rail',
      'out',
    ]);
    expect(observableId(findTest(smallSheet, 'rail')!, '12')).toBe('rail');
  });
  test('what a reading can be follows from its limits; what an answer can be, from the sheet', () => {
    expect(observablesOf(findTest(smallSheet, 'diode')!)[0]!.outcomes).toEqual([
      'ok',
      'low',
      'short',
      'high',
      'open',
    ]);
    expect(observablesOf(findTest(smallSheet, 'out')!)[0]!.outcomes).toEqual(['ok', 'low', 'none']);
    expect(observablesOf(findTest(smallSheet, 'looks')!)[0]!.outcomes).toEqual(['ok', 'burnt']);
  });
  test('a fault that shows at a whole test shows at each of its points', () => {
    const fault = {
      ...findFault(smallSheet, 'shorted')!,
      shows: { diode: 'low', 'diode@V': 'open' },
    };
    const [u, v] = observablesOf(findTest(smallSheet, 'diode')!);
    expect([shownBy(fault, u!), shownBy(fault, v!)]).toEqual(['low', 'open']);
  });
});

test('looking up by id', () => {
  expect(findPart(smallSheet, 'power')?.name).toBe('Power board');
  expect(findPoint(findTest(smallSheet, 'diode')!, 'V')?.black).toBe('b.V');
  expect(findPoint(findTest(smallSheet, 'looks')!, 'V')).toBeUndefined();
  expect(stateName(stateOf(smallSheet, findTest(smallSheet, 'rail')!))).toBe('standby');
  expect(() => stateOf(smallSheet, { ...findTest(smallSheet, 'rail')!, state: 'asleep' })).toThrow(
    'asleep',
  );
});

describe('checks', () => {
  test('the small sheet passes', () => {
    expect(checkSheet(smallSheet)).toEqual([]);
  });

  test.each<[string, (sheet: Sheet) => void, string]>([
    ['an unknown state', (s) => void (s.tests[0]!.state = 'asleep'), '/tests/0/state'],
    [
      'an unknown access',
      (s) => void (s.tests[0]!.access = { roof: 'out' }),
      '/tests/0/access/roof',
    ],
    ['an unknown feeder', (s) => void (s.tests[3]!.fedBy = ['x']), '/tests/3/fedBy/0'],
    [
      'a pin that is not drawn',
      (s) => void ((s.tests[2] as { points: { red: string }[] }).points[0]!.red = 'b.CN1.7'),
      '/tests/2/points/0/red',
    ],
    ['ohms on a live unit', (s) => void (s.tests[0]!.state = 'standby'), '/tests/0/function'],
    [
      'a unit the dial does not read',
      (s) => void ((s.tests[2] as { expect: { unit: string } }).expect.unit = 'A'),
      '/tests/2/expect/unit',
    ],
    [
      'limits crossed',
      (s) => void ((s.tests[0] as { expect: { low: number } }).expect.low = 9),
      '/tests/0/expect',
    ],
    ['a fault on no part', (s) => void (s.faults[0]!.part = 'x'), '/faults/0/part'],
    ['a fault shown nowhere', (s) => void (s.faults[0]!.shows = { x: 'low' }), '/faults/0/shows/x'],
    [
      'an outcome that cannot be',
      (s) => void (s.faults[0]!.shows = { rail: 'purple' }),
      '/faults/0/shows/rail',
    ],
    [
      'shares that do not add up',
      (s) => void (s.faults[0]!.shows = { rail: { low: 0.5 } }),
      '/faults/0/shows/rail',
    ],
    ['a chain to nowhere', (s) => void (s.faults[0]!.brings = { x: 0.5 }), '/faults/0/brings/x'],
    [
      'a chain in a circle',
      (s) => void (s.faults[1]!.brings = { shorted: 0.5 }),
      '/faults/1/brings',
    ],
    [
      'a code that suspects nobody',
      (s) => void (s.codes.list[0]!.suspects = { x: 0.5 }),
      '/codes/list/0/suspects/x',
    ],
    [
      'a pair that is not drawn',
      (s) => void (s.safety.prove![0]!.from = 'b.Q'),
      '/safety/prove/0/from',
    ],
    ['two tests of one name', (s) => void s.tests.push(s.tests[0]!), '/tests/4/id'],
  ])('%s is found, with its path', (_, change, path) => {
    const problems = checkSheet(damaged(change));
    expect(problems.map((problem) => problem.path)).toContain(path);
  });

  test('every problem is reported, not only the first', () => {
    const sheet = damaged((s) => {
      s.tests[0]!.state = 'asleep';
      s.faults[0]!.part = 'x';
    });
    expect(checkSheet(sheet).length).toBeGreaterThanOrEqual(2);
  });
});
