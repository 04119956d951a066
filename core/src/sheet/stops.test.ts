/** Paths: their stops and neighbours, which links a reading clears or accuses, and where to halve them. */
import fc from 'fast-check';
import { logWriter, measured, provenDead, smallSheet } from '../../test/small-sheet';
import { checkSheet } from '../checks/check';
import { foldJob } from '../job/fold/fold';
import { pathProgress, pathsTouched } from '../job/trail/path-progress';
import { halvesOf, linksLeft, stretchOf, type FoundOnPath } from './path-links';
import { onPathWords, pathsAt, stopsOf } from './stops';
import type { MeasureTest, Sheet } from './schema';

const stops = ['a', 'b', 'c', 'd', 'e', 'f', 'g'].map((ref) => ({ ref }));
const at = (red: string, says: 'whole' | 'broken', black?: string): FoundOnPath => ({
  stretch: stretchOf({ red, black }, stops, 'V=')!,
  says,
});
const list = (set: ReadonlySet<number>) => [...set].sort((a, b) => a - b);

test('24 V at the third place, none at the seventh: four links are left, the fifth place halves them', () => {
  const { whole, left, broken } = linksLeft(6, [at('c', 'whole'), at('g', 'broken')]);
  expect(list(whole)).toEqual([0, 1]);
  expect(list(left)).toEqual([2, 3, 4, 5]);
  expect(broken).toBe(true);
  expect(halvesOf(stretchOf({ red: 'e' }, stops, 'V=')!, left)).toEqual([2, 2]);
  // Where everything or nothing of it lies before, it tells nothing.
  expect(halvesOf(stretchOf({ red: 'g' }, stops, 'V=')!, left)).toBeUndefined();
  expect(halvesOf(stretchOf({ red: 'b' }, stops, 'V=')!, left)).toBeUndefined();
});

test('between two places it is the stretch between them that is whole or broken', () => {
  expect(stretchOf({ red: 'e', black: 'c' }, stops, 'ohm')).toEqual({
    from: 2,
    to: 4,
    between: true,
  });
  // Ohms to something beside the path say nothing of the way there.
  expect(stretchOf({ red: 'e', black: 'x' }, stops, 'ohm')).toBeUndefined();
  expect(list(linksLeft(6, [at('b', 'broken', 'd')]).left)).toEqual([1, 2]);
  expect(list(linksLeft(6, [at('b', 'broken', 'd'), at('c', 'whole', 'd')]).left)).toEqual([1]);
});

test('two breaks: the shorter stretch is looked at first; nothing read, everything is left', () => {
  const two = linksLeft(6, [at('a', 'broken', 'b'), at('d', 'broken', 'g')]);
  expect(list(two.left)).toEqual([0]);
  expect(linksLeft(6, [])).toMatchObject({ broken: false });
  expect(list(linksLeft(6, []).left)).toEqual([0, 1, 2, 3, 4, 5]);
});

test('one break anywhere: true readings never lose it, and halving finds it in ⌈log₂ n⌉ readings', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), fc.nat(), (count, seed) => {
      const link = seed % count;
      const found: FoundOnPath[] = [];
      for (let n = 0; n <= Math.ceil(Math.log2(count)); n += 1) {
        const { left } = linksLeft(count, found);
        expect(left.has(link)).toBe(true);
        if (left.size === 1) return;
        const ways = Array.from({ length: count }, (_, i) => ({
          from: 0,
          to: i + 1,
          between: false,
        }));
        const best = ways.reduce((a, b) => {
          const worst = (way: typeof a) => Math.max(...(halvesOf(way, left) ?? [Infinity]));
          return worst(b) < worst(a) ? b : a;
        });
        found.push({ stretch: best, says: link < best.to ? 'broken' : 'whole' });
      }
      expect(linksLeft(count, found).left.size).toBe(1);
    }),
  );
});

const sheet: Sheet = structuredClone(smallSheet);
sheet.boards.push({
  id: 'fan',
  name: 'Fan',
  size: [60, 40],
  points: [
    { id: 'A', at: [10, 10] },
    { id: 'B', at: [30, 10] },
  ],
});
sheet.harnesses = [{ id: 'loom', name: 'Fan loom', joins: ['b.CN1'], joints: ['clip'] }];
sheet.paths = [
  { id: 'fan', carries: '5 V to the fan', through: ['b.CN1.1', 'loom', 'loom#clip', 'fan.A'] },
];
const rail = sheet.tests.find(({ id }) => id === 'rail') as MeasureTest;
rail.points = [
  { id: 'board', red: 'b.CN1.1', black: 'b.CN1.2' },
  { id: 'fan', red: 'fan.A', black: 'b.CN1.2' },
];
sheet.faults[0]!.shows = { 'rail@fan': 'none', out: 'none' };
delete sheet.tests.find(({ id }) => id === 'out')!.fedBy;

test('a place says on which paths it is, and what comes before and after it', () => {
  expect(checkSheet(sheet)).toEqual([]);
  expect(stopsOf(sheet, sheet.paths![0]!).map(({ kind, name }) => [kind, name])).toEqual([
    ['place', 'CN1 pin 1'],
    ['wire', 'Fan loom'],
    ['joint', 'clip'],
    ['place', 'A'],
  ]);
  expect(pathsAt(sheet, 'fan.A').map(onPathWords)).toEqual(['5 V to the fan: from clip']);
  expect(pathsAt(sheet, 'b.CN1.1').map(onPathWords)).toEqual(['5 V to the fan: to Fan loom']);
  expect(pathsAt(sheet, 'b.CN1.2')).toEqual([]);
  expect(pathsTouched(sheet, rail.points[1]!)).toHaveLength(1);
});

test('in a job: read at the far end the links turn whole or suspect, and what was read hangs on its stop', () => {
  const live = () => {
    const log = provenDead(logWriter(), 2);
    log.add('energised', { precautions: true });
    log.add('window', { state: 'standby' });
    return log;
  };
  const progress = (log: ReturnType<typeof live>) =>
    pathProgress(sheet, foldJob(sheet, log.entries), sheet.paths![0]!);
  const good = live();
  good.add('reading', measured('rail', 'fan', 5.02));
  expect(progress(good).links).toEqual(['whole', 'whole', 'whole']);
  expect(progress(good).next).toBeUndefined();
  const bad = live();
  expect(progress(bad)).toMatchObject({ links: ['unknown', 'unknown', 'unknown'] });
  bad.add('reading', measured('rail', 'fan', 0.01));
  const entry = bad.entries.at(-1)!.id;
  bad.add('contact', { entry, how: 'scraped-to-metal' });
  expect(progress(bad).links).toEqual(['suspect', 'suspect', 'suspect']);
  expect([...progress(bad).readings.keys()]).toEqual([3]);
});

const SPOILED: readonly [string, (through: string[]) => void, string][] = [
  ['a link that no board has', (t) => t.splice(1, 1, 'b.CN9.1'), '/paths/0/through/1'],
  ['a joint that the harness has not', (t) => t.splice(2, 1, 'loom#hinge'), '/paths/0/through/2'],
  ['one place twice', (t) => t.push('b.CN1.1'), '/paths/0/through/4'],
  ['places that no test touches', (t) => t.splice(0, 4, 'fan.B', 'loom'), '/paths/0/through'],
];
test.each(SPOILED)('a path with %s is told', (_, spoil, path) => {
  const spoiled = structuredClone(sheet);
  spoil(spoiled.paths![0]!.through);
  expect(checkSheet(spoiled).map((each) => each.path)).toContain(path);
});
