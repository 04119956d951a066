/** Pins found elsewhere on the machine: the job measures there, and says so; the sheet stays. */
import * as fc from 'fast-check';
import { logWriter, provenDead, smallSheet } from '../../test/small-sheet';
import { assess } from '../diagnose/assess';
import { buildReport } from '../report/report';
import { locate } from '../sheet/places';
import { withMoved } from '../sheet/moved-pins';
import type { MeasureTest, Sheet } from '../sheet/schema';
import { refusalOf } from './admission/refusal-of';
import { findPins, type PairFigure } from './findings/find-pins';
import { foldJob } from './fold/fold';
import { jobSheet } from './fold/job-sheet';
import { entryWords } from './kinds/said-of';

const sheet: Sheet = structuredClone(smallSheet);
const swapped = { connector: 'b.CN1', at: { 1: 2, 2: 1 } };

test('the job’s sheet has the pins where they were found, with what they carry', () => {
  const log = provenDead(logWriter(), 2);
  const entry = log.add('pins', swapped);
  const here = jobSheet(sheet, log.entries);
  const rail = here.tests.find(({ id }) => id === 'rail') as MeasureTest;
  expect(rail.points[0]).toMatchObject({ red: 'b.CN1.2', black: 'b.CN1.1' });
  expect(locate(here, 'b.CN1.2')).toMatchObject({ pin: { signal: '5 V', wire: 'red' } });
  expect(here.moved).toEqual({ 'b.CN1': { 1: 2, 2: 1 } });
  expect(entryWords(entry, sheet)).toBe('CN1 pinned otherwise here: 1 at 2, 2 at 1');
  expect(jobSheet(sheet, log.entries)).toBe(here);
});

test('the report tells it to whoever holds a line against the maker’s table', () => {
  const log = provenDead(logWriter(), 2);
  const observed = () => {
    const here = jobSheet(sheet, log.entries);
    const state = foldJob(sheet, log.entries);
    return buildReport(here, state, assess(here, state)).observed;
  };
  expect(observed()).toEqual([]);
  log.add('pins', swapped);
  expect(observed()).toEqual(['CN1 pinned otherwise here: 1 at 2, 2 at 1.']);
});

test('what was read stands, now at the pins where it was read; taken back, at the sheet’s', () => {
  const log = provenDead(logWriter(), 2);
  const entry = log.add('pins', swapped);
  log.add('withdrawn', { entry: entry.id, reason: 'mistyped' });
  expect(jobSheet(sheet, log.entries)).toBe(sheet);
  log.add('pins', swapped);
  log.add('pins', { connector: 'b.CN1', at: {} });
  expect(jobSheet(sheet, log.entries)).toBe(sheet);
});

test.each([
  ['a connector that the sheet has not', { connector: 'b.CN9', at: {} }, 'unknown-place'],
  ['a pin that it has not', { connector: 'b.CN1', at: { 1: 3 } }, 'pins-at-odds'],
  ['two at one place', { connector: 'b.CN1', at: { 1: 2, 2: 2 } }, 'pins-at-odds'],
  [
    'one that takes the place of one that stays',
    { connector: 'b.CN1', at: { 1: 2 } },
    'pins-at-odds',
  ],
])('%s is refused', (_, body, code) => {
  const log = provenDead(logWriter(), 2);
  expect(
    refusalOf(sheet, foldJob(sheet, log.entries), log.make('pins', body as typeof swapped))?.code,
  ).toBe(code);
});

/** Three windings of 10, 20 and 40 Ω from pins 1, 2 and 3 to the common pin 4; pin 5 is free. */
const motor: Sheet = {
  ...structuredClone(smallSheet),
  boards: [
    {
      id: 'b',
      name: 'Board',
      size: [100, 60],
      connectors: [
        {
          id: 'M',
          at: [10, 10],
          pins: [1, 2, 3, 4, 5].map((n) => ({ n, signal: n === 4 ? 'common' : `coil ${n}` })),
        },
      ],
    },
  ],
};
const coil = (id: number, ohms: number) => ({
  id: String(id),
  red: `b.M.${id}`,
  black: 'b.M.4',
  expect: { kind: 'nominal' as const, value: ohms, percent: 10, unit: 'ohm' as const },
});
const coils = (...ohms: readonly number[]): MeasureTest => ({
  id: 'coils',
  title: 'Coils',
  how: 'measure',
  state: 'dead',
  function: 'ohm',
  points: ohms.map((each, i) => coil(i + 1, each)),
  expect: { kind: 'open', above: 1, unit: 'ohm' },
});

const bare = foldJob(motor, provenDead(logWriter(), 2).entries);

/** What a machine pinned so reads between two of its pins. */
function machine(ohms: readonly number[], at: readonly number[]) {
  return (a: number, b: number): PairFigure['reading'] => {
    const legs = [a, b].map((place) => at.indexOf(place) + 1);
    if (legs.includes(5)) return { kind: 'overload' };
    return {
      kind: 'value',
      value: legs.reduce((sum, leg) => sum + (leg === 4 ? 0 : ohms[leg - 1]!), 0),
    };
  };
}

function findBy(ohms: readonly number[], at: readonly number[]) {
  const read = machine(ohms, at);
  const figures: PairFigure[] = [];
  for (;;) {
    const found = findPins(motor, coils(...ohms), 'b.M', figures, bare);
    if (!found.next || figures.length > 10) return { found, figures };
    figures.push({ pins: found.next, reading: read(...found.next) });
  }
}

test('five pins in an unknown order: every order is found, and by at most ten pairs', () => {
  fc.assert(
    fc.property(fc.shuffledSubarray([1, 2, 3, 4, 5], { minLength: 5, maxLength: 5 }), (at) => {
      const { found, figures } = findBy([10, 20, 40], at);
      expect(figures.length).toBeLessThanOrEqual(10);
      expect(found).toMatchObject({ ways: 1, unsure: [] });
      const where = [1, 2, 3, 4, 5].map((pin) => found.at?.[pin] ?? pin);
      expect(where).toEqual(at);
    }),
  );
});

test('coils that read the same are not told apart, their common is', () => {
  const { found } = findBy([20, 20, 20], [4, 2, 3, 1, 5]);
  expect(found.ways).toBe(6);
  expect(found.unsure).toEqual([1, 2, 3]);
  expect(found.at).toEqual({ 1: 4, 4: 1 });
});

test('figures that no order explains are said to fit none', () => {
  const figures = [1, 2, 3, 4, 5].flatMap((a, i, pins) =>
    pins
      .slice(i + 1)
      .map((b) => ({ pins: [a, b] as const, reading: { kind: 'overload' as const } })),
  );
  expect(findPins(motor, coils(10, 20, 40), 'b.M', figures, bare)).toEqual({
    ways: 0,
    unsure: [],
  });
});

test('what another variant has no connector for moves nothing', () => {
  expect(withMoved(sheet, {})).toBe(sheet);
  const log = logWriter();
  log.add('opened', { complaint: 'x', sheet: { id: 'small', revision: 1 } } as never);
  log.add('pins', { connector: 'b.GONE', at: { 1: 2, 2: 1 } });
  expect(jobSheet(sheet, log.entries).moved).toBeUndefined();
});
