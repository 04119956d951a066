/** The schools of the trade on the same tests, and somebody's own way through them. */
import { measured, provenDead, smallSheet, type LogWriter } from '../../test/small-sheet';
import { foldJob } from '../job/fold/fold';
import type { Sheet } from '../sheet/schema';
import type { Weighed } from './advice';
import { advise, type AdviceOptions } from './advise';
import { SCHOOLS, type School } from './schools';

const NOW = Date.parse('2026-03-02T12:00:00.000Z');
const sheet: Sheet = {
  ...smallSheet,
  parts: [
    { id: 'board', name: 'Control board', price: 400, minutes: 30 },
    { id: 'power', name: 'Power board', price: 300, minutes: 30 },
  ],
};
const advised = ({ entries }: LogWriter, options?: AdviceOptions) =>
  advise(sheet, foldJob(sheet, entries), NOW, options);
const idsOf = (log: LogWriter, options?: AdviceOptions) =>
  advised(log, options).tests.map(({ test }) => test.id);

interface Figures {
  id: string;
  minutes: number;
  saves: number;
  price: number;
  bits: number;
  surest?: number;
  behind?: boolean;
  leaves?: number;
}

/** Only what the schools go by. */
const weighed = ({ id, minutes, saves, price, bits, surest = 0.5, behind, leaves }: Figures) =>
  ({
    advice: {
      test: { id },
      before: behind ? [{ id: 'feeder' }] : [],
      effort: { minutes },
      net: saves - price,
      bits,
    },
    saves,
    price,
    surest,
    ...(leaves !== undefined && { leaves }),
  }) as unknown as Weighed;
const orderBy = (school: School, all: readonly Weighed[]) =>
  SCHOOLS[school](all).map(({ advice }) => advice.test.id);

test('each school puts another test first', () => {
  const all = [
    weighed({ id: 'foreseen', minutes: 1, saves: 2, price: 3, bits: 0.05, surest: 0.98 }),
    weighed({ id: 'first', minutes: 9, saves: 30, price: 19, bits: 0.5 }),
    weighed({ id: 'worth', minutes: 4, saves: 60, price: 30, bits: 0.3 }),
    weighed({ id: 'cheap', minutes: 8, saves: 45, price: 16, bits: 0.2 }),
    weighed({ id: 'telling', minutes: 3, saves: 10, price: 12, bits: 0.9 }),
    weighed({ id: 'glance', minutes: 0.5, saves: 1, price: 2, bits: 0.04 }),
    weighed({ id: 'nothing', minutes: 0.2, saves: 0, price: 1, bits: 0.001 }),
  ];
  expect(orderBy('balanced', all).slice(0, 3)).toEqual(['worth', 'cheap', 'first']);
  expect(orderBy('likeliest', all)[0]).toBe('cheap');
  expect(orderBy('power-path', all)).toEqual([
    'first',
    'worth',
    'cheap',
    'telling',
    'glance',
    'nothing',
    'foreseen',
  ]);
  expect(orderBy('half-split', all)[0]).toBe('telling');
  expect(orderBy('quick', all).slice(0, 2)).toEqual(['glance', 'foreseen']);
});

test('likeliest-first looks no further than the next test; half-split halves a broken path first', () => {
  const all = [
    weighed({ id: 'behind', minutes: 3, saves: 90, price: 6, bits: 0.9, behind: true }),
    weighed({ id: 'free', minutes: 3, saves: 20, price: 6, bits: 0.2 }),
    weighed({ id: 'path', minutes: 6, saves: 5, price: 12, bits: 0.1, leaves: 3 }),
    weighed({ id: 'halves', minutes: 6, saves: 5, price: 12, bits: 0.1, leaves: 2 }),
  ];
  expect(orderBy('likeliest', all)).toEqual(['free', 'path', 'halves', 'behind']);
  expect(orderBy('half-split', all)).toEqual(['halves', 'path', 'behind', 'free']);
});

test('every school weighs the same tests and stops at the same moment', () => {
  const log = provenDead(undefined, 2);
  log.add('code', { shown: 'E1' });
  const all = idsOf(log);
  for (const school of Object.keys(SCHOOLS) as School[]) {
    expect([...idsOf(log, { school })].sort()).toEqual([...all].sort());
    expect(advised(log, { school }).stop).toBe(advised(log).stop);
  }
});

describe('one’s own way', () => {
  const log = provenDead(undefined, 2);
  log.add('code', { shown: 'E1' });
  const [first, second, ...rest] = idsOf(log) as [string, string, ...string[]];

  test('what is pinned stands first, whatever else is worth', () => {
    const last = rest.at(-1)!;
    const { tests, pinned, stop } = advised(log, { own: { pinned: last } });
    expect(tests[0]!.test.id).toBe(last);
    expect(tests[1]!.test.id).toBe(first);
    expect([pinned, stop]).toEqual([last, false]);
  });
  test('what is put off is not advised, and not forgotten', () => {
    const { tests, putOff } = advised(log, { own: { putOff: [first] } });
    expect(tests[0]!.test.id).toBe(second);
    expect(putOff.map(({ test }) => test.id)).toEqual([first]);
  });
  test('with all of it put off there is nothing left to advise; a pin goes before it', () => {
    const putOff = [first, second, ...rest];
    expect(advised(log, { own: { putOff } })).toMatchObject({ tests: [], stop: true });
    const { tests } = advised(log, { own: { putOff, pinned: first } });
    expect(tests.map(({ test }) => test.id)).toEqual([first]);
  });
  test('a pin on what is taken already does nothing', () => {
    const done = provenDead(undefined, 2);
    done.add('energised', { precautions: true });
    done.add('reading', measured('rail', '12', 5));
    expect(advised(done, { own: { pinned: 'rail' } }).pinned).toBeUndefined();
  });
});
