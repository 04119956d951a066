import fc from 'fast-check';
import { bandScale } from './band-scale';
import { closeView } from './board/close-view';
import { overlap, placeFlag } from './board/flag-places';
import { typeKey } from './keypad';
import { percent } from './percent';

describe('limit band', () => {
  test('two-sided limits take the middle half', () => {
    const { at } = bandScale({ low: 0.35, high: 0.6 });
    expect([at(0.35), at(0.6), at(0.475)]).toEqual([
      expect.closeTo(0.25, 9),
      expect.closeTo(0.75, 9),
      expect.closeTo(0.5, 9),
    ]);
  });
  test('one-sided limits lie in the middle, OL at the far end', () => {
    expect(bandScale({ low: -Infinity, high: 1 }).at(1)).toBeCloseTo(0.5, 9);
    expect(bandScale({ low: 400, high: Infinity }).at(400)).toBeCloseTo(0.5, 9);
    expect(bandScale({ low: 400, high: Infinity }).at(Infinity)).toBe(1);
  });
  test('every value lies on the axis, in order', () => {
    const x = fc.double({ min: -1e6, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(x, x, x, x, (a, b, v, w) => {
        const { at } = bandScale({ low: Math.min(a, b), high: Math.max(a, b) });
        const [low, high] = v < w ? [v, w] : [w, v];
        expect(at(low)).toBeGreaterThanOrEqual(0);
        expect(at(high)).toBeLessThanOrEqual(1);
        expect(at(low)).toBeLessThanOrEqual(at(high));
      }),
    );
  });
});

describe('flags on a board', () => {
  const board = { x: 0, y: 0, w: 150, h: 100 };
  test('a flag stays on the board and off what must be seen, where there is room', () => {
    const studs = [{ x: 119, y: 10, w: 26, h: 14 }];
    const flag = placeFlag([126, 17], board, studs);
    expect(overlap(flag, board)).toBeCloseTo(flag.w * flag.h, 9);
    expect(overlap(flag, studs[0]!)).toBe(0);
  });
  test('the second flag keeps clear of the first', () => {
    const first = placeFlag([20, 20], board, []);
    expect(overlap(placeFlag([29, 20], board, [first]), first)).toBe(0);
  });
});

describe('close view of a board', () => {
  const board = { x: -4, y: -4, w: 158, h: 112 };
  test('shows what must be seen, on the board, and no smaller than can be recognised', () => {
    const box = fc.record({
      x: fc.integer({ min: 0, max: 130 }),
      y: fc.integer({ min: 0, max: 90 }),
      w: fc.integer({ min: 1, max: 20 }),
      h: fc.integer({ min: 1, max: 14 }),
    });
    fc.assert(
      fc.property(fc.array(box, { minLength: 1, maxLength: 4 }), (boxes) => {
        const view = closeView(board, boxes);
        expect(view.w).toBeGreaterThanOrEqual(88);
        expect(overlap(view, board)).toBeCloseTo(view.w * view.h, 6);
        for (const each of boxes) expect(overlap(view, each)).toBeCloseTo(each.w * each.h, 6);
      }),
    );
  });
  test('nothing to see: the whole board', () => {
    expect(closeView(board, [])).toEqual(board);
  });
});

test('keypad keys type as a keyboard would', () => {
  expect(['1', '.', '9', 'k'].reduce(typeKey, '')).toBe('1.9k');
  expect(typeKey('12', '⌫')).toBe('1');
  expect(typeKey('12', '−')).toBe('-12');
  expect(typeKey('-12', '−')).toBe('12');
  expect(typeKey('12', 'OL')).toBe('OL');
  expect(typeKey('OL', '4')).toBe('4');
});

test('a probability is never shown as a false 0 or 100', () => {
  expect([0, 0.001, 0.5, 0.999, 1].map(percent)).toEqual([
    '0\u2009%',
    '<1\u2009%',
    '50\u2009%',
    '>99\u2009%',
    '100\u2009%',
  ]);
});
