import { readNetlist } from '../spice/read';
import { Footprints } from './footprints';
import { StagedLu } from './staged-lu';
import { System } from './system';
import { runTransient, type Trodden } from './transient';

/** A system in which these bend. */
const bending = (...names: string[]) => ({
  bending: Int32Array.from(names, (_, i) => i),
  unknowns: { names },
});

const turn = (prints: Footprints, moments: readonly number[], unrest = 0) => {
  for (const each of moments) prints.take(each);
  prints.endTurn(1, unrest);
};

test('a turn that steps as the one before is known for it; one that had to step elsewhere is not', () => {
  const prints = new Footprints(bending('a'));
  expect(prints.lastTurn()).toBeUndefined();
  turn(prints, [0.25, 0.5, 1]);
  expect([prints.again, prints.lastTurn()?.moments]).toEqual([false, [0.25, 0.5, 1]]);
  turn(prints, [0.25, 0.5 + 1e-12, 1]);
  expect(prints.again).toBe(true);
  turn(prints, [0.25, 0.49, 1]);
  expect(prints.again).toBe(false);
  turn(prints, [0.25, 0.49, 0.5, 1]);
  expect(prints.again).toBe(false);
});

test('where a turn went far, or needed many more steps, the next finds its own', () => {
  const prints = new Footprints(bending('a'), {
    moments: [0.5, 0.75, 1],
    missed: [],
    unknowns: ['a'],
  });
  expect(prints.lastTurn()?.moments).toEqual([0.5, 0.75, 1]);
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
  readonly trodden: Trodden;
  readonly went: number;
  /** Of Newton's method. */
  readonly iterations: number;
}

/** How a turn treads: where the one before stepped, and with what its steps missed. */
interface Tread {
  readonly moments: boolean;
  readonly missed?: boolean;
}

/** Turns one after the other from a crest of the mains. */
function turns(many: number, tread: Tread): Turn[] {
  const iterations = jest.spyOn(StagedLu.prototype, 'resume');
  const system = new System(BUS, { precision: { amps: 1e-9, relative: 1e-3 } });
  system.operatingPoint(0);
  const all: Turn[] = [];
  for (let n = 0; n < many; n += 1) {
    const from = n * TURN;
    const before = system.volts('p')!;
    const last = all.at(-1)?.trodden;
    const prints = new Footprints(system);
    iterations.mockClear();
    runTransient(
      system,
      {
        ...{ from, to: from + TURN, most: TURN / 80, tolerance: 2e-3, corner: 0.25 },
        trodden: tread.moments
          ? last && { ...last, ...(!tread.missed && { missed: [] }) }
          : undefined,
      },
      (t, ahead) => prints.take(t - from, system.x, ahead),
    );
    prints.endTurn(TURN, 0);
    all.push({
      trodden: prints.lastTurn()!,
      went: system.volts('p')! - before,
      iterations: iterations.mock.calls.length,
    });
  }
  iterations.mockRestore();
  return all;
}

test('turns that step alike go on in one way, where steps of their own tremble', () => {
  // What each turn goes of the way of the one before, while it comes to rest.
  const shares = (all: readonly Turn[]) =>
    all.slice(7).map(({ went }, i) => went / all[i + 6]!.went);
  const spread = (of: readonly number[]) => Math.max(...of) - Math.min(...of);
  const [own, alike] = [turns(12, { moments: false }), turns(12, { moments: true })];
  expect(spread(shares(own))).toBeGreaterThan(0.15);
  expect(spread(shares(alike))).toBeLessThan(0.05);
  // And they come to the same.
  const volts = (all: readonly Turn[]) => all.reduce((sum, { went }) => sum + went, 0);
  expect(Math.abs(volts(alike) - volts(own))).toBeLessThan(0.05);
});

test('with what each step missed in the turn before, a step is mostly one iteration, and ends where it would have', () => {
  const [plain, good] = [{}, { missed: true }].map((more) => turns(12, { moments: true, ...more }));
  const last = plain!.at(-1)!;
  expect(good!.at(-1)!.trodden.moments.length).toBe(last.trodden.moments.length);
  expect(good!.at(-1)!.iterations).toBeLessThan(1.3 * last.trodden.moments.length);
  expect(last.iterations).toBeGreaterThan(1.5 * good!.at(-1)!.iterations);
  for (const [i, { went }] of good!.entries())
    expect(Math.abs(went - plain![i]!.went)).toBeLessThan(0.02);
});

test('what was missed where the unknowns were others is left', () => {
  const moments = [0.5, 1];
  const before = { moments, missed: moments.map(() => new Float32Array(2)), unknowns: ['a', 'b'] };
  expect(new Footprints(bending('a', 'b'), before).lastTurn()).toEqual(before);
  for (const others of [['b', 'a'], ['a'], ['a', 'b', 'c']])
    expect(new Footprints(bending(...others), before).lastTurn()).toEqual({
      ...before,
      missed: [],
    });
});

test('a miss that leads astray costs a try, and nothing else', () => {
  const [plain] = turns(2, { moments: true }).slice(-1);
  const system = new System(BUS);
  system.operatingPoint(0);
  const [first] = turns(1, { moments: false });
  const wild = (sign: number) => new Float32Array(system.bending.length).fill(sign * 1e4);
  const { moments } = first!.trodden;
  const volts: number[] = [];
  for (const from of [0, TURN])
    runTransient(
      system,
      {
        ...{ from, to: from + TURN, most: TURN / 80, tolerance: 2e-3, corner: 0.25 },
        ...(from > 0 && { trodden: { moments, missed: moments.map((_, i) => wild((-1) ** i)) } }),
      },
      () => void volts.push(system.volts('p')!),
    );
  const start = volts[moments.length - 1]!;
  expect(Math.abs(volts.at(-1)! - start - plain!.went)).toBeLessThan(0.02);
});

test('moments that are too far apart for the error are not taken for steps', () => {
  const { moments: fine } = turns(1, { moments: false })[0]!.trodden;
  const system = new System(BUS);
  system.operatingPoint(0);
  const moments: number[] = [];
  runTransient(
    system,
    {
      ...{ from: 0, to: TURN, most: TURN / 80, tolerance: 2e-3, corner: 0.25 },
      trodden: { moments: fine.filter((_, i) => i % 9 === 0), missed: [] },
    },
    (t) => void moments.push(t),
  );
  expect(moments.length).toBeGreaterThan(0.9 * fine.length);
  expect(Math.max(...moments.map((t, i) => t - (moments[i - 1] ?? 0)))).toBeLessThan(
    1.01 * (TURN / 80),
  );
});
