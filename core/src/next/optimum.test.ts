/** The advice against the best that can be done at all, where that can be found by looking at every way. */
import { costsOf, smallModel } from '../../test/small-optimum';

test('within five hundredths of the optimum on small models, and never better than it', () => {
  const all = Array.from({ length: 60 }, (_, i) => costsOf(smallModel(i + 1)));
  for (const { optimal, advised, untested } of all) {
    expect(advised).toBeGreaterThanOrEqual(optimal - 1e-6);
    expect(untested).toBeGreaterThanOrEqual(optimal - 1e-6);
  }
  const sum = (of: (costs: (typeof all)[number]) => number) => all.reduce((s, c) => s + of(c), 0);
  const optimal = sum((costs) => costs.optimal);
  const ratio = sum((costs) => costs.advised) / optimal;
  expect(ratio).toBeLessThan(1.05);
  // There is something to win: without tests it costs a good deal more.
  expect(sum((costs) => costs.untested) / optimal).toBeGreaterThan(1.1);
});
