import { trendOf } from './trend';

test('three that fall are falling, two are nothing, and a hair’s breadth is the meter', () => {
  expect(trendOf([122e6, 44e6, 38e6])).toBe('falling');
  expect(trendOf([40, 52, 118])).toBe('rising');
  expect(trendOf([122e6, 44e6])).toBeUndefined();
  expect(trendOf([1.9, 1.91, 1.92])).toBeUndefined();
  expect(trendOf([5, 3, 4])).toBeUndefined();
  expect(trendOf([5, 5, 3])).toBeUndefined();
  expect(trendOf([])).toBeUndefined();
  // From nothing, anything is a move.
  expect(trendOf([0, 1, 2])).toBe('rising');
});
