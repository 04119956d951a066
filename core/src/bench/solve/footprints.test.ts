import { readNetlist } from '../spice/read';
import { Footprints } from './footprints';
import { System } from './system';
import { runTransient } from './transient';

const turn = (prints: Footprints, moments: readonly number[], unrest = 0) => {
  for (const each of moments) prints.take(each);
  prints.endTurn(1, unrest);
};

test('a turn that steps as the one before is known for it; one that had to step elsewhere is not', () => {
  const prints = new Footprints();
  expect(prints.lastTurn()).toBeUndefined();
  turn(prints, [0.25, 0.5, 1]);
  expect([prints.again, prints.lastTurn()]).toEqual([false, [0.25, 0.5, 1]]);
  turn(prints, [0.25, 0.5 + 1e-12, 1]);
  expect(prints.again).toBe(true);
  turn(prints, [0.25, 0.49, 1]);
  expect(prints.again).toBe(false);
  turn(prints, [0.25, 0.49, 0.5, 1]);
  expect(prints.again).toBe(false);
});

test('where a turn went far, or needed many more steps, the next finds its own', () => {
  const prints = new Footprints([0.5, 0.75, 1]);
  expect(prints.lastTurn()).toEqual([0.5, 0.75, 1]);
  turn(prints, [0.5, 0.75, 1], 3);
  expect(prints.lastTurn()).toBeUndefined();
  turn(prints, [0.5, 1]);
  turn(prints, [0.25, 0.5, 1]);
  expect(prints.lastTurn()).toBeUndefined();
});

/** A bus behind three phases and six diodes, hardly loaded. */
const BUS = readNetlist(
  [
    't',
    '.model DR D(IS=5e-9 N=1.7 RS=0.01)',
    ...['a', 'b', 'c'].flatMap((leg, i) => [
      `V${leg} ${leg}s n SIN(0 311 60 0 0 ${-120 * i})`,
      `R${leg} ${leg}s ${leg} 0.6`,
      `D${leg}1 ${leg} p DR`,
      `D${leg}2 0 ${leg} DR`,
    ]),
    ...['Rn n 0 1meg', 'C1 p 0 2200u', 'R2 p 0 47k'],
  ].join('\n'),
);
const TURN = 1 / 60;

interface Turn {
  readonly moments: readonly number[];
  readonly went: number;
}

/** Turns one after the other from a crest of the mains. @param treads - Where the one before stepped. */
function turns(many: number, treads: boolean): Turn[] {
  const system = new System(BUS);
  system.operatingPoint(0);
  const all: Turn[] = [];
  for (let n = 0; n < many; n += 1) {
    const from = n * TURN;
    const moments: number[] = [];
    const before = system.volts('p')!;
    runTransient(
      system,
      {
        ...{ from, to: from + TURN, most: TURN / 80, tolerance: 2e-3, corner: 0.25 },
        trodden: treads ? all.at(-1)?.moments : undefined,
      },
      (t) => void moments.push(t - from),
    );
    all.push({ moments, went: system.volts('p')! - before });
  }
  return all;
}

test('turns that step alike go on in one way, where steps of their own tremble', () => {
  // What each turn goes of the way of the one before, while it comes to rest.
  const shares = (all: readonly Turn[]) =>
    all.slice(7).map(({ went }, i) => went / all[i + 6]!.went);
  const spread = (of: readonly number[]) => Math.max(...of) - Math.min(...of);
  const [own, alike] = [turns(12, false), turns(12, true)];
  expect(spread(shares(own))).toBeGreaterThan(0.15);
  expect(spread(shares(alike))).toBeLessThan(0.05);
  // And they come to the same.
  const volts = (all: readonly Turn[]) => all.reduce((sum, { went }) => sum + went, 0);
  expect(Math.abs(volts(alike) - volts(own))).toBeLessThan(0.05);
});

test('moments that are too far apart for the error are not taken for steps', () => {
  const fine = turns(1, false)[0]!;
  const system = new System(BUS);
  system.operatingPoint(0);
  const moments: number[] = [];
  runTransient(
    system,
    {
      ...{ from: 0, to: TURN, most: TURN / 80, tolerance: 2e-3, corner: 0.25 },
      trodden: fine.moments.filter((_, i) => i % 9 === 0),
    },
    (t) => void moments.push(t),
  );
  expect(moments.length).toBeGreaterThan(0.9 * fine.moments.length);
  expect(Math.max(...moments.map((t, i) => t - (moments[i - 1] ?? 0)))).toBeLessThan(
    1.01 * (TURN / 80),
  );
});
