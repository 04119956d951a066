/** @jest-environment node */
import { decades, niceSteps, scaleOf } from './scale';

test('figures near each other stand on a linear scale with round steps', () => {
  const scale = scaleOf([1.7, 2.1, 1.9]);
  expect(scale.log).toBe(false);
  expect([scale.at(scale.low), scale.at(scale.high)]).toEqual([0, 1]);
  expect(niceSteps(scale)).toEqual(
    [1.8, 2, 2.2].filter((each) => each <= scale.high && each >= scale.low),
  );
});

test('what spans decades is drawn by them, and nothing leaves the picture', () => {
  const scale = scaleOf([1.4e6, 200e6, 38e6]);
  expect(scale.log).toBe(true);
  expect(decades(scale)).toEqual([1e6, 1e7, 1e8]);
  expect(scale.at(0)).toBeGreaterThanOrEqual(0);
  expect(scale.at(1e12)).toBe(1);
});

test('one figure, none, all the same and all zero still have a scale', () => {
  for (const figures of [[], [5], [3, 3, 3], [0, 0], [-2, -2]]) {
    const scale = scaleOf(figures);
    expect(scale.high).toBeGreaterThan(scale.low);
    expect(niceSteps(scale).length).toBeGreaterThan(1);
    for (const figure of figures) {
      expect(scale.at(figure)).toBeGreaterThanOrEqual(0);
      expect(scale.at(figure)).toBeLessThanOrEqual(1);
    }
  }
});
