/** @jest-environment node */
import { readDraw, type BenchedSheet, type Draw } from '@jeitinho/core/bench';
import panvale from '../../../demo/sheets/panvale-do3.json';
import { computeDictionary } from './dictionary';

const sheet = {
  ...(panvale as unknown as BenchedSheet),
  faults: (panvale as unknown as BenchedSheet).faults.filter(
    ({ id }) => id === 'lock' || id === 'leg-2',
  ),
};

/** A worker in this thread: the same messages, each answered a moment later. */
function crew(answer = (draw: Draw) => ({ result: readDraw(sheet, draw, 1) }) as object) {
  const made: { terminated: boolean }[] = [];
  const make = () => {
    const worker = {
      terminated: false,
      onmessage: undefined as ((event: { data: object }) => void) | undefined,
      postMessage: (task: { draw?: Draw }) => {
        if (!task.draw) return;
        const reply = answer(task.draw);
        setTimeout(() => !worker.terminated && worker.onmessage?.({ data: reply }), 0);
      },
      terminate: () => {
        worker.terminated = true;
      },
    };
    made.push(worker);
    return worker as unknown as Worker;
  };
  return { made, make };
}

const options = (signal = new AbortController().signal) => ({
  draws: 3,
  seed: 1,
  signal,
  workers: 2,
  onProgress: () => {},
});

test('draws are shared among workers, counted, and put together', async () => {
  const { made, make } = crew();
  const seen: [number, number][] = [];
  const dictionary = await computeDictionary(sheet, {
    ...options(),
    make,
    onProgress: (done, of) => seen.push([done, of]),
  });
  expect(seen.at(-1)).toEqual([6, 6]);
  expect(made).toHaveLength(2);
  expect(made.every(({ terminated }) => terminated)).toBe(true);
  expect(dictionary.faults['leg-2']!['legs@L1L2']).toEqual({ low: 1 });
});

test('stopped, every worker ends and nothing comes of it', async () => {
  const { made, make } = crew();
  const stop = new AbortController();
  const running = computeDictionary(sheet, {
    ...options(stop.signal),
    make,
    onProgress: () => stop.abort(),
  });
  await expect(running).rejects.toMatchObject({ name: 'AbortError' });
  expect(made.every(({ terminated }) => terminated)).toBe(true);
});

test('a worker that fails ends the whole, with its reason', async () => {
  const { make } = crew(() => ({ error: 'out of memory' }));
  await expect(computeDictionary(sheet, { ...options(), make })).rejects.toThrow('out of memory');
});
