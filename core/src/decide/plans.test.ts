/** Plans by hand, each school of the trade where it wins, and where the advice would change. */
import fc from 'fast-check';
import { infer } from '../diagnose/belief';
import type { DiagnosticModel } from '../diagnose/model';
import { actionsOf, type PlanPart } from './actions';
import type { ShopPrices } from '../next/prices';
import { breakEvens } from './break-even';
import { decide, pricePlans, startingWith, type Plan } from './plans';

const model: DiagnosticModel = {
  faults: [
    { id: 'a', part: 'A', prior: 6, shows: {} },
    { id: 'b', part: 'B', prior: 4, shows: {} },
  ],
  parts: [{ id: 'A' }, { id: 'B' }],
  tests: [{ id: 't', outcomes: ['ok', 'bad'] }],
};
const shop: ShopPrices = { rate: 60, giveUp: 2000, visit: 90, callback: 150, downtime: 0 };
const parts: PlanPart[] = [
  { id: 'A', price: 300, minutes: 30 },
  { id: 'B', price: 100, minutes: 30 },
];
/** Exactly one of the two: 60 to 40. */
function known(a = 0.6) {
  const { space } = infer(model, [], { size: 1 });
  const left = Float64Array.from(space.hypotheses, ({ kind, faults }) =>
    kind !== 'faults' ? 0 : faults[0] === 0 ? a : 1 - a,
  );
  return { space, left };
}
const named = ({ visits }: Plan) => visits.map((visit) => visit.map(({ of }) => of).join('+'));
const of = (more: Partial<ShopPrices> = {}, priced = parts, a?: number) =>
  decide(known(a), actionsOf(model, priced, []), { ...shop, ...more });

test('by hand: the cheap one first costs 130 and, in six of ten, the dear one more', () => {
  const { oneAtATime, asASet, best, nothing } = of();
  expect(named(oneAtATime)).toEqual(['B', 'A']);
  expect(oneAtATime.cost).toBeCloseTo(130 + 0.6 * 330, 9);
  expect(oneAtATime).toMatchObject({ fixedFirstVisit: 0.4, fixed: 1 });
  expect(oneAtATime.hours).toBeCloseTo(0.5 + 0.6 * 0.5, 9);
  expect(named(asASet)).toEqual(['A+B']);
  expect(asASet.cost).toBeCloseTo(460, 9);
  expect(named(best)).toEqual(named(oneAtATime));
  expect(nothing).toMatchObject({ visits: [], cost: 2000, fixed: 0 });
});

test('as a set wins where an hour without the machine is dear and parts must be ordered', () => {
  const ordered = parts.map((part) => ({ ...part, leadHours: 48 }));
  expect(named(of({ giveUp: 9000 }, ordered).best)).toEqual(['B', 'A']);
  expect(named(of({ giveUp: 9000, downtime: 40 }, ordered).best)).toEqual(['A+B']);
});

test('buying both and sending one back wins where what goes back costs little', () => {
  const returnable = parts.map((part) => ({ ...part, returnable: true, restock: 0 }));
  // The dear one first: 330, and in four of ten 130 for the other, less the 300 that come back.
  const { oneAtATime } = of({}, returnable);
  expect(named(oneAtATime)).toEqual(['A', 'B']);
  expect(oneAtATime.cost).toBeCloseTo(330 + 0.4 * (130 - 300), 9);
});

test('a repair at component level wins while it holds, and loses where it comes back', () => {
  const repair = (relapse: number) => [
    { id: 'solder', fixes: ['a'], price: 10, minutes: 60, success: 0.9, relapse },
  ];
  const way = (relapse: number, callback: number) =>
    named(
      decide(known(0.95), actionsOf(model, parts, repair(relapse)), { ...shop, callback }).best,
    )[0];
  expect(way(0.05, 150)).toBe('solder');
  expect(way(0.9, 900)).toBe('A');
});

test('what cannot go back is not bought to find out: then the cheap one is tried first', () => {
  const stays = parts.map((part) => ({ ...part, returnable: true, restock: 1 }));
  expect(named(of({}, stays).oneAtATime)).toEqual(['B', 'A']);
  expect(of({}, stays).oneAtATime.cost).toBeCloseTo(of().oneAtATime.cost, 9);
});

test('one bad reading on a board: its feed is cleared first while that is cheap, the board replaced where it is not', () => {
  // Nine in ten it is the board; the feed is looked at in five minutes, or behind a wall.
  const feed = (minutes: number) => [parts[0]!, { id: 'B', price: 0, minutes }];
  expect(named(of({}, feed(5), 0.9).best)).toEqual(['B', 'A']);
  expect(named(of({}, feed(120), 0.9).best)).toEqual(['A', 'B']);
});

