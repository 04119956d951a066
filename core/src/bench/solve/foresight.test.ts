import fc from 'fast-check';
import { Foresight, type Way } from './foresight';
import type { State } from './stored';

const NAMES = ['c1', 'c2', 'l1'];
const ONES = Float64Array.from([1, 1, 1]);
const TRIFLES = Float64Array.from([1e-7, 1e-7, 1e-7]);

/** A turn that takes a store this share of the way that it is off, each of its own and a little of its neighbour. */
const turnOf =
  (rest: readonly number[], keeps: readonly number[]) =>
  (from: State): State =>
    from.map((value, i) => {
      const next = (i + 1) % from.length;
      return (
        rest[i]! + keeps[i]! * (value - rest[i]!) + 0.05 * keeps[i]! * (from[next]! - rest[next]!)
      );
    });

function follow(turn: (from: State) => State, start: State, turns: number, foresight: Foresight) {
  let at = start;
  for (let n = 0; n < turns; n += 1) {
    const end = turn(at);
    foresight.add({ start: at, went: end.map((value, i) => value - at[i]!) });
    at = end;
  }
  return at;
}

const distance = (a: State, b: readonly number[]) =>
  Math.max(...[...a].map((value, i) => Math.abs(value - b[i]!)));

const state = fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 3, maxLength: 3 });
const far = fc.array(fc.double({ min: 0.5, max: 5, noNaN: true }), { minLength: 3, maxLength: 3 });
/** A slow store, one between and a quick one, more or less. */
const keeps = fc
  .array(fc.double({ min: -0.05, max: 0.05, noNaN: true }), { minLength: 3, maxLength: 3 })
  .map((more) => [0.9, 0.6, 0.3].map((each, i) => each + more[i]!));

test('of what goes on in straight ways, as many turns as there are stores and one more foretell the end', () => {
  fc.assert(
    fc.property(state, far, keeps, (rest, off, kept) => {
      const start = rest.map((value, i) => value + off[i]!);
      const foresight = new Foresight(NAMES);
      follow(turnOf(rest, kept), Float64Array.from(start), 4, foresight);
      const { limit } = foresight.ahead(ONES, TRIFLES);
      expect(distance(limit, rest)).toBeLessThan(1e-3 * distance(Float64Array.from(start), rest));
    }),
  );
});

/** What a like circuit learned on its way home. */
function learned(rest: readonly number[], kept: readonly number[]): Way[] {
  const foresight = new Foresight(NAMES);
  follow(turnOf(rest, kept), Float64Array.from([3, -2, 1]), 5, foresight);
  return foresight.ways();
}

test('one turn is enough where a like circuit has been followed before', () => {
  const ways = learned([300, 24, 0.5], [0.9, 0.6, 0.3]);
  expect(ways.length).toBeGreaterThan(2);
  const rest = [304, 23.8, 0.52];
  const own = new Foresight(NAMES, ways);
  expect(own.knows).toBe(true);
  const at = follow(turnOf(rest, [0.88, 0.62, 0.31]), Float64Array.from([300, 24, 0.5]), 1, own);
  const { limit } = own.ahead(ONES, TRIFLES);
  // 3.5 V off after the turn itself; of that less than a quarter is left.
  expect(distance(at, rest)).toBeGreaterThan(3);
  expect(distance(limit, rest)).toBeLessThan(0.9);
});

test('what leaks away is not taken for what is at its end, whatever was learned of one that is fed', () => {
  const ways = learned([300, 24, 0.5], [0.1, 0.1, 0.1]);
  const own = new Foresight(NAMES, ways);
  // It loses a thousandth a turn, and would for thousands of them.
  const leaks = turnOf([0, 0, 0], [0.999, 0.999, 0.999]);
  follow(leaks, Float64Array.from([300, 24, 0.5]), 1, own);
  own.ahead(ONES, TRIFLES);
  follow(leaks, Float64Array.from([299.7, 23.98, 0.5]), 1, own);
  expect(own.ahead(ONES, TRIFLES).explained).toBe(false);
});

test('of what it does not know it says nothing', () => {
  const own = new Foresight(NAMES);
  expect(own.knows).toBe(false);
  const at = follow(turnOf([1, 1, 1], [0.5, 0.5, 0.5]), Float64Array.from([0, 0, 0]), 1, own);
  const { limit, explained } = own.ahead(ONES, TRIFLES);
  expect([...limit]).toEqual([...at]);
  expect(explained).toBe(false);
  // A store of another name tells nothing of these.
  const strange = new Foresight(NAMES, [
    { start: new Map([['c9', 1]]), change: new Map([['c9', -0.5]]) },
  ]);
  follow(turnOf([1, 1, 1], [0.5, 0.5, 0.5]), Float64Array.from([0, 0, 0]), 1, strange);
  expect(strange.ahead(ONES, TRIFLES).explained).toBe(false);
});
