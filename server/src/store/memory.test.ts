/** What is kept within a weight, and who waits for whom. */
import { Kept } from './kept';
import { Turns } from './turns';

test('what was not used for longest goes first, by weight', () => {
  const kept = new Kept<string>(10);
  kept.set('a', 'A', 4);
  kept.set('b', 'B', 4);
  kept.get('a');
  kept.set('c', 'C', 4);
  expect([kept.get('a'), kept.get('b'), kept.get('c')]).toEqual(['A', undefined, 'C']);
  kept.set('huge', 'H', 50);
  expect([kept.get('a'), kept.get('huge')]).toEqual([undefined, 'H']);
  kept.set('huge', 'h', 1);
  kept.set('d', 'D', 9);
  expect([kept.get('huge'), kept.get('d')]).toEqual(['h', 'D']);
});

test('one after the other for a key, also after a failure; other keys do not wait', async () => {
  const turns = new Turns();
  const done: string[] = [];
  const work =
    (name: string, ms: number, fails = false) =>
    async () => {
      await new Promise((resolve) => setTimeout(resolve, ms));
      done.push(name);
      if (fails) throw new Error(name);
    };
  const all = [
    turns.take('x', work('first', 30, true)).catch(() => {}),
    turns.take('x', work('second', 0)),
    turns.take('y', work('other', 5)),
  ];
  await Promise.all(all);
  expect(done).toEqual(['other', 'first', 'second']);
});