test('an intermittent on a critical site: only what is likeliest while nobody waits, the whole chain where an hour is dear', () => {
  const ordered = parts.map((part) => ({ ...part, leadHours: 24 }));
  const way = (downtime: number) => named(of({ giveUp: 9000, downtime }, ordered, 0.7).best);
  expect(way(0)).toEqual(['A', 'B']);
  expect(way(100)).toEqual(['A+B']);
});

test('handing over costs what waiting for somebody else costs, where that is said', () => {
  const nothing = (more: Partial<ShopPrices>) => of(more).nothing.cost;
  expect(nothing({ downtime: 50 })).toBe(2000);
  expect(nothing({ downtime: 50, handOverHours: 48 })).toBe(2000 + 2400);
});

test('a first visit with the best that can follow it: by hand, and as the best plan where it is that', () => {
  const actions = actionsOf(model, parts, []);
  const begun = startingWith(known(), actions, shop, ['replace:A'])!;
  expect(named(begun)).toEqual(['A', 'B']);
  expect(begun.cost).toBeCloseTo(330 + 0.4 * 130, 9);
  expect(startingWith(known(), actions, shop, ['replace:B'])!.cost).toBeCloseTo(of().best.cost, 9);
  expect(startingWith(known(), actions, shop, ['replace:C'])).toBeUndefined();
});

test('handing over wins where nothing on the sheet is worth its price', () => {
  expect(of({ giveUp: 60 }).best.visits).toEqual([]);
  const whole = infer(model, [], { size: 1 });
  const left = Float64Array.from(whole.space.hypotheses, ({ kind }) => (kind === 'sound' ? 1 : 0));
  const { best } = decide({ space: whole.space, left }, actionsOf(model, parts, []), shop);
  expect(best).toMatchObject({ visits: [], cost: 0, fixedFirstVisit: 1 });
});

test('a covered part costs its labour; a part that carries another mends both', () => {
  const covered = [{ ...parts[0]!, covered: 1 }, parts[1]!];
  expect(of({}, covered).oneAtATime.cost).toBeCloseTo(30 + 0.4 * 130, 9);
  const on: DiagnosticModel = { ...model, parts: [{ id: 'A', on: 'B' }, { id: 'B' }] };
  const [figures] = pricePlans(known(), actionsOf(on, parts, []), shop, [[['replace:B']]]);
  expect(figures).toMatchObject({ fixed: 1 });
  expect(() => pricePlans(known(), actionsOf(on, parts, []), shop, [[['replace:C']]])).toThrow(
    /replace:C/,
  );
});

test('the best plan is no dearer than any other, and what it hangs on turns it where it says', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.05, max: 0.95, noNaN: true }),
      fc.double({ min: 5, max: 900, noNaN: true }),
      fc.double({ min: 0, max: 60, noNaN: true }),
      (a, price, downtime) => {
        const priced = [{ ...parts[0]!, price, leadHours: 24 }, parts[1]!];
        const prices = { ...shop, downtime };
        const actions = actionsOf(model, priced, []);
        const { best, oneAtATime, asASet, nothing } = decide(known(a), actions, prices);
        for (const each of [oneAtATime, asASet, nothing])
          expect(best.cost).toBeLessThanOrEqual(each.cost + 1e-9);
        const first = (more: ShopPrices) => named(decide(known(a), actions, more).best)[0] ?? '';
        for (const { input, now, above, below } of breakEvens(known(a), actions, prices, 'a')) {
          if (input.kind !== 'shop') continue;
          for (const turned of [above, below]) {
            if (!turned) continue;
            const beyond = now + (turned.at - now) * 1.001;
            const before = now + (turned.at - now) * 0.999;
            expect(first({ ...prices, [input.name]: before })).toBe(first(prices));
            expect(first({ ...prices, [input.name]: beyond })).toBe(
              turned.then.map(({ of: part }) => part).join('+'),
            );
          }
        }
      },
    ),
    { numRuns: 60 },
  );
});

test('the chance at which the other comes first, by hand', () => {
  const even = [
    { id: 'A', price: 100, minutes: 0 },
    { id: 'B', price: 300, minutes: 0 },
  ];
  const [chance] = breakEvens(known(0.5), actionsOf(model, even, []), shop, 'a').filter(
    ({ input }) => input.kind === 'chance',
  );
  // A first: 100 + (1 − p)·300; B first: 300 + p·100: equal at p = 1/4.
  expect(chance!.below!.at).toBeCloseTo(0.25, 6);
  expect(chance!.below!.then.map(({ of: part }) => part)).toEqual(['B']);
});
