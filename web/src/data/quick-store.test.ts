/** Typed text when the quick store is full. */
import { localStore } from './local-store';

/** A store of so many characters, as a browser's. */
function quickStore(most: number) {
  const kept = new Map<string, string>();
  return {
    kept,
    getItem: (key: string) => kept.get(key) ?? null,
    removeItem: (key: string) => void kept.delete(key),
    setItem: (key: string, text: string) => {
      const others = [...kept].filter(([each]) => each !== key);
      if (others.reduce((sum, [, each]) => sum + each.length, text.length) > most)
        throw new Error('QuotaExceededError');
      kept.set(key, text);
    },
  };
}

const settled = () => new Promise((resolve) => setTimeout(resolve, 50));

test('goes into the large store, is read back at the next start, and moves home when there is room', async () => {
  const quick = quickStore(20);
  globalThis.localStorage = quick as unknown as Storage;
  const first = await import('./quick-store');
  first.writeQuick('a', 'fits');
  first.writeQuick('b', '18.4 MΩ at 500 V, and more words than fit');
  await settled();
  expect(first.readQuick('b')).toContain('18.4');
  expect(await localStore.documents.get('draft:b')).toMatchObject({ value: expect.any(String) });

  jest.resetModules();
  const next = await import('./quick-store');
  expect(next.readQuick('b')).toBe('');
  await next.readSpilled();
  expect(next.readQuick('a')).toBe('fits');
  expect(next.readQuick('b')).toContain('18.4');

  next.writeQuick('b', 'short');
  await settled();
  expect(quick.kept.get('jeitinho.draft.b')).toBe('short');
  expect(await localStore.documents.get('draft:b')).toBeUndefined();
});

test('a store that refuses an older text does not bring it back', async () => {
  const quick = quickStore(10);
  globalThis.localStorage = quick as unknown as Storage;
  const { readQuick, writeQuick } = await import('./quick-store');
  writeQuick('c', '18.4');
  writeQuick('c', '18.4 and much more than fits');
  expect(quick.kept.has('jeitinho.draft.c')).toBe(false);
  expect(readQuick('c')).toContain('much more');
  writeQuick('c', '');
  expect(readQuick('c')).toBe('');
});

test('what is typed before the large store was read is not overtaken by what lay there', async () => {
  globalThis.localStorage = quickStore(40) as unknown as Storage;
  await localStore.documents.put({ key: 'draft:d', value: 'an older text' });
  await localStore.documents.put({ key: 'draft:e', value: 'another' });
  jest.resetModules();
  const { readQuick, readSpilled, writeQuick } = await import('./quick-store');
  const reading = readSpilled();
  writeQuick('d', 'typed just now');
  await reading;
  expect(readQuick('d')).toBe('typed just now');
  expect(readQuick('e')).toBe('another');
  await settled();
  expect(await localStore.documents.get('draft:d')).toBeUndefined();
});
