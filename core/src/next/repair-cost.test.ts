/** The cost of repair by hand: two parts, three sets of faults, one order better than the other. */
import fc from 'fast-check';
import { infer } from '../diagnose/belief';
import type { DiagnosticModel } from '../diagnose/model';
import { spaceFor } from '../diagnose/space';
import { RepairCost } from './repair-cost';

const model: DiagnosticModel = {
  faults: [
    { id: 'a', part: 'A', prior: 3, shows: { t: 'low' } },
    { id: 'b', part: 'B', prior: 1, shows: {} },
  ],
  tests: [{ id: 't', outcomes: ['ok', 'low'] }],
  parts: [{ id: 'A' }, { id: 'B' }],
};
const space = spaceFor(model, 2);
/** Weights by name: `a`, `b`, `ab`, Z for nothing, N for something else. */
function weights(by: Record<string, number>): Float64Array {
  return Float64Array.from(space.hypotheses, ({ kind, faults }) => {
    const name =
      kind === 'sound' ? 'Z' : kind === 'other' ? 'N' : faults.map((f) => 'ab'[f]).join('');
    return by[name] ?? 0;
  });
}
const rates = { rate: 60, giveUp: 1000 };
const parts = [
  { id: 'A', price: 100, minutes: 20 },
  { id: 'B', price: 30, minutes: 10 },
];
const cost = (by: Record<string, number>, priced = parts) =>
  new RepairCost(space, priced, rates, weights(by)).planOf(weights(by));

test('a certain fault costs its part and the minutes to fit it', () => {
  expect(cost({ a: 1 })).toEqual({ cost: 120, order: ['A'] });
  expect(cost({ Z: 1 })).toEqual({ cost: 0, order: [] });
  // Nothing of the sheet mends it: handed over.
  expect(cost({ N: 1 })).toEqual({ cost: 1000, order: [] });
});

test('of two likely parts the cheap one goes first, although the other is likelier', () => {
  // A first: 120 + 0.4·40 = 136; B first: 40 + 0.6·120 = 112.
  const plan = cost({ a: 0.6, b: 0.4 });
  expect(plan.cost).toBeCloseTo(112, 9);
  expect(plan.order).toEqual(['B', 'A']);
});

test('both at once want both, and what no part mends is handed over at the end', () => {
  expect(cost({ ab: 1 }).cost).toBeCloseTo(160, 9);
  // 120 for A, then 0.1 of the time there is nothing left to try: handed over.
  expect(cost({ a: 0.9, N: 0.1 }).cost).toBeCloseTo(120 + 100, 9);
});

test('a part under warranty costs its minutes', () => {
  const [a, b] = parts;
  expect(cost({ a: 1 }, [{ ...a!, covered: 1 } as never, b!]).cost).toBe(20);
});

test('weights that do not sum to one give the cost times their sum', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 }),
      fc.double({ min: 0.01, max: 100, noNaN: true }),
      (values, factor) => {
        const some = Float64Array.from(values);
        const repair = new RepairCost(space, parts, rates, some);
        const once = repair.of(some);
        expect(repair.of(some.map((w) => w * factor))).toBeCloseTo(once * factor, 6);
        // Knowing more never costs more: V is concave.
        const good = some.map((w, h) => w * (h % 2 ? 0.8 : 0.3));
        const bad = some.map((w, h) => w - good[h]!);
        expect(repair.of(good) + repair.of(bad)).toBeLessThanOrEqual(once + 1e-9);
      },
    ),
  );
});

test('a module on a board is mended by either, and of too many parts the likeliest are looked at', () => {
  const carried: DiagnosticModel = {
    ...model,
    parts: [{ id: 'A', on: 'B' }, { id: 'B' }],
  };
  const on = spaceFor(carried, 2);
  const now = Float64Array.from(on.hypotheses, ({ faults }) => (faults.join() === '0,1' ? 1 : 0));
  // Replacing the board replaces the module: 40 instead of 160.
  expect(new RepairCost(on, parts, rates, now).planOf(now)).toEqual({ cost: 40, order: ['B'] });
  const { left } = infer(model, [{ test: 't', outcome: 'low' }]);
  const few = new RepairCost(space, parts, rates, left, 1).planOf(left);
  expect(few.order).toEqual(['A']);
  expect(few.cost).toBeGreaterThanOrEqual(new RepairCost(space, parts, rates, left).of(left));
});
