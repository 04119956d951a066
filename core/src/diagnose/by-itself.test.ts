/** What a try mends by itself, against doing it and asking how much more is whole. */
import { smallSheet } from '../../test/small-sheet';
import { infer } from './belief';
import { mendsByItself } from './by-itself';
import { modelOf } from './model';

const model = modelOf(smallSheet);

test('as much as the machine is more likely whole once it was done', () => {
  const all: readonly Readonly<Record<string, number>>[] = [
    { supply: 0.5 },
    { supply: 0.5, driver: 0.2 },
    { shorted: 1 },
    {},
  ];
  for (const cures of all) {
    const found = [{ code: 'E1' }];
    const before = infer(model, found);
    const after = infer(model, [...found, { done: cures }]);
    expect(mendsByItself(before, cures)).toBeCloseTo(after.belief.sound - before.belief.sound, 12);
  }
});

test('two faults at once are mended only where both are', () => {
  const { space } = infer(model, []);
  const pair = space.hypotheses.findIndex(({ faults }) => faults.length === 2);
  const left = Float64Array.from(space.hypotheses, (_, h) => (h === pair ? 1 : 0));
  const [a, b] = space.hypotheses[pair]!.faults.map((f) => model.faults[f]!.id);
  expect(mendsByItself({ space, left }, { [a!]: 0.5 })).toBe(0);
  expect(mendsByItself({ space, left }, { [a!]: 0.5, [b!]: 0.4 })).toBeCloseTo(0.2, 12);
});
