import fc from 'fast-check';
import { readNetlist } from '../spice/read';
import { limitOf } from './extrapolate';
import { steadyState } from './steady';

test('one slow mode is seen through from three states', () => {
  // 8, 4, 2 above 5: it ends at 5.
  const states = [13, 9, 7].map((v) => Float64Array.of(v, 2 * v));
  expect([...limitOf(states)!]).toEqual([expect.closeTo(5, 9), expect.closeTo(10, 9)]);
});

test('as many modes as there are states but two are seen through', () => {
  const end = fc.integer({ min: -100, max: 100 });
  fc.assert(
    fc.property(
      fc.constantFrom([0.9, 0.3], [0.99, -0.5], [-0.8, 0.6], [0.95, 0.7]),
      fc.tuple(end, end, end),
      fc.integer({ min: 1, max: 50 }),
      fc.integer({ min: 1, max: 50 }),
      ([a, b], ends, one, two) => {
        // Two stores each with a mode of its own, and one that has a part in both.
        const states = [0, 1, 2, 3].map((k) => {
          const [u, v] = [one * a! ** k, two * b! ** k];
          return Float64Array.of(ends[0] + u, ends[1] + v, ends[2] + u - v);
        });
        const limit = limitOf(states)!;
        for (const [i, value] of ends.entries()) expect(limit[i]).toBeCloseTo(value, 5);
      },
    ),
  );
});

test('what stands still foretells nothing', () => {
  const still = Float64Array.of(1, 2);
  expect(limitOf([still, still, still])).toBeUndefined();
});

test('a capacitor charged over hundreds of turns is read where it ends', () => {
  // 60 Hz, half a wave through 1 MΩ into 10 µF beside 4 MΩ: ten seconds, six hundred turns.
  const circuit = readNetlist(
    [
      'slow',
      '.model D D(IS=1e-9 N=1.8)',
      'V1 a 0 SIN(0 100 60)',
      'D1 a b D',
      'R1 b c 1meg',
      'C1 c 0 10u',
      'R2 c 0 4meg',
    ].join('\n'),
  );
  const { values, settled } = steadyState(circuit, [{ kind: 'volts', plus: 'c', minus: '0' }]);
  expect(settled).toBe(true);
  // The mean current in is the mean current out: ∫ (100 sin θ − V) over the conducting arc / 2π = V / 4.
  const mean = (v: number) => {
    const from = Math.asin(v / 100);
    return (200 * Math.cos(from) - v * (Math.PI - 2 * from)) / (2 * Math.PI);
  };
  let [low, high] = [0, 100];
  for (let i = 0; i < 60; i += 1) {
    const v = (low + high) / 2;
    if (mean(v) > v / 4) low = v;
    else high = v;
  }
  // A good third of a volt is lost in the diode.
  expect(values[0]!.mean).toBeGreaterThan(low - 0.6);
  expect(values[0]!.mean).toBeLessThan(low);
});
