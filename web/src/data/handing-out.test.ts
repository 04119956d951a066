import { HandingOut } from './handing-out';

const draws = (...faults: [fault: string, draws: number][]) =>
  faults.flatMap(([fault, n]) => Array.from({ length: n }, (_, index) => ({ fault, index })));

/** As workers ask in turn, each for as long as there is something: the faults that each was at. */
function shared(out: HandingOut, workers: number): string[][] {
  const at = Array.from({ length: workers }, (): string[] => []);
  for (let some = true; some;) {
    some = false;
    for (const mine of at) {
      const draw = out.next(mine.at(-1));
      if (!draw) continue;
      mine.push(draw.fault);
      some = true;
    }
  }
  return at;
}

test('each worker stays with a fault, and takes one that nobody is at when it is done', () => {
  const at = shared(new HandingOut(draws(['a', 3], ['b', 3], ['c', 3], ['d', 3])), 2);
  expect(at.map((each) => each.join(''))).toEqual(['aaaccc', 'bbbddd']);
});

test('where all are begun it helps with the one that has most left', () => {
  const at = shared(new HandingOut(draws(['a', 1], ['b', 2], ['c', 8])), 3);
  expect(at.map((each) => each.join(''))).toEqual(['accc', 'bbcc', 'ccc']);
  expect(at.flat()).toHaveLength(11);
});

test('every draw is given once, and then nothing', () => {
  const out = new HandingOut(draws(['a', 2], ['b', 1]));
  const given = [out.next(undefined), out.next('a'), out.next('a'), out.next('b')];
  expect(given.map((each) => each && `${each.fault}${each.index}`)).toEqual([
    'a0',
    'a1',
    'b0',
    undefined,
  ]);
});
